import { describe, expect, it } from 'vitest'
import type { ItemView } from '../api/client'
import { boundsOf, cropped, fitted, meets, uncropped, within, zoomed } from './sheet'

const item = (change: Partial<ItemView> = {}) =>
  ({
    id: 1,
    kind: 'PICTURE',
    name: '',
    text: '',
    x: 100,
    y: 50,
    width: 200,
    height: 100,
    turn: 0,
    flipped: false,
    crop: [0, 0, 1, 1],
    locked: false,
    grey: false,
    groupId: 0,
    pixelsX: 2000,
    pixelsY: 1000,
    ...change,
  }) as ItemView

describe('the sheet of the board', () => {
  it('keeps the point under the pointer where it is while it grows', () => {
    const before = { x: 0, y: 0, scale: 1 }
    const after = zoomed(before, 2, 30, -10)
    // Seen from the middle of the window, (30, −10) was 30 and −10 pixels away, and still is.
    expect((30 - after.x) * after.scale).toBeCloseTo(30)
    expect((-10 - after.y) * after.scale).toBeCloseTo(-10)
    expect(zoomed(before, 1e9, 0, 0).scale).toBe(12)
  })

  it('finds the upright extent of a turned item', () => {
    expect(boundsOf(item({ turn: 90 }))).toEqual({ x0: expect.closeTo(50), y0: expect.closeTo(-50), x1: expect.closeTo(150), y1: expect.closeTo(150) })
  })

  it('fits what there is into the window, with a margin', () => {
    expect(fitted({ x0: 0, y0: 0, x1: 1000, y1: 100 }, 1080, 680)).toEqual({ x: 500, y: 50, scale: 1 })
  })

  it('tells rectangles that meet from those that only touch', () => {
    const a = { x0: 0, y0: 0, x1: 1, y1: 1 }
    expect(meets(a, { x0: 0.5, y0: 0.5, x1: 2, y1: 2 })).toBe(true)
    expect(meets(a, { x0: 1, y0: 0, x1: 2, y1: 1 })).toBe(false)
  })

  it('takes a point into the frame of a turned and flipped item', () => {
    // A quarter turn clockwise takes the right end to below: 100 right of the middle in its own frame.
    const own = within(item({ turn: 90 }), 100, 150)
    expect(own.x).toBeCloseTo(0.5)
    expect(own.y).toBeCloseTo(0)
    expect(within(item({ flipped: true }), 200, 50).x).toBeCloseTo(-0.5)
  })

  it('crops to the box and leaves the rest where it was seen', () => {
    const cut = cropped(item(), { x: -0.5, y: -0.5 }, { x: 0, y: 0.5 })!
    expect(cut).toEqual({ x: 50, y: 50, width: 100, height: 100, crop: [0, 0, 0.5, 1] })
    const again = cropped(item({ ...cut }), { x: 0.5, y: 0 }, { x: 0, y: 0.5 })!
    expect(again.crop).toEqual([0.25, 0.5, 0.5, 1])
    expect([again.x, again.y]).toEqual([75, 75])
  })

  it('shows the whole picture again just where it was', () => {
    for (const lying of [item(), item({ turn: 30, flipped: true }), item({ turn: -120 })]) {
      const cut = cropped(lying, { x: -0.2, y: -0.4 }, { x: 0.35, y: 0.1 })!
      const whole = uncropped({ ...lying, ...cut })
      expect(whole.x).toBeCloseTo(lying.x)
      expect(whole.y).toBeCloseTo(lying.y)
      expect(whole.width).toBeCloseTo(lying.width)
      expect(whole.crop).toEqual([0, 0, 1, 1])
    }
  })

  it('refuses a crop of nothing', () => {
    expect(cropped(item(), { x: 0.1, y: 0.1 }, { x: 0.1, y: 0.4 })).toBeUndefined()
    expect(cropped(item(), { x: 0.8, y: 0.1 }, { x: 0.9, y: 0.4 })).toBeUndefined()
  })
})
