import { get, send } from './client'

const POLLED_MS = 400

/** Long work that the server does under a word of ours: asked how far it is, and what it has found, while it lasts. */
export function underWay(reached: (share: number, soFar: string) => void) {
  const token = crypto.randomUUID()
  const at = `/api/under-way/${token}`
  const polling = setInterval(
    () =>
      void get<{ share: number; soFar: string }>(at)
        .then(({ share, soFar }) => reached(share, soFar))
        .catch(() => {}),
    POLLED_MS,
  )
  return {
    token,
    callOff: () => void send('DELETE', at).catch(() => {}),
    /** The work answers with the best that it has found so far. */
    enough: () => void send('POST', `${at}/enough`).catch(() => {}),
    end: () => clearInterval(polling),
  }
}
