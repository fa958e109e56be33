import { describe, expect, it } from 'vitest'
import { unusual, usualRules, withLeast, withLength, withoutLength } from './rules'

describe('the rules of a kit', () => {
  it('keep their lists in order, each length once', () => {
    const rules = [2400, 600, 1200, 600].reduce((r, mm) => withLength(r, 'onlyLengthsMm', mm), usualRules())
    expect(rules.onlyLengthsMm).toEqual([600, 1200, 2400])
    expect(withoutLength(rules, 'onlyLengthsMm', 1200).onlyLengthsMm).toEqual([600, 2400])
  })

  it('let the least piece beside an opening follow the least of all until it is typed', () => {
    expect(withLeast(usualRules(), 400).besideOpeningMm).toBe(400)
    expect(withLeast({ ...usualRules(), besideOpeningMm: 600 }, 400).besideOpeningMm).toBe(600)
  })

  it('tell how many are not as usual', () => {
    expect(unusual(withLeast(usualRules(), 500))).toBe(0)
    expect(unusual({ ...withLength(usualRules(), 'neverLengthsMm', 600), jambMm: 100, maxKinds: 2 })).toBe(2)
  })
})
