import { describe, expect, it } from 'vitest'
import { fillOf, hatches, hatchOf } from './hatches'

describe('the hatch of a kind', () => {
  it('is one of its own for each of the first kinds', () => {
    const seen = Array.from({ length: 48 }, (_, n) => JSON.stringify(hatchOf(n)))
    expect(new Set(seen).size).toBe(48)
  })

  it('is found where a drawing names it', () => {
    const ids = new Set(hatches.map((h) => `url(#${h.id})`))
    for (let kind = 4; kind < 120; kind++) if (hatchOf(kind).weight) expect(ids).toContain(fillOf(kind))
    expect(fillOf(0)).toBe(hatchOf(0).ground)
  })
})
