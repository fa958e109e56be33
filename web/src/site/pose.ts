import type { PieceView, PlacementView } from '../api/client'

/** How something stands: mirrored in itself, scaled, tilted about its X, rolled about its Y, turned about Z, moved. */
export type Pose = Pick<PlacementView, 'atMm' | 'quarterTurns' | 'freeDegrees' | 'mirrored'> &
  Partial<Pick<PlacementView, 'tiltDegrees' | 'rollDegrees' | 'scale'>>

export interface Point {
  x: number
  y: number
  z: number
}

export const leans = (p: Pose) => !!p.tiltDegrees || !!p.rollDegrees
const radians = (degrees: number) => (degrees * Math.PI) / 180

/** Takes points of a piece's own frame to the site. */
export function toSiteBy(p: Pose, piece: PieceView): (x: number, y: number, z: number) => Point {
  const scale = p.scale ?? 1
  const [a, b, c] = [radians(p.tiltDegrees ?? 0), radians(p.rollDegrees ?? 0), radians(p.quarterTurns * 90 + p.freeDegrees)]
  const [sa, ca, sb, cb, sc, cc] = [Math.sin(a), Math.cos(a), Math.sin(b), Math.cos(b), Math.sin(c), Math.cos(c)]
  const across = piece.boxMm.min.x + piece.boxMm.max.x
  return (x, y, z) => {
    const own = (p.mirrored ? across - x : x) * scale
    const [ty, tz] = [(y * ca - z * sa) * scale, (y * sa + z * ca) * scale]
    const [rx, rz] = [own * cb + tz * sb, tz * cb - own * sb]
    return { x: p.atMm.x + rx * cc - ty * sc, y: p.atMm.y + rx * sc + ty * cc, z: p.atMm.z + rz }
  }
}

/** The outline round points in plan, counter-clockwise, by Andrew's monotone chain (1979). */
export function hull<P extends { x: number; y: number }>(points: P[]): P[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y)
  const half = (of: P[]) => {
    const chain: P[] = []
    for (const p of of) {
      while (chain.length > 1 && turn(chain.at(-2)!, chain.at(-1)!, p) <= 0) chain.pop()
      chain.push(p)
    }
    return chain.slice(0, -1)
  }
  return [...half(sorted), ...half(sorted.reverse())]
}

type Flat = { x: number; y: number }
const turn = (a: Flat, b: Flat, c: Flat) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
