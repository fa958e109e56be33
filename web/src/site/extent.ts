import { extentOfChunk, type StandingSet } from './standing'
import type { BoxMm, MassingView, PieceView, PlacementView } from '../api/client'

interface Set {
  massing: MassingView
  pieces: PieceView[]
  placements: StandingSet
  pieceById: Map<number, PieceView>
}

/** Where a point of a piece's own frame lies in the site, in plan. */
export function toSite(p: Pick<PlacementView, 'atMm' | 'quarterTurns' | 'freeDegrees' | 'mirrored'>, piece: PieceView, x: number, y: number) {
  const own = p.mirrored ? piece.boxMm.min.x + piece.boxMm.max.x - x : x
  const angle = ((p.quarterTurns * 90 + p.freeDegrees) * Math.PI) / 180
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  return { x: p.atMm.x + own * c - y * s, y: p.atMm.y + own * s + y * c }
}

/** The four corners in plan of a box of the piece's own frame. */
export function footprint(p: Parameters<typeof toSite>[0], piece: PieceView, box: BoxMm) {
  return [
    toSite(p, piece, box.min.x, box.min.y),
    toSite(p, piece, box.max.x, box.min.y),
    toSite(p, piece, box.max.x, box.max.y),
    toSite(p, piece, box.min.x, box.max.y),
  ]
}

function union(a: BoxMm | undefined, b: BoxMm): BoxMm {
  if (!a) return b
  return {
    min: { x: Math.min(a.min.x, b.min.x), y: Math.min(a.min.y, b.min.y), z: Math.min(a.min.z, b.min.z) },
    max: { x: Math.max(a.max.x, b.max.x), y: Math.max(a.max.y, b.max.y), z: Math.max(a.max.z, b.max.z) },
  }
}

export function boxOf(p: PlacementView, piece: PieceView): BoxMm {
  const corners = footprint(p, piece, piece.boxMm)
  const xs = corners.map((c) => c.x)
  const ys = corners.map((c) => c.y)
  return {
    min: { x: Math.min(...xs), y: Math.min(...ys), z: p.atMm.z + piece.boxMm.min.z },
    max: { x: Math.max(...xs), y: Math.max(...ys), z: p.atMm.z + piece.boxMm.max.z },
  }
}

export function extentOfPlacements(set: Pick<Set, 'pieceById'>, placements: Iterable<PlacementView>): BoxMm | undefined {
  let box: BoxMm | undefined
  for (const p of placements) {
    const piece = set.pieceById.get(p.pieceId)
    if (piece) box = union(box, boxOf(p, piece))
  }
  return box
}

/** The whole set: rooms with their walls, and every placement. */
export function extentOf(set: Set): BoxMm | undefined {
  const walls = set.massing.walls.reduce<BoxMm | undefined>(union, undefined)
  let placed: BoxMm | undefined
  for (const chunk of set.placements.chunks.values()) {
    const box = extentOfChunk(chunk, set.pieceById)
    if (box) placed = union(placed, box)
  }
  return walls && placed ? union(walls, placed) : (walls ?? placed)
}

/** What each body of a placement takes. */
export function bodiesOf(p: PlacementView, pieceById: Map<number, PieceView>): BoxMm[] {
  const piece = pieceById.get(p.pieceId)
  if (!piece) return []
  return piece.solidsMm.map((solid) => {
    const corners = footprint(p, piece, solid)
    const [xs, ys] = [corners.map((c) => c.x), corners.map((c) => c.y)]
    return {
      min: { x: Math.min(...xs), y: Math.min(...ys), z: p.atMm.z + solid.min.z },
      max: { x: Math.max(...xs), y: Math.max(...ys), z: p.atMm.z + solid.max.z },
    }
  })
}
