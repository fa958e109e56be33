import { hull, leans, toSiteBy, type Pose } from './pose'
import { extentOfChunk, type StandingSet } from './standing'
import type { BoxMm, MassingView, PieceView, PlacementView } from '../api/client'

interface Set {
  massing: MassingView
  pieces: PieceView[]
  placements: StandingSet
  pieceById: Map<number, PieceView>
}

/** Where a point of a piece's own frame lies in the site. */
export const toSite = (p: Pose, piece: PieceView, x: number, y: number, z = 0) => toSiteBy(p, piece)(x, y, z)

function corners(p: Pose, piece: PieceView, box: BoxMm) {
  const to = toSiteBy(p, piece)
  return [box.min.z, box.max.z].flatMap((z) => [
    to(box.min.x, box.min.y, z),
    to(box.max.x, box.min.y, z),
    to(box.max.x, box.max.y, z),
    to(box.min.x, box.max.y, z),
  ])
}

/** The outline in plan of a box of the piece's own frame: its four corners, or what is seen of it from above where it leans. */
export function footprint(p: Pose, piece: PieceView, box: BoxMm) {
  const all = corners(p, piece, box)
  return leans(p) ? hull(all) : all.slice(0, 4)
}

/** What a box of the piece's own frame takes. */
function boxIn(p: Pose, piece: PieceView, box: BoxMm): BoxMm {
  const all = corners(p, piece, box)
  const span = (k: 'x' | 'y' | 'z') => [Math.min(...all.map((c) => c[k])), Math.max(...all.map((c) => c[k]))] as const
  const [x, y, z] = [span('x'), span('y'), span('z')]
  return { min: { x: x[0], y: y[0], z: z[0] }, max: { x: x[1], y: y[1], z: z[1] } }
}

function union(a: BoxMm | undefined, b: BoxMm): BoxMm {
  if (!a) return b
  return {
    min: { x: Math.min(a.min.x, b.min.x), y: Math.min(a.min.y, b.min.y), z: Math.min(a.min.z, b.min.z) },
    max: { x: Math.max(a.max.x, b.max.x), y: Math.max(a.max.y, b.max.y), z: Math.max(a.max.z, b.max.z) },
  }
}

export const boxOf = (p: Pose, piece: PieceView): BoxMm => boxIn(p, piece, piece.boxMm)

/** The lowest and the highest of it. */
export function heights(p: Pose, piece: PieceView): [number, number] {
  if (!leans(p) && (p.scale ?? 1) === 1) return [p.atMm.z + piece.boxMm.min.z, p.atMm.z + piece.boxMm.max.z]
  const box = boxOf(p, piece)
  return [box.min.z, box.max.z]
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
  return piece.solidsMm.map((solid) => boxIn(p, piece, solid))
}
