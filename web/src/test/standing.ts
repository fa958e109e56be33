import type { PlacementView } from '../api/client'
import { readChunk, StandingSet } from '../site/standing'

/** One hand-set placement as the server would send it: written here column by column, as the chunks' description says. */
export function chunkOf(p: PlacementView): ArrayBuffer {
  const degrees = p.freeDegrees !== 0
  const leans = !!p.tiltDegrees || !!p.rollDegrees || (p.scale ?? 1) !== 1
  const bytes = new ArrayBuffer(24 + 8 + 40 + (degrees ? 8 : 0) + (leans ? 24 : 0) + 4)
  const view = new DataView(bytes)
  const head = [0x32424348, 1, 1, (degrees ? 2 : 0) + (leans ? 4 : 0)]
  head.forEach((word, i) => view.setUint32(4 * i, word, true))
  const doubles = [p.pieceId, p.atMm.x * 1000, p.atMm.y * 1000, p.atMm.z * 1000, Number(p.id.split('.')[1]), 0]
  doubles.push(...(degrees ? [p.freeDegrees] : []), ...(leans ? [p.tiltDegrees, p.rollDegrees, p.scale] : []))
  doubles.forEach((d, i) => view.setFloat64(24 + 8 * i, d, true))
  view.setUint8(24 + 8 * doubles.length + 2, p.quarterTurns + (p.mirrored ? 4 : 0) + (p.free ? 8 : 0))
  return bytes
}

/** A placement that a hand set down. */
export const BY_HAND = {
  id: 'hand.9',
  pieceId: 1,
  atMm: { x: 500, y: 500, z: 0 },
  quarterTurns: 0,
  mirrored: false,
  freeDegrees: 0,
  tiltDegrees: 0,
  rollDegrees: 0,
  scale: 1,
  free: false,
  origin: 'hand',
  departed: false,
  lost: false,
} as PlacementView

export function oneStanding(p: PlacementView): StandingSet {
  const name = `hands.${Math.floor(Number(p.id.split('.')[1]) / 1024)}.0`
  return new StandingSet(new Map([[name, readChunk(name, 'digest', chunkOf(p))]]))
}
