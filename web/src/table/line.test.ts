import { describe, expect, it } from 'vitest'
import { beside, query, straight } from './line'

describe('a section line', () => {
  it('is asked for in millimetres', () => {
    expect(query({ from: { x: 1, y: -2.5 }, to: { x: 1000, y: 0 } })).toBe('fromX=1.000&fromY=-2.500&toX=1000.000&toY=0.000')
  })

  it('sees the figure on its left and not behind it, whichever way it runs', () => {
    const east = { from: { x: 1000, y: 1000 }, to: { x: 9000, y: 1200 } }
    expect(beside(east, { x: 3000, y: 2000, z: 50 })).toEqual({ x: 2000, z: 50 })
    expect(beside(east, { x: 3000, y: 500, z: 0 })).toBeUndefined()
    const west = { from: { x: 9000, y: 1000 }, to: { x: 1000, y: 1000 } }
    expect(beside(west, { x: 3000, y: 500, z: 0 })).toEqual({ x: 6000, z: 0 })
    const north = { from: { x: 1000, y: 0 }, to: { x: 1000, y: 5000 } }
    expect(beside(north, { x: 500, y: 700, z: 0 })).toEqual({ x: 700, z: 0 })
    expect(beside(north, { x: -9000, y: 700, z: 0 })).toBeUndefined()
  })

  it('runs along one axis', () => {
    expect(straight({ from: { x: 0, y: 0 }, to: { x: 10, y: 3 } })).toEqual({ from: { x: 0, y: 0 }, to: { x: 10, y: 0 } })
    expect(straight({ from: { x: 0, y: 0 }, to: { x: -2, y: 3 } }).to).toEqual({ x: 0, y: 3 })
  })
})
