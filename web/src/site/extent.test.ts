import { oneStanding } from '../test/standing'
import { StandingSet } from './standing'
import { describe, expect, it } from 'vitest'
import type { PieceView, PlacementView } from '../api/client'
import { boxOf, extentOf, extentOfPlacements, footprint, toSite } from './extent'

/** A bench of 1600 × 450 × 450 with its pivot in the middle of its base. */
const bench = {
  id: 1,
  boxMm: { min: { x: -800, y: -225, z: 0 }, max: { x: 800, y: 225, z: 450 } },
  sizeMm: { x: 1600, y: 450, z: 450 },
  solidsMm: [],
  count: 1,
} as unknown as PieceView
/** A wall of 2000 with its pivot where its face begins. */
const wall = { ...bench, id: 2, boxMm: { min: { x: 0, y: 0, z: 0 }, max: { x: 2000, y: 200, z: 3000 } } } as PieceView

const placed = (change: Partial<PlacementView> = {}) =>
  ({
    id: 'hand.9',
    pieceId: 1,
    atMm: { x: 5000, y: 3000, z: 100 },
    quarterTurns: 0,
    mirrored: false,
    freeDegrees: 0,
    free: false,
    origin: 'hand',
    departed: false,
    lost: false,
    ...change,
  }) as PlacementView

describe('where things stand', () => {
  it('a quarter turn goes counter-clockwise about the pivot', () => {
    expect(toSite(placed({ quarterTurns: 1 }), bench, 800, 0)).toEqual({ x: expect.closeTo(5000), y: expect.closeTo(3800), z: 100 })
    expect(boxOf(placed({ quarterTurns: 1 }), bench)).toEqual({
      min: { x: expect.closeTo(4775), y: expect.closeTo(2200), z: 100 },
      max: { x: expect.closeTo(5225), y: expect.closeTo(3800), z: 550 },
    })
  })

  it('mirroring keeps a wall where it stands and exchanges its ends', () => {
    const mirrored = placed({ pieceId: 2, mirrored: true })
    expect(boxOf(mirrored, wall)).toEqual(boxOf(placed({ pieceId: 2 }), wall))
    expect(toSite(mirrored, wall, 0, 0).x).toBe(7000)
  })

  it('a free turn of 45 degrees bounds the turned rectangle', () => {
    const box = boxOf(placed({ freeDegrees: 45 }), bench)
    // Half of (1600 + 450) over the root of two, both ways.
    expect(box.max.x - 5000).toBeCloseTo(1025 / Math.SQRT2)
    expect(box.max.y - 3000).toBeCloseTo(1025 / Math.SQRT2)
  })

  it('a footprint has its corners in order', () => {
    const corners = footprint(placed(), bench, bench.boxMm)
    const area =
      corners.reduce((sum, a, i) => {
        const b = corners[(i + 1) % 4]!
        return sum + a.x * b.y - b.x * a.y
      }, 0) / 2
    expect(area).toBe(1600 * 450)
  })

  it('the extent of a set is that of its rooms and of what stands outside them', () => {
    const pieceById = new Map([[1, bench]])
    const massing = {
      cutMm: 1000,
      levels: [],
      rooms: [],
      openings: [],
      over: [],
      floors: [],
      gaps: [],
      chains: [],
      remarks: [],
      stairs: [],
      solids: [],
      guards: [],
      runs: [],
      walls: [{ min: { x: 0, y: 0, z: 0 }, max: { x: 4000, y: 200, z: 3000 } }],
    }
    const set = { massing, pieces: [bench], pieceById, placements: oneStanding(placed()) }
    expect(extentOf(set)).toEqual({ min: { x: 0, y: 0, z: 0 }, max: { x: 5800, y: 3225, z: 3000 } })
    expect(extentOf({ ...set, placements: new StandingSet() })).toEqual(massing.walls[0])
    expect(extentOfPlacements(set, [])).toBeUndefined()
    expect(extentOfPlacements(set, [placed({ pieceId: 77 })])).toBeUndefined()
  })
})
