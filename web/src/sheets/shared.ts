import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { get, Refusal, type PlacedBody, type PlacedView, type SharedSheetView } from '../api/client'
import { tell, useSite } from '../site/site'
import { SWATCHES } from '../workshop/words'
import type { Picture } from './colourways'

const none: SharedSheetView = { cells: 16, free: 256, sheet: '', placed: [] }

/** The sheet that several swatches of the site share. */
export const useSharedSheet = defineStore('shared sheet', () => {
  const site = useSite()
  const sheet = shallowRef(none)
  const refusal = shallowRef<Refusal>()

  let asked = 0
  async function fetchSheet() {
    const mine = ++asked
    if (!site.site) return
    const answer = await get<SharedSheetView>(`/api/sites/${site.site.id}/shared-sheet`)
    if (mine === asked) sheet.value = answer
  }
  watch(
    () => [site.site?.id, site.site?.revision],
    () => void fetchSheet().catch(tell),
    { immediate: true },
  )

  const url = (picture: Picture, side: number) => `/api/sites/${site.site!.id}/shared-sheet/${picture}.png?side=${side}&as=${sheet.value.sheet}`
  /** All that something can be made of: what has a sheet of its own, and what shares one. */
  const swatches = computed(() => [...SWATCHES, ...sheet.value.placed.map((p) => ({ value: p.swatch, label: p.name }))])

  async function edit<A>(label: string, method: string, path: string, body: () => unknown): Promise<A | undefined> {
    try {
      return await site.inTurn(async () => {
        const answer = await site.make<A>(label, method, `/shared-sheet${path}`, body())
        refusal.value = undefined
        await fetchSheet()
        return answer
      })
    } catch (e) {
      if (e instanceof Refusal) refusal.value = e
      else tell(e)
      return undefined
    }
  }
  const add = (told: PlacedBody) => edit<{ swatch: PlacedView['swatch'] }>('Put a swatch on the sheet', 'POST', '/swatches', () => told)
  const change = (swatch: PlacedView['swatch'], told: PlacedBody) => edit('Change a swatch', 'PATCH', `/swatches/${swatch}`, () => told)
  const remove = (swatch: PlacedView['swatch']) => edit('Take a swatch off', 'DELETE', `/swatches/${swatch}`, () => undefined)
  const setCells = (cells: number) => edit('The grid', 'PATCH', '', () => ({ cells }))
  const pack = () => edit('Pack the sheet', 'POST', '/pack', () => undefined)

  return { sheet, refusal, url, swatches, add, change, remove, setCells, pack }
})
