import { describe, expect, it } from 'vitest'
import type { BoxMm } from '../api/client'
import { cursorOf, dragged, drawnBlock, LIES, sidesNear, snapped } from './drawn'

const box = (x0: number, y0: number, z0: number, x1: number, y1: number, z1: number): BoxMm => ({ min: { x: x0, y: y0, z: z0 }, max: { x: x1, y: y1, z: z1 } })

describe('what is dragged in an elevation', () => {
  it('comes to lie at the nearest line of something else that is within reach', () => {
    expect(snapped([0, 50, 100], 196, [303, 290], 8, 10)).toEqual({ by: 190, at: 290 })
    expect(snapped([0, 50, 100], 196, [310], 8, 10)).toEqual({ by: 200 })
  })

  it('moves along the axes that are drawn, and not into the picture', () => {
    const moved = dragged(box(0, 0, 0, 100, 40, 30), undefined, { right: 121, up: 58 }, LIES.side, [], 5, 10)
    expect(moved).toEqual({ box: box(0, 120, 60, 100, 160, 90), lines: [] })
  })

  it('meets middles as well as sides, and says where', () => {
    const moved = dragged(box(0, 0, 0, 100, 40, 30), undefined, { right: 253, up: 0 }, LIES.front, [box(200, 0, 500, 400, 10, 510)], 5, 10)
    expect(moved.box.min.x).toBe(250)
    expect(moved.lines).toEqual([{ axis: 'x', atMm: 300 }])
  })

  it('is widened by one side while the other stays, and never turned inside out', () => {
    const one = box(0, 0, 0, 100, 40, 30)
    expect(dragged(one, { right: 1, up: 0 }, { right: 33, up: 70 }, LIES.front, [], 5, 10).box).toEqual(box(0, 0, 0, 130, 40, 30))
    expect(dragged(one, { right: -1, up: 0 }, { right: 400, up: 0 }, LIES.front, [], 5, 10).box).toEqual(box(90, 0, 0, 100, 40, 30))
    expect(dragged(one, { right: 0, up: 1 }, { right: 9, up: -400 }, LIES.front, [], 5, 10).box).toEqual(box(0, 0, 0, 100, 40, 10))
  })
})

describe('a block that is drawn', () => {
  it('is as deep as it is told, whichever way it is drawn', () => {
    expect(drawnBlock({ right: 98, up: 203 }, { right: 12, up: 51 }, LIES.front, { min: 5, max: 45 }, [], 4, 10)).toEqual(box(10, 5, 50, 100, 45, 200))
    expect(drawnBlock({ right: 0, up: 0 }, { right: 104, up: 63 }, LIES.top, { min: 0, max: 30 }, [box(102, 0, 0, 200, 60, 9)], 4, 10)).toEqual(
      box(0, 0, 0, 102, 60, 30),
    )
  })

  it('is none where it has no width', () => {
    expect(drawnBlock({ right: 3, up: 0 }, { right: 4, up: 90 }, LIES.front, { min: 0, max: 30 }, [], 4, 10)).toBeUndefined()
  })
})

describe('what a press takes hold of', () => {
  const r = { x: 10, y: 20, width: 100, height: 60 }

  it('is a side, a corner or the middle; up is up, though pixels count downward', () => {
    expect(sidesNear(r, { x: 12, y: 50 }, 5)).toEqual({ right: -1, up: 0 })
    expect(sidesNear(r, { x: 60, y: 23 }, 5)).toEqual({ right: 0, up: 1 })
    expect(sidesNear(r, { x: 108, y: 79 }, 5)).toEqual({ right: 1, up: -1 })
    expect(sidesNear(r, { x: 60, y: 50 }, 5)).toBeUndefined()
  })

  it('is the middle of what is small', () => {
    expect(sidesNear({ x: 0, y: 0, width: 8, height: 8 }, { x: 4, y: 4 }, 5)).toBeUndefined()
    expect(sidesNear({ x: 0, y: 0, width: 8, height: 8 }, { x: 1, y: 4 }, 5)).toEqual({ right: -1, up: 0 })
  })

  it('is told by the pointer: a corner upward to the right runs as it is dragged', () => {
    expect([undefined, { right: 1, up: 0 }, { right: 0, up: -1 }, { right: 1, up: 1 }, { right: -1, up: 1 }].map((s) => cursorOf(s as never))).toEqual([
      'move',
      'ew-resize',
      'ns-resize',
      'nesw-resize',
      'nwse-resize',
    ])
  })
})
