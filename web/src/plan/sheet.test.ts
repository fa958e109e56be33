import { describe, expect, it } from 'vitest'
import { fitted, fittedBeside, gridPitch, magnified, toPixel, toSiteMm } from './sheet'

it('magnifying keeps what is under the pointer under it', () => {
  const lie = { scale: 0.05, x: 80, y: 400 }
  const before = toSiteMm(lie, 300, 200)
  const after = toSiteMm(magnified(lie, 1.7, 300, 200), 300, 200)
  expect(after[0]).toBeCloseTo(before[0], 6)
  expect(after[1]).toBeCloseTo(before[1], 6)
})

it('a fitted box lies within the window, north up', () => {
  const lie = fitted({ min: { x: -200, y: -200, z: 0 }, max: { x: 12200, y: 8200, z: 4200 } }, 434, 600)
  const [x0, y0] = toPixel(lie, -200, 8200)
  const [x1, y1] = toPixel(lie, 12200, -200)
  expect(x0).toBeGreaterThan(0)
  expect(x1).toBeLessThan(434)
  expect(y0).toBeLessThan(y1)
})

it('grid lines stay apart: 100 mm at 0.05 px/mm are 5 px, so every fifth is drawn', () => {
  expect(gridPitch(100, 0.05)).toBe(500)
  expect(gridPitch(100, 0.2)).toBe(100)
})

it('fits into any window, however narrow', () => {
  const box = { min: { x: 0, y: 0, z: 0 }, max: { x: 8000, y: 6000, z: 0 } }
  for (const width of [1, 40, 87, 150]) expect(fitted(box, width, 600).scale).toBeGreaterThan(0)
})

describe('beside a covered corner', () => {
  const covered = { width: 250, height: 200 }
  const hall = { min: { x: 0, y: 0, z: 0 }, max: { x: 10_000, y: 14_000, z: 0 } }

  it('a drawing is moved aside where it keeps its size', () => {
    const lie = fittedBeside(hall, 900, 700, covered)
    expect(lie.scale).toBe(fitted(hall, 900, 700).scale)
    expect(toPixel(lie, 10_000, 0)[0]).toBeLessThan(650)
  })

  it('one that would get much smaller stays', () => {
    const street = { min: { x: 0, y: 0, z: 0 }, max: { x: 40_000, y: 30_000, z: 0 } }
    expect(fittedBeside(street, 900, 700, covered)).toEqual(fitted(street, 900, 700))
  })

  it('nothing moves where nothing is covered', () => {
    expect(fittedBeside(hall, 900, 700, undefined)).toEqual(fitted(hall, 900, 700))
    const low = { min: { x: 0, y: 0, z: 0 }, max: { x: 10_000, y: 2_000, z: 0 } }
    expect(fittedBeside(low, 900, 700, covered)).toEqual(fitted(low, 900, 700))
  })
})
