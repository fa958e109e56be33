import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { PlacedView, SheetMaterialView } from '../api/client'
import { useListed } from '../site/listed'
import { useSharedSheets } from './shared'

/** What surfaces are drawn in, in all colourways: each has a name of the site's own, and a sheet. */
export const useMaterials = defineStore('materials', () => {
  const shared = useSharedSheets()
  const { all, refusal, edit } = useListed<SheetMaterialView>('/materials')

  /** All that something can be made of: what has a sheet of its own, and what shares one. */
  const swatches = computed(() => [
    ...all.value.filter((m) => !m.shared).map((m) => ({ value: m.swatch, label: m.name })),
    ...shared.all.flatMap((sheet) => sheet.placed.map((p) => ({ value: p.swatch, label: p.name }))),
  ])
  /** What a swatch or a shared sheet is called. */
  const called = (swatch: PlacedView['swatch']) =>
    all.value.find((m) => m.swatch === swatch)?.name ?? swatches.value.find((s) => s.value === swatch)?.label ?? wordOf(swatch)
  /** Whether the site says what it is called. */
  const isNamed = (swatch: PlacedView['swatch']) => !!all.value.find((m) => m.swatch === swatch)?.named

  /** @param name as its swatch where it is blank */
  const call = (swatch: PlacedView['swatch'], name: string) => edit('Call a material', 'PATCH', `/materials/${swatch}`, () => ({ name }))
  const setPixels = (swatch: PlacedView['swatch'], pixels: number) => edit('The pixels of a sheet', 'PATCH', `/materials/${swatch}`, () => ({ pixels }))

  /** One more of the site's own. */
  const add = (name = '') => edit<{ swatch: string }>('Add a material', 'POST', '/materials', () => ({ name }))
  /** @returns whether it is gone: what something is made of stays */
  const remove = async (swatch: PlacedView['swatch']) => {
    await edit('Take a material away', 'DELETE', `/materials/${swatch}`, () => undefined)
    return !all.value.some((m) => m.swatch === swatch)
  }
  /** @param place in lists, from 0 */
  const order = (swatch: PlacedView['swatch'], place: number) => edit('Order the materials', 'PATCH', `/materials/${swatch}`, () => ({ place }))

  return { all, refusal, swatches, called, isNamed, call, setPixels, add, remove, order }
})

/** What a mesh's materials are named: whatever a site calls them. */
export const wordOf = (swatch: PlacedView['swatch']) => swatch.toLowerCase().replace('_', ' ')
