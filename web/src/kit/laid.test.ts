import { describe, expect, it } from 'vitest'
import type { FaceView } from '../api/client'
import { blockOf, blocksOf, isAbout } from './laid'

const face = (quarterTurns: number): FaceView => ({
  roomId: 7,
  startMm: { x: 1000, y: 2000, z: 500 },
  quarterTurns,
  heightMm: 3000,
  thicknessMm: 200,
  holes: [],
})
const size = (b: { min: number[]; max: number[] }) => b.max.map((m, i) => m - b.min[i]!)

describe('a piece of a run, in the site', () => {
  it('goes along its turn, with its thickness to the left', () => {
    // By hand: east, north, west and south, from the same corner.
    expect(blockOf(face(0), 100, 600, 0, 3000)).toEqual({ min: [1100, 2000, 500], max: [1600, 2200, 3500] })
    expect(blockOf(face(1), 100, 600, 0, 3000)).toEqual({ min: [800, 2100, 500], max: [1000, 2600, 3500] })
    expect(blockOf(face(2), 100, 600, 0, 3000)).toEqual({ min: [400, 1800, 500], max: [900, 2000, 3500] })
    expect(blockOf(face(3), 100, 600, 0, 3000)).toEqual({ min: [1000, 1400, 500], max: [1200, 1900, 3500] })
  })

  it('leaves out its opening', () => {
    const holed = { ...face(0), holes: [{ openingId: 9, atMm: 300, widthMm: 1000, sillMm: 900, heightMm: 1200 }] }
    const panel = { piece: 'window', atMm: 100, lengthMm: 1400, upMm: 0, heightMm: 3000 }
    const blocks = blocksOf(holed, panel)
    expect(blocks.map(size)).toEqual([
      [200, 200, 3000],
      [200, 200, 3000],
      [1000, 200, 900],
      [1000, 200, 900],
    ])
    // A door has nothing under it.
    expect(blocksOf({ ...holed, holes: [{ openingId: 9, atMm: 300, widthMm: 1000, sillMm: 0, heightMm: 2100 }] }, panel)).toHaveLength(3)
    expect(blocksOf(holed, { ...panel, piece: 'wall' })).toHaveLength(1)
  })

  it('is what advice is about by its room or by an opening in it', () => {
    const holed = { ...face(0), holes: [{ openingId: 9, atMm: 300, widthMm: 1000, sillMm: 900, heightMm: 1200 }] }
    expect(isAbout({ rooms: [7], openings: [] }, face(0))).toBe(true)
    expect(isAbout({ rooms: [8], openings: [9] }, holed)).toBe(true)
    expect(isAbout({ rooms: [8], openings: [9] }, face(0))).toBe(false)
    expect(isAbout(undefined, holed)).toBe(false)
  })
})
