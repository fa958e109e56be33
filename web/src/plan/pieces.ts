import type { BoxMm, PieceView, PlacementView } from '../api/client'
import { footprint, toSite } from '../site/extent'
import { leans } from '../site/pose'
import { ink, plum, sheet, verdigris } from '../styles/theme'
import type { Plan } from './plan'
import { path } from './shapes'
import { toPixel } from './sheet'

const WALLS = new Set(['WALL', 'DOOR', 'WINDOW', 'PASSAGE', 'POST'])
/** Drawn from the massing, not piece by piece. */
const OF_MASSING = new Set(['STAIR', 'GUARD', 'SOLID'])

/** What of the plan is drawn over what: 0 floors, 1 walls, 2 what stands. */
export const layerOf = (role: PieceView['role']) => (role === 'FLOOR' ? 0 : WALLS.has(role) ? 1 : 2)

/** Whether the plan draws a placement by itself. */
export const isDrawn = (piece: PieceView, p: PlacementView) => piece.role !== 'CEILING' && (!OF_MASSING.has(piece.role) || !!p.departed)

/** The joints between wall pieces, in the cut. */
export function drawSeam(c: CanvasRenderingContext2D, p: Plan, w: PlacementView) {
  const piece = p.pieceById.get(w.pieceId)!
  if (w.origin === 'hand' || w.departed) {
    drawStanding(c, p, w)
    return
  }
  path(c, p.lie, footprint(w, piece, piece.boxMm))
  c.strokeStyle = 'rgba(244,241,234,.55)'
  c.lineWidth = 1
  c.stroke()
}

/** A thing on the floor, by its solids from the lowest up. */
export function drawStanding(c: CanvasRenderingContext2D, p: Plan, s: PlacementView) {
  const piece = p.pieceById.get(s.pieceId)!
  c.strokeStyle = ink
  c.lineWidth = 1
  const upward = [...piece.solidsMm].sort((a, b) => a.max.z - b.max.z)
  for (const solid of upward) {
    if (solid.round && !leans(s)) ellipse(c, p, s, piece, solid)
    else path(c, p.lie, footprint(s, piece, solid))
    c.fillStyle = sheet
    c.fill()
    c.stroke()
  }
}

function ellipse(c: CanvasRenderingContext2D, p: Plan, s: PlacementView, piece: PieceView, solid: BoxMm) {
  const middle = toSite(s, piece, (solid.min.x + solid.max.x) / 2, (solid.min.y + solid.max.y) / 2, (solid.min.z + solid.max.z) / 2)
  c.beginPath()
  c.arc(...toPixel(p.lie, middle.x, middle.y), ((solid.max.x - solid.min.x) / 2) * (s.scale ?? 1) * p.lie.scale, 0, 2 * Math.PI)
}

export function drawSelected(c: CanvasRenderingContext2D, p: Plan, s: PlacementView) {
  const piece = p.pieceById.get(s.pieceId)!
  path(c, p.lie, footprint(s, piece, piece.boxMm))
  c.fillStyle = 'rgba(106,61,124,.22)'
  c.fill()
  c.strokeStyle = plum
  c.lineWidth = 2
  c.stroke()
  const [x, y] = toPixel(p.lie, s.atMm.x, s.atMm.y)
  c.beginPath()
  c.moveTo(x - 5, y)
  c.lineTo(x + 5, y)
  c.moveTo(x, y - 5)
  c.lineTo(x, y + 5)
  c.stroke()
}

export function drawGhost(c: CanvasRenderingContext2D, p: Plan) {
  const { piece, stance } = p.ghost!
  path(c, p.lie, footprint(stance, piece, piece.boxMm))
  c.fillStyle = 'rgba(47,127,121,.2)'
  c.fill()
  c.strokeStyle = verdigris
  c.lineWidth = 2
  c.stroke()
  const held = footprint(stance, piece, piece.boxMm)
  const xs = held.map((h) => h.x)
  const ys = held.map((h) => h.y)
  c.setLineDash([6, 4])
  c.lineWidth = 1
  for (const hold of stance.holds) {
    const other = hold.placementId ? p.holder(hold.placementId) : undefined
    const theirs = other && p.pieceById.get(other.pieceId)
    if (hold.kind !== 'EDGE' || !other || !theirs) continue
    const corners = footprint(other, theirs, theirs.boxMm)
    const along = hold.axis === 'X' ? corners.map((q) => q.x) : corners.map((q) => q.y)
    const own = hold.axis === 'X' ? xs : ys
    const line = [Math.min(...along), Math.max(...along)].find((v) => own.some((o) => Math.abs(o - v) < 0.01))
    if (line === undefined) continue
    const [px, py] = toPixel(p.lie, line, line)
    c.beginPath()
    if (hold.axis === 'X') {
      c.moveTo(px, 0)
      c.lineTo(px, p.height)
    } else {
      c.moveTo(0, py)
      c.lineTo(p.width, py)
    }
    c.stroke()
  }
  c.setLineDash([])
}
