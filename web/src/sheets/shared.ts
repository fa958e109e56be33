import { defineStore } from 'pinia'
import type { PlacedBody, PlacedView, SharedSheetView } from '../api/client'
import { useListed } from '../site/listed'
import { useSite } from '../site/site'
import type { Picture } from './colourways'

export type Material = SharedSheetView['material']

/** The sheets that several swatches of the site share. */
export const useSharedSheets = defineStore('shared sheets', () => {
  const site = useSite()
  const { all, refusal, edit } = useListed<SharedSheetView>('/shared-sheets')

  const url = (sheet: SharedSheetView, picture: Picture, side: number) =>
    `/api/sites/${site.site!.id}/shared-sheets/${sheet.material}/${picture}.png?side=${side}&as=${sheet.sheet}`
  const begin = () => edit<{ material: Material }>('Begin another shared sheet', 'POST', '/shared-sheets', () => undefined)
  const remove = (sheet: Material) => edit('Take a shared sheet away', 'DELETE', `/shared-sheets/${sheet}`, () => undefined)
  const change = (sheet: Material, told: { cells?: number; pixels?: number }) => edit('Change a shared sheet', 'PATCH', `/shared-sheets/${sheet}`, () => told)
  const pack = (sheet: Material) => edit('Pack the sheet', 'POST', `/shared-sheets/${sheet}/pack`, () => undefined)
  const put = (sheet: Material, told: PlacedBody) =>
    edit<{ swatch: PlacedView['swatch'] }>('Put a swatch on the sheet', 'POST', `/shared-sheets/${sheet}/swatches`, () => told)
  const set = (swatch: PlacedView['swatch'], told: PlacedBody) => edit('Change a swatch', 'PATCH', `/shared-sheets/swatches/${swatch}`, () => told)
  const takeOff = (swatch: PlacedView['swatch']) => edit('Take a swatch off', 'DELETE', `/shared-sheets/swatches/${swatch}`, () => undefined)

  return { all, refusal, url, begin, remove, change, pack, put, set, takeOff }
})
