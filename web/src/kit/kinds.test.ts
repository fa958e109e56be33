import { describe, expect, it } from 'vitest'
import type { SiteOptionView } from '../api/client'
import { kindOf, kindsOf, reuse } from './kinds'

const piece = (role: SiteOptionView['pieces'][0]['role'], lengthMm: number, heightMm: number, depthMm = 200) => ({
  role,
  lengthMm,
  heightMm,
  depthMm,
  count: 3,
})
const option: SiteOptionView = {
  id: 'one',
  kinds: 4,
  placements: 12,
  proven: true,
  byRole: { WALL: 3, POST: 1 },
  added: [],
  pieces: [piece('WALL', 2000, 3000), piece('WALL', 1000, 3000), piece('WALL', 1000, 3000, 100), piece('POST', 200, 3000)],
  jointsMm: [],
  made: 4,
  does: { placed: 12, removed: 0, lost: 0 },
}

describe('the kinds of an option', () => {
  it('are numbered by length and height, whatever their thickness; posts are none of them', () => {
    expect([...kindsOf(option)]).toEqual([
      ['2000x3000', 0],
      ['1000x3000', 1],
    ])
    expect(kindsOf(option).get(kindOf({ lengthMm: 1000, heightMm: 3000 }))).toBe(1)
  })

  it('tell how often each is used', () => {
    expect(reuse(option)).toBe(3)
    expect(reuse({ ...option, kinds: 0, placements: 0 })).toBe(0)
  })
})
