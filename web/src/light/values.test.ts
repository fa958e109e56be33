import { describe, expect, it } from 'vitest'
import { css, strip } from './seen'
import { AIR_VALUES, placeOf, PLACES, type Slide, SUN_VALUES, valueAt } from './values'

const sight = AIR_VALUES[0] as Slide
const hour = SUN_VALUES[0] as Slide

describe('a line that spans powers of ten', () => {
  it('has 0 at its beginning, and its ends where they are told', () => {
    expect(valueAt(sight, 0)).toBe(0)
    expect(valueAt(sight, 1)).toBe(5)
    expect(valueAt(sight, PLACES)).toBe(20_000)
    expect(placeOf(sight, 0)).toBe(0)
  })
  it('goes there and back within its two figures', () => {
    for (const value of [10, 80, 1500, 12_000]) expect(valueAt(sight, placeOf(sight, value))).toBeCloseTo(value, 6)
  })
  it('takes the middle of two powers of ten to be their geometric mean', () => {
    expect(placeOf(sight, Math.sqrt(5 * 20_000))).toBeCloseTo((1 + PLACES) / 2, 6)
  })
})

it('goes by its value where it does not grow', () => {
  expect(placeOf(hour, 9.25)).toBe(9.25)
  expect(valueAt(hour, 9.25)).toBe(9.25)
})

it('tells what matters by what is chosen', () => {
  const seen = (sun: 'NONE' | 'SET' | 'BY_TIME') => SUN_VALUES.filter((v) => v.matters?.({ sun })).map((v) => v.key)
  expect(seen('NONE')).toEqual([])
  expect(seen('SET')).toEqual(['bearing', 'altitude', 'sunLux', 'kelvin', 'sunDegrees'])
  expect(seen('BY_TIME')).toContain('hour')
})

describe('a colour of light on a screen', () => {
  // IEC 61966-2-1: linear 0.2159 is 128 of 255 encoded.
  it('has the curve of the standard', () => expect(css({ r: 0, g: 0.2159, b: 1 })).toBe('rgb(0 128 255)'))
  it('keeps its hue where it is too bright', () => expect(css({ r: 4, g: 2, b: 0 })).toBe('rgb(255 188 0)'))
  it('is a strip from the zenith to the ground', () => {
    const light = { even: false, domeAround: 1, domeUp: 3, dome: [1, 1, 1, 0, 0, 0, 0, 0, 1], ground: { r: 0, g: 1, b: 0 } }
    expect(strip(light as unknown as Parameters<typeof strip>[0])).toBe('linear-gradient(rgb(0 0 255), rgb(0 0 0) 45%, rgb(255 255 255) 70%, rgb(0 255 0) 70%)')
  })
})
