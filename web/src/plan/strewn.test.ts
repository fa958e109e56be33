import { describe, expect, it } from 'vitest'
import type { PieceView, PlacementView } from '../api/client'
import { partStrewn } from './strewn'

const pebble = { id: 1, boxMm: { min: { x: -50, y: -50, z: 0 }, max: { x: 50, y: 50, z: 40 } } } as unknown as PieceView
const at = (i: number, spacing: number, repeat = 7) =>
  ({
    id: `repeat.${repeat}.${i}`,
    pieceId: 1,
    origin: 'repeat',
    atMm: { x: (i % 10) * spacing, y: Math.floor(i / 10) * spacing, z: 0 },
    quarterTurns: 0,
    mirrored: false,
    freeDegrees: 0,
  }) as PlacementView
const plan = (scale: number, selected: string[] = []) => ({
  lie: { scale, x: 0, y: 0 },
  selection: new Set(selected),
  pieceById: new Map([[1, pebble]]),
  scatters: new Map([[7, 'Pebbles']]),
})
const hundred = [...Array(100).keys()].map((i) => at(i, 200))

describe('what a scatter strews', () => {
  it('is an outline with a count where one cannot be told from the other', () => {
    // Nine gaps of 200 mm and a pebble of 100: 1.9 m, 95 pixels at 0.05.
    const { crowds, rest } = partStrewn(plan(0.05), hundred)
    expect(crowds.map((c) => [c.name, c.count])).toEqual([['Pebbles', 100]])
    const xs = crowds[0]!.points.map((q) => q.x)
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(95)
    expect(rest).toEqual([])
  })

  it('is drawn one by one from near, and where it is few', () => {
    expect(partStrewn(plan(0.2), hundred).rest).toHaveLength(100)
    expect(partStrewn(plan(0.05), hundred.slice(0, 50)).rest).toHaveLength(50)
  })

  it('leaves alone what is selected, and what no scatter strews', () => {
    const others = [...Array(100).keys()].map((i) => at(i, 200, 8))
    const { crowds, rest } = partStrewn(plan(0.05, ['repeat.7.3']), [...hundred, ...others])
    expect(crowds[0]!.count).toBe(99)
    expect(rest).toHaveLength(101)
  })
})
