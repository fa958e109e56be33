import { describe, expect, it } from 'vitest'
import type { MassingView } from '../api/client'
import { above, below, guardsOn, isSeen, onLevel, solidsOn, stairsOn } from './level'

const box = (z0: number, z1: number) => ({ min: { x: 0, y: 0, z: z0 }, max: { x: 1, y: 1, z: z1 } })
const [ground, upper] = [
  { id: 0, name: 'Ground', floorMm: 0, storeyMm: 3200 },
  { id: 7, name: 'Upper', floorMm: 3200, storeyMm: 3200 },
]
const massing = {
  cutMm: 1000,
  levels: [ground, upper],
  rooms: [
    { id: 1, levelId: 0, cornerMm: { z: -1400 } },
    { id: 2, levelId: 7, cornerMm: { z: 3200 } },
  ],
  openings: [{ roomId: 1 }, { roomId: 2 }],
  walls: [box(0, 3200), box(3200, 6200), box(0, 6200)],
  over: [box(0, 4000)],
  gaps: [{ box: box(900, 2000) }, { box: box(4000, 5000) }],
  chains: [{ roomId: 2 }],
} as unknown as MassingView

describe('the plan of a level', () => {
  it('has its own rooms and what is cut a metre above its floor, tall rooms from below included', () => {
    const plan = onLevel(massing, upper)
    expect(plan.rooms.map((r) => r.id)).toEqual([2])
    expect(plan.walls).toEqual([box(3200, 6200), box(0, 6200)])
    expect(plan.gaps).toEqual([{ box: box(4000, 5000) }])
    expect(onLevel(massing, ground).walls).toContainEqual(box(0, 4000))
    expect(plan.chains).toHaveLength(1)
    expect(onLevel(massing, ground).chains).toHaveLength(0)
  })

  it('shows the level below faintly, and nothing below the lowest', () => {
    expect(below(massing, upper)).toEqual([box(0, 3200), box(0, 6200)])
    expect(below(massing, ground)).toEqual([])
  })

  it('leaves out what stands on another level, but not where there is only one', () => {
    expect(isSeen(massing, ground, 3200, 4000)).toBe(false)
    expect(isSeen(massing, upper, 3200, 4000)).toBe(true)
    expect(isSeen(massing, ground, -1500, -1400)).toBe(true)
    expect(isSeen(massing, ground, -1600, -1500)).toBe(false)
    expect(isSeen({ ...massing, levels: [ground] }, ground, 3200, 4000)).toBe(true)
  })

  it('has the stairs that begin on it and those that come up to it', () => {
    const stairs = [
      { id: 1, levelId: 0, footMm: { z: 0 }, riseMm: 3200 },
      { id: 2, levelId: 7, footMm: { z: 3200 }, riseMm: 3200 },
      { id: 3, levelId: 0, footMm: { z: -1400 }, riseMm: 1400 },
    ]
    const m = { ...massing, stairs } as unknown as MassingView
    expect(stairsOn(m, ground).map((s) => s.id)).toEqual([1, 3])
    expect(stairsOn(m, upper).map((s) => s.id)).toEqual([1, 2])
    expect(stairsOn({ ...m, levels: [ground] }, ground)).toHaveLength(3)
  })

  it('has the guards that stand on it, its own solids and those that reach through it', () => {
    const m = {
      ...massing,
      guards: [box(0, 1070), box(3200, 4270)],
      solids: [
        { id: 1, levelId: 0, boxMm: box(0, 3000) },
        { id: 2, levelId: 0, boxMm: box(0, 9000) },
        { id: 3, levelId: 7, boxMm: box(3200, 3500) },
      ],
    } as unknown as MassingView
    expect(guardsOn(m, upper)).toEqual([box(3200, 4270)])
    expect(solidsOn(m, ground).map((s) => s.id)).toEqual([1, 2])
    expect(solidsOn(m, upper).map((s) => s.id)).toEqual([2, 3])
  })

  it('has the gallery dashed that hangs over its hall, and not the storey over its ceiling', () => {
    const at = (id: number, levelId: number, x: number, z: number, heightMm: number) => ({
      id,
      levelId,
      cornerMm: { x, y: 0, z },
      widthMm: 4000,
      depthMm: 3000,
      heightMm,
    })
    const rooms = [at(1, 0, 0, 0, 6000), at(2, 7, 4000, 3200, 2800), at(3, 7, 20_000, 3200, 2800), at(4, 7, 0, 6200, 2800)]
    expect(above({ ...massing, rooms } as unknown as MassingView, ground).map((r) => r.id)).toEqual([2])
  })
})
