import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import { get, Refusal, type PatternView, type PatternWords } from '../api/client'
import { tell, useSite } from '../site/site'

/** The patterns of the site: how its walls look at any size. */
export const usePatterns = defineStore('patterns', () => {
  const site = useSite()
  const all = shallowRef<PatternView[]>([])
  const refusal = shallowRef<Refusal>()

  let asked = 0
  async function fetchAll() {
    const mine = ++asked
    if (!site.site) return
    const answer = await get<PatternView[]>(`/api/sites/${site.site.id}/patterns`)
    if (mine === asked) all.value = answer
  }
  watch(
    () => [site.site?.id, site.site?.revision],
    () => void fetchAll().catch(tell),
    { immediate: true },
  )

  async function edit<T>(label: string, method: string, path: string, body: () => unknown): Promise<T | undefined> {
    try {
      return await site.inTurn(async () => {
        const answer = await site.make<T>(label, method, path, body())
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

  const create = (copyOfId?: number) => edit<PatternView>('Make a pattern', 'POST', '/patterns', () => ({ copyOfId }))
  const rename = (id: number, name: string) => edit('Change a pattern', 'PATCH', `/patterns/${id}`, () => ({ name }))
  /** @param tell what the pattern is then, from what it is when the edit's turn comes */
  const change = (id: number, tell: (words: PatternWords) => PatternWords) =>
    edit('Change a pattern', 'PATCH', `/patterns/${id}`, () => ({ words: tell(structuredClone(all.value.find((p) => p.id === id)!.words)) }))
  const use = (patternId?: number) => edit('Use a pattern', 'PUT', '/pattern', () => ({ patternId }))
  const remove = (id: number) => edit('Take a pattern away', 'DELETE', `/patterns/${id}`, () => undefined)

  return { all, refusal, create, rename, change, use, remove }
})
