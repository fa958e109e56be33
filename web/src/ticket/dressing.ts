import type { DressView } from '../api/client'

/** Nothing is told. */
export const UNTOLD = { tint: '', wear: -1, colourwayId: 0, lamps: -1 }
export type Told = Pick<DressView, keyof typeof UNTOLD>

/** What is told of several things; undefined where they differ. */
export function commonDress(dresses: readonly DressView[], has: (dress: DressView) => number, count: number): { [K in keyof Told]: Told[K] | undefined } {
  const told = dresses.map((dress) => ({ dress, n: has(dress) })).filter((d) => d.n > 0)
  const dressed = told.reduce((n, d) => n + d.n, 0)
  const all: Told[] = [...told.map((d) => d.dress), ...(dressed < count ? [UNTOLD] : [])]
  const common = <K extends keyof Told>(key: K) => (all.every((d) => d[key] === all[0]![key]) ? all[0]?.[key] : undefined)
  return { tint: common('tint'), wear: common('wear'), colourwayId: common('colourwayId'), lamps: common('lamps') }
}
