import { get, send } from './client'

const POLLED_MS = 400

/** Long work that the server does under a word of ours: asked how far it is while it lasts. */
export function underWay(reached: (share: number) => void) {
  const token = crypto.randomUUID()
  const at = `/api/under-way/${token}`
  const polling = setInterval(
    () =>
      void get<{ share: number }>(at)
        .then(({ share }) => reached(share))
        .catch(() => {}),
    POLLED_MS,
  )
  return { token, callOff: () => void send('DELETE', at).catch(() => {}), end: () => clearInterval(polling) }
}
