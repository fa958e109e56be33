import { describe, expect, it } from 'vitest'
import type { PieceView, PlacementView } from '../api/client'
import { chunkOf, oneStanding } from '../test/standing'
import { extentOfChunk, placementOf, readChunk, StandingSet } from './standing'

const placed = (change: Partial<PlacementView> = {}): PlacementView => ({
  id: 'hand.5000',
  pieceId: 3,
  atMm: { x: 1500.25, y: -20, z: 100 },
  quarterTurns: 3,
  mirrored: true,
  freeDegrees: 12.5,
  tiltDegrees: 0,
  rollDegrees: 0,
  scale: 1,
  free: true,
  origin: 'hand',
  departed: false,
  lost: false,
  ...change,
})

/** A shell chunk of room 7 with one row of each kind of place, written by hand. */
function shell(): ArrayBuffer {
  const rows: [code: number, a: number, b: number][] = [
    [1, 12, 0],
    [2, 4e6, 1e6],
    [5, -2e6, 5e5],
    [6, 2, 0],
    [11, 4, 0],
    [12, -5e4, 1e3],
    [13, 0, 0],
    // On a lower tier of the south wall; a part of the post before; one of a post between walls, its foot 3.2 m up.
    [17, -1e6, 2 * 2 ** 36 + 3.2e6],
    [6, 2, 3.2e6],
    [18, -5 * 65536 + Math.floor(3.2e6 / 65536), 7 * 65536 + (3.2e6 % 65536)],
    // The eighth wall's piece of moulding 50, and the corner piece behind it.
    [19, -4e5, 50 * 2048 + 7 * 2],
    [19, 0, 50 * 2048 + 7 * 2 + 1],
    // On the fifth edge of a room, above another room that it opens into.
    [17, 0, (1024 + 5) * 2 ** 36 + 4e5],
  ]
  const n = rows.length
  const bytes = new ArrayBuffer(24 + 8 + 44 * n)
  const view = new DataView(bytes)
  ;[0x32424348, n, 1, 0].forEach((w, i) => view.setUint32(4 * i, w, true))
  view.setFloat64(16, 7, true)
  view.setFloat64(24, 3, true)
  rows.forEach(([code, a, b], i) => {
    view.setFloat64(32 + 8 * (3 * n + i), a, true)
    view.setFloat64(32 + 8 * (4 * n + i), b, true)
    view.setUint8(32 + 40 * n + 3 * n + i, code)
  })
  return bytes
}

describe('the standing set as typed arrays', () => {
  it('reads a row as it was written', () => {
    const p = placed()
    expect(placementOf(readChunk('hands.4.0', 'd', chunkOf(p)), 0)).toEqual(p)
  })

  it('names places as the server does', () => {
    const chunk = readChunk('shell.7.0', 'd', shell())
    expect([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map((i) => placementOf(chunk, i).id)).toEqual([
      'room.7.opening.12',
      'room.7.north.4000000.1000000',
      'room.7.west.-2000000.500000',
      'room.7.post.south-east',
      'stairs.7.4',
      'room.7.guard.-50000.1000',
      'solid.7',
      'room.7.south.-1000000.up.3200000',
      'room.7.post.south-east.up.3200000',
      'room.7.post.at.-5.7.up.3200000',
      'room.7.moulding.50.edge7.-400000',
      'room.7.moulding.50.corner7.0',
      'room.7.edge5-above.0.up.400000',
    ])
    const set = new StandingSet(new Map([['shell.7.0', chunk]]))
    expect(set.locate('room.7.north.4000000.1000000')?.row).toBe(1)
    expect(set.has('room.7.north.4000000.2000000')).toBe(false)
    expect(set.has('room.8.opening.12')).toBe(false)
  })

  it('finds stairs, guards and solids in the chunks of their own', () => {
    const named = (name: string) => new StandingSet(new Map([[name, readChunk(name, 'd', shell())]]))
    expect(named('stairs.7.0').has('stairs.7.4')).toBe(true)
    expect(named('guards.7.0').has('room.7.guard.-50000.1000')).toBe(true)
    expect(named('mouldings.7.0').has('room.7.moulding.50.corner7.0')).toBe(true)
    expect(named('solids.7.0').has('solid.7')).toBe(true)
    expect(named('shell.7.0').has('stairs.7.4')).toBe(false)
  })

  it('finds what has lost its place among what has', () => {
    const chunk = readChunk('lost.0', 'd', shell())
    expect(new StandingSet(new Map([['lost.0', chunk]])).has('room.7.opening.12')).toBe(true)
  })

  it('refuses what is no chunk', () => {
    expect(() => readChunk('x', 'd', new ArrayBuffer(64))).toThrow('no chunk')
  })

  it('knows its extent once all pieces are known', () => {
    const set = oneStanding(placed({ freeDegrees: 0, quarterTurns: 1, mirrored: false }))
    const chunk = set.chunks.values().next().value!
    expect(extentOfChunk(chunk, new Map())).toBeUndefined()
    const piece = { id: 3, boxMm: { min: { x: 0, y: 0, z: 0 }, max: { x: 1000, y: 200, z: 3000 } } } as PieceView
    const box = extentOfChunk(chunk, new Map([[3, piece]]))!
    // A quarter turn to the left: what ran east runs north, and its depth lies to the west.
    expect(box.min.x).toBeCloseTo(1300.25)
    expect(box.max.y).toBeCloseTo(980)
    expect(box.max.z).toBe(3100)
  })
})
