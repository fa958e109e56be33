import { describe, expect, it } from 'vitest'
import { BANDS, readingOf, words } from './meter'

describe('a reading', () => {
  // By the definition of EV: twice the luminance is one more.
  it('is 0 at middle grey, and one more for twice the light', () => {
    expect(readingOf(0.18, 128)).toEqual({ steps: 0, luminance: 128 })
    expect(readingOf(0.36, 128)).toEqual({ steps: 1, luminance: 256 })
    expect(readingOf(0.045, 128).steps).toBeCloseTo(-2, 9)
  })
  it('is told with its sign', () => {
    expect(words(readingOf(0.36, 4096))).toBe('8,190 cd/m², +1.0 EV')
    expect(words(readingOf(0.09, 0.25))).toBe('0.125 cd/m², −1.0 EV')
  })
})

it('has a band for every step from −5 to +4', () => expect(BANDS).toHaveLength(10))
