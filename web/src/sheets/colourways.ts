import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { CoatView, CoatWords, ColourwayView } from '../api/client'
import { useListed } from '../site/listed'
import { useSite } from '../site/site'

export type Swatch = CoatView['swatch']
export type Picture = 'COLOUR' | 'NORMAL' | 'SURFACE'

/** The site's sets of finishes. */
export const useColourways = defineStore('colourways', () => {
  const site = useSite()
  const { all, refusal, edit } = useListed<ColourwayView>('/colourways')
  const used = computed(() => all.value.find((c) => c.used))

  /** Where a picture of a sheet is; told its state, a browser asks for it once. */
  const url = (colourwayId: number, coat: CoatView, picture: Picture, side: number) =>
    `/api/sites/${site.site!.id}/colourways/${colourwayId}/${coat.swatch}/${picture}.png?side=${side}&as=${coat.sheet}`
  /** What Space and the Workshop dress swatches in. */
  const coats = computed(() =>
    used.value?.coats.map((coat) => ({
      swatch: coat.swatch.toLowerCase(),
      sheet: coat.sheet,
      url: (picture: Picture) => url(used.value!.id, coat, picture, 512),
    })),
  )

  const create = (copyOfId?: number) => edit<ColourwayView>('Make a colourway', 'POST', '/colourways', () => ({ copyOfId }))
  const rename = (id: number, name: string) => edit('Change a colourway', 'PATCH', `/colourways/${id}`, () => ({ name }))
  const change = (id: number, coats: Partial<Record<Swatch, CoatWords>>) => edit('Change a finish', 'PATCH', `/colourways/${id}`, () => ({ coats }))
  const use = (colourwayId: number) => edit('Use a colourway', 'PUT', '/colourway', () => ({ colourwayId }))
  const remove = (id: number) => edit('Take a colourway away', 'DELETE', `/colourways/${id}`, () => undefined)

  return { all, used, coats, refusal, url, create, rename, change, use, remove }
})
