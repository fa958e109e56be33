import { shallowRef, watch } from 'vue'
import { get, Refusal } from '../api/client'
import { latest } from '../api/latest'
import { tell, useSite } from './site'

/** What a site has several of, fetched again whenever it may have changed; an edit of one is made in its turn, and is shown when it has been made. */
export function useListed<T>(path: string) {
  const site = useSite()
  const all = shallowRef<T[]>([])
  const refusal = shallowRef<Refusal>()

  const ask = latest()
  async function fetchAll() {
    if (!site.site) return
    const answer = await ask(get<T[]>(`/api/sites/${site.site.id}${path}`))
    if (answer) all.value = answer
  }
  watch([() => site.site?.id, () => site.lists], () => void fetchAll().catch(tell), { immediate: true })

  /** @param body what is sent, when its turn comes. @returns what was answered; nothing if it was refused */
  async function edit<A>(label: string, method: string, at: string, body: () => unknown): Promise<A | undefined> {
    try {
      return await site.inTurn(async () => {
        const answer = await site.make<A>(label, method, at, body())
        refusal.value = undefined
        await fetchAll()
        return answer
      })
    } catch (e) {
      if (e instanceof Refusal) refusal.value = e
      else tell(e)
      return undefined
    }
  }

  return { all, refusal, edit }
}
