import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { CoatView, CoatWords, ColourwayView } from '../api/client'
import { useListed } from '../site/listed'
import { useSite } from '../site/site'
import { wordOf } from './materials'
import { useSharedSheets } from './shared'

export type Swatch = CoatView['swatch']
export type Picture = 'COLOUR' | 'NORMAL' | 'SURFACE'
export const SIDES = [256, 512, 1024, 2048, 4096].map((value) => ({ value, label: `${value} pixels` }))
/** Pixels to a side: sheets are looked at no larger, whatever they have. */
const MOST_SHOWN = 1024

/** The light of a finish, as it is drawn. */
const shineOf = (w: CoatWords) => ({
  glowColour: w.glowColour ?? '#ffffff',
  nits: w.glow ?? 0,
  passes: (w.transparency ?? 0) / 100,
  tint: w.colour ?? '#ffffff',
  twoSided: !!w.twoSided,
})

/** The site's sets of finishes. */
export const useColourways = defineStore('colourways', () => {
  const site = useSite()
  const shared = useSharedSheets()
  const { all, refusal, edit } = useListed<ColourwayView>('/colourways')
  const used = computed(() => all.value.find((c) => c.used))

  /** Where a picture of a sheet is; told its state, a browser asks for it once. */
  const url = (colourwayId: number, coat: CoatView, picture: Picture, side: number) =>
    `/api/sites/${site.site!.id}/colourways/${colourwayId}/${coat.swatch}/${picture}.png?side=${side}&as=${coat.sheet}`
  /** The site's own, under 0, and those that rooms and placements are dressed in. */
  const worn = computed(() => [
    ...(used.value ? [{ colourwayId: 0, from: used.value }] : []),
    ...all.value.filter((c) => site.looks.all.some((g) => g.colourwayId === c.id)).map((from) => ({ colourwayId: from.id, from })),
  ])
  /** What Space and the Workshop dress swatches in. */
  const coats = computed(() => [
    ...worn.value.flatMap(({ colourwayId, from }) =>
      from.coats.map((coat) => ({
        colourwayId,
        swatch: wordOf(coat.swatch),
        sheet: coat.sheet,
        pixels: coat.pixels,
        isGlass: coat.words.grain === 'GLASS',
        shine: shineOf(coat.words),
        url: (picture: Picture) => url(from.id, coat, picture, Math.min(MOST_SHOWN, coat.pixels / 2)),
      })),
    ),
    ...shared.all.map((sheet) => ({
      colourwayId: 0,
      swatch: wordOf(sheet.material),
      sheet: sheet.sheet,
      pixels: sheet.pixels,
      isGlass: false,
      shine: shineOf({}),
      url: (picture: Picture) => shared.url(sheet, picture, Math.min(MOST_SHOWN, sheet.pixels)),
    })),
  ])

  const create = (copyOfId?: number) => edit<ColourwayView>('Make a colourway', 'POST', '/colourways', () => ({ copyOfId }))
  const rename = (id: number, name: string) => edit('Change a colourway', 'PATCH', `/colourways/${id}`, () => ({ name }))
  const change = (id: number, coats: Partial<Record<Swatch, CoatWords>>) => edit('Change a finish', 'PATCH', `/colourways/${id}`, () => ({ coats }))
  const use = (colourwayId: number) => edit('Use a colourway', 'PUT', '/colourway', () => ({ colourwayId }))
  const remove = (id: number) => edit('Take a colourway away', 'DELETE', `/colourways/${id}`, () => undefined)

  /** Keeps a picture for finishes. @returns its number */
  async function addPicture(file: File): Promise<number> {
    const response = await fetch(`/api/sites/${site.site!.id}/finish-pictures`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: file,
    })
    const answer = (await response.json()) as { mediaId: number; detail?: string }
    if (!response.ok) throw new Error(answer.detail ?? `The server answered ${response.status}.`)
    return answer.mediaId
  }

  return { all, used, coats, refusal, url, create, rename, change, use, remove, addPicture }
})
