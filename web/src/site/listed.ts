import { shallowRef, watch } from 'vue'
import { get, Refusal } from '../api/client'
import { tell, useSite } from './site'

/** What a site has several of, fetched again whenever it may have changed; an edit of one is made in its turn, and is shown when it has been made. */
export function useListed<T>(path: string) {
  const site = useSite()
  const all = shallowRef<T[]>([])
  const refusal = shallowRef<Refusal>()

  let asked = 0
  async function fetchAll() {
    const mine = ++asked
    if (!site.site) return
    const answer = await get<T[]>(`/api/sites/${site.site.id}${path}`)
    if (mine === asked) all.value = answer
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
