import { describe, expect, it } from 'vitest'
import type { BoxMm } from '../api/client'
import { Walker } from './Walker'

const box = (x0: number, y0: number, z0: number, x1: number, y1: number, z1: number): BoxMm => ({ min: { x: x0, y: y0, z: z0 }, max: { x: x1, y: y1, z: z1 } })
const FLOOR = box(0, 0, -200, 10_000, 4000, 0)

function walked(boxes: BoxMm[], at: { x: number; y: number; z: number }, dx: number, dy: number, times: number) {
  const walker = new Walker(boxes, at)
  for (let i = 0; i < times; i++) walker.go(dx, dy, 0.05)
  return walker.at
}

describe('someone walking', () => {
  it('is stopped by a wall half their width before it, and slides along it', () => {
    const at = walked([FLOOR, box(5000, 0, 0, 5200, 4000, 3000)], { x: 1000, y: 1000, z: 0 }, 70, 30, 80)
    expect(at.x).toBeGreaterThan(4700)
    expect(at.x).toBeLessThanOrEqual(4800)
    expect(at.y).toBeGreaterThan(3000)
  })

  it('goes through a door that is wide and high enough, and through none that is not', () => {
    const wall = (width: number, head: number) => [
      FLOOR,
      box(5000, 0, 0, 5200, 1000, 3000),
      box(5000, 1000 + width, 0, 5200, 4000, 3000),
      box(5000, 1000, head, 5200, 1000 + width, 3000),
    ]
    expect(walked(wall(800, 2100), { x: 1000, y: 1400, z: 0 }, 70, 0, 80).x).toBeGreaterThan(6000)
    expect(walked(wall(350, 2100), { x: 1000, y: 1175, z: 0 }, 70, 0, 80).x).toBeLessThanOrEqual(4800)
    expect(walked(wall(800, 1700), { x: 1000, y: 1400, z: 0 }, 70, 0, 80).x).toBeLessThanOrEqual(4800)
  })

  it('climbs stairs to the floor above, and no wall of steps', () => {
    // 18 steps of 170 by 290, as boxes from the floor up.
    const steps = Array.from({ length: 17 }, (_, i) => box(2000 + 290 * i, 0, 0, 2290 + 290 * i, 4000, 170 * (i + 1)))
    const upper = box(2000 + 290 * 17, 0, 2860, 10_000, 4000, 3060)
    const at = walked([FLOOR, ...steps, upper], { x: 1000, y: 2000, z: 0 }, 70, 0, 110)
    expect(at.z).toBe(3060)
    expect(at.x).toBeGreaterThan(7000)
    const ledge = walked([FLOOR, box(3000, 0, 0, 10_000, 4000, 400)], { x: 1000, y: 2000, z: 0 }, 70, 0, 80)
    expect(ledge.z).toBe(0)
    expect(ledge.x).toBeLessThan(3000)
  })

  it('falls onto what is below, not through it', () => {
    const at = walked([FLOOR, box(0, 0, 2800, 3000, 4000, 3000)], { x: 1000, y: 2000, z: 3000 }, 70, 0, 60)
    expect(at.x).toBeGreaterThan(4000)
    expect(at.z).toBe(0)
    const walker = new Walker([FLOOR], { x: 1000, y: 1000, z: 2000 })
    walker.go(0, 0, 0.1)
    expect(walker.at.z).toBe(1500)
  })
})
