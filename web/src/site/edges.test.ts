import { describe, expect, it } from 'vitest'
import type { RoomView } from '../api/client'
import { alongEdge, edgeNear, edgesOf, isIn, onEdge, outward } from './edges'

/** An L of 10 × 10 without its north-east quarter. */
const L = {
  outlineMm: [
    [
      { edge: 0, x: 0, y: 10 },
      { edge: 4, x: 5, y: 10 },
      { edge: 5, x: 5, y: 5 },
      { edge: 1, x: 10, y: 5 },
      { edge: 2, x: 10, y: 0 },
      { edge: 3, x: 0, y: 0 },
    ],
  ],
} as unknown as RoomView

describe('edges of a room', () => {
  it('are named by their side, and counted where there are several', () => {
    expect(edgesOf(L).map((e) => `${e.edge} ${e.label} ${e.lengthMm}`)).toEqual([
      '0 north 1 5',
      '4 east 1 5',
      '5 north 2 5',
      '1 east 2 5',
      '2 south 10',
      '3 west 10',
    ])
  })

  it('are found beside the pointer, inside and out', () => {
    expect(edgeNear(L, { x: 4.5, y: 7 }, 1)?.edge).toBe(4)
    expect(edgeNear(L, { x: 5.5, y: 7 }, 1)?.edge).toBe(4)
    expect(edgeNear(L, { x: 2, y: 2.5 }, 1)).toBeUndefined()
    expect(outward(edgesOf(L)[1]!, { x: 5.5, y: 7 })).toBeCloseTo(0.5)
    expect(outward(edgesOf(L)[4]!, { x: 5, y: 1 })).toBe(-1)
  })

  it('are measured from their left end, seen from inside', () => {
    const [north, , , , south, west] = edgesOf(L)
    expect(onEdge(north!, 2, 1)).toEqual({ x: 2, y: 9 })
    expect(onEdge(south!, 2, 1)).toEqual({ x: 8, y: 1 })
    expect(onEdge(west!, 2, 1)).toEqual({ x: 1, y: 2 })
    expect(alongEdge(south!, { x: 3, y: 9 })).toBe(-3)
    expect(alongEdge(west!, { x: 3, y: 9 })).toBe(9)
  })

  it('hold the points of its ground and no others', () => {
    expect([isIn(L, { x: 2, y: 8 }), isIn(L, { x: 8, y: 2 }), isIn(L, { x: 8, y: 8 }), isIn(L, { x: -1, y: 2 })]).toEqual([true, true, false, false])
  })
})
