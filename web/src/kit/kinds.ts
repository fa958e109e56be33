import type { LaidView, SiteOptionView } from '../api/client'

/** The kinds of wall piece of an option, by length and height, each with a number of its own. */
export type Kinds = Map<string, number>

export const kindOf = (i: Pick<LaidView, 'lengthMm' | 'heightMm'>) => `${i.lengthMm}x${i.heightMm}`

export function kindsOf(option: SiteOptionView): Kinds {
  const kinds: Kinds = new Map()
  for (const p of option.pieces) if (p.role === 'WALL' && !kinds.has(kindOf(p))) kinds.set(kindOf(p), kinds.size)
  return kinds
}

/** How often each kind is used, on average. */
export const reuse = (option: SiteOptionView) => (option.kinds ? option.placements / option.kinds : 0)
