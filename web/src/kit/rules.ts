import type { KitRulesBody } from '../api/client'

/** What a kit may be made of, every rule said. */
export type Rules = Required<KitRulesBody>

/** The usual rules; an opening's least piece follows the least piece of all until it is typed. */
export const usualRules = (): Rules => ({
  minPieceMm: 200,
  maxPieceMm: 4000,
  maxKinds: 4,
  onlyLengthsMm: [],
  neverLengthsMm: [],
  minTierMm: 400,
  maxTierMm: 100_000,
  onlyHeightsMm: [],
  neverHeightsMm: [],
  jointsAtFloors: true,
  jointsAtOpenings: false,
  jointsAboveFloorMm: [],
  besideOpeningMm: 200,
  jambMm: 0,
  alike: false,
  kindWorth: 0,
  keepStanding: false,
})

type Limit = 'onlyLengthsMm' | 'neverLengthsMm' | 'onlyHeightsMm' | 'neverHeightsMm' | 'jointsAboveFloorMm'

/** The same with a further length in one of its lists, rising. */
export const withLength = (rules: Rules, list: Limit, mm: number): Rules => ({ ...rules, [list]: [...new Set([...rules[list], mm])].sort((a, b) => a - b) })

export const withoutLength = (rules: Rules, list: Limit, mm: number): Rules => ({ ...rules, [list]: rules[list].filter((l) => l !== mm) })

/** The same with another least piece; what stands beside an opening goes along where it was the same. */
export const withLeast = (rules: Rules, mm: number): Rules => ({
  ...rules,
  minPieceMm: mm,
  besideOpeningMm: rules.besideOpeningMm === rules.minPieceMm ? mm : rules.besideOpeningMm,
})

/** How many rules are not as usual, beside the limits of length. */
export function unusual(rules: Rules): number {
  const usual = { ...usualRules(), besideOpeningMm: rules.minPieceMm }
  const limits = ['minPieceMm', 'maxPieceMm', 'maxKinds']
  return Object.entries(usual).filter(([name, value]) => !limits.includes(name) && JSON.stringify(rules[name as keyof Rules]) !== JSON.stringify(value)).length
}
