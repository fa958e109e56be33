import { Euler, Vector3 } from 'three'
import { describe, expect, it } from 'vitest'
import type { PieceView } from '../api/client'
import { oneStanding } from '../test/standing'
import { boxOf, footprint } from './extent'
import { hull, toSiteBy, type Pose } from './pose'
import { placementOf } from './standing'

const piece = { id: 1, boxMm: { min: { x: 0, y: -100, z: 0 }, max: { x: 900, y: 300, z: 400 } } } as unknown as PieceView
const at = { x: 1000, y: 2000, z: 300 }
const degrees = (d: number) => (d * Math.PI) / 180

describe('how things stand', () => {
  it('tilt, roll and turn are those of three.js, one about the other', () => {
    for (const [tiltDegrees, rollDegrees, freeDegrees, scale] of [
      [20, 0, 0, 1],
      [0, -35, 10, 1],
      [50, 70, -20, 1.5],
      [-170, 85, 44, 0.3],
    ] as const) {
      const pose: Pose = { atMm: at, quarterTurns: 1, freeDegrees, mirrored: false, tiltDegrees, rollDegrees, scale }
      const wanted = new Vector3(500, 200, 100)
        .multiplyScalar(scale)
        .applyEuler(new Euler(degrees(tiltDegrees), degrees(rollDegrees), degrees(90 + freeDegrees), 'ZYX'))
        .add(new Vector3(at.x, at.y, at.z))
      const found = toSiteBy(pose, piece)(500, 200, 100)
      expect([found.x, found.y, found.z]).toEqual([expect.closeTo(wanted.x), expect.closeTo(wanted.y), expect.closeTo(wanted.z)])
    }
  })

  it('what lies on its front takes its height as its depth', () => {
    const box = boxOf({ atMm: at, quarterTurns: 0, freeDegrees: 0, mirrored: false, tiltDegrees: 90, rollDegrees: 0, scale: 1 }, piece)
    expect(box.max.y - box.min.y).toBeCloseTo(400)
    expect(box.max.z - box.min.z).toBeCloseTo(400)
    expect(box.max.x - box.min.x).toBeCloseTo(900)
  })

  it('seen from above a tipped box has up to six corners', () => {
    expect(
      footprint({ atMm: at, quarterTurns: 0, freeDegrees: 30, mirrored: false, tiltDegrees: 30, rollDegrees: 40, scale: 1 }, piece, piece.boxMm),
    ).toHaveLength(6)
  })

  it('a hull leaves out what lies within', () => {
    const corners = [0, 1].flatMap((x) => [0, 1].map((y) => ({ x, y })))
    expect(hull([...corners, { x: 0.5, y: 0.5 }, { x: 0.5, y: 0 }])).toEqual(expect.arrayContaining(corners))
    expect(hull([...corners, { x: 0.5, y: 0.5 }, { x: 0.5, y: 0 }])).toHaveLength(4)
  })

  it('leans are read from their columns', () => {
    const told = {
      id: 'hand.7',
      pieceId: 3,
      atMm: at,
      quarterTurns: 2,
      mirrored: true,
      freeDegrees: 12.5,
      free: true,
      origin: 'hand',
      departed: false,
      lost: false,
      tiltDegrees: 10,
      rollDegrees: -20,
      scale: 1.25,
    }
    const [chunk] = [...oneStanding(told).chunks.values()]
    expect(placementOf(chunk!, 0)).toEqual(told)
    expect(placementOf([...oneStanding({ ...told, freeDegrees: 0 }).chunks.values()][0]!, 0).rollDegrees).toBe(-20)
  })
})
