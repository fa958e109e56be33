import type { PieceView, PlacementView } from '../api/client'
import { boxOf, footprint } from '../site/extent'
import { hairline, ink, paper, plum, sheet, verdigris } from '../styles/theme'
import { drawChains, type Written } from './chains'
import { drawChosen, drawComing, drawFigure, drawFinding, drawFlow, drawHeldBody, drawNewRoom, drawRun, drawScale, drawSectionLine } from './marks'
import { drawRoomNames } from './names'
import { drawGhost, drawSeam, drawSelected, drawStanding } from './pieces'
import type { Plan } from './plan'
import { drawLaying } from './repeats'
import { outline, path, rectangle } from './shapes'
import { gridPitch, toPixel } from './sheet'
import { drawAbove, drawGuards, drawSolids, drawStairs, drawWay } from './stairs'
import { drawHeldOpening, drawSwings, drawWalls } from './walls'

const WALLS = new Set(['WALL', 'DOOR', 'WINDOW', 'PASSAGE', 'POST'])
/** Drawn from the massing, not piece by piece. */
const OF_MASSING = new Set(['CEILING', 'STAIR', 'GUARD', 'SOLID'])

const GHOST = 0.18
/** What is drawn thinner or smaller than this is no more than grey. */
const THINNEST_PX = 1.5
const SMALLEST_PX = 4
const TINY = 'rgba(34,48,60,.42)'

function isTiny(p: Plan, piece: PieceView) {
  const [least, most] = [Math.min(piece.sizeMm.x, piece.sizeMm.y) * p.lie.scale, Math.max(piece.sizeMm.x, piece.sizeMm.y) * p.lie.scale]
  return most < SMALLEST_PX || (least < THINNEST_PX && most < 4 * SMALLEST_PX)
}

/** Many thousands of pieces as one grey: outlines would cost seconds and be no more than that. */
function drawTiny(c: CanvasRenderingContext2D, p: Plan, tiny: PlacementView[]) {
  for (const one of tiny) {
    const box = boxOf(one, p.pieceById.get(one.pieceId)!)
    const [x0, y1] = toPixel(p.lie, box.min.x, box.min.y)
    const [x1, y0] = toPixel(p.lie, box.max.x, box.max.y)
    c.fillStyle = p.selection.has(one.id) ? plum : TINY
    if (!p.isGhost(one.id)) c.fillRect(x0, y0, Math.max(1, x1 - x0), Math.max(1, y1 - y0))
  }
}

function faintly(c: CanvasRenderingContext2D, p: Plan, one: PlacementView, drawIt: typeof drawStanding) {
  c.globalAlpha = p.isGhost(one.id) ? GHOST : 1
  drawIt(c, p, one)
  c.globalAlpha = 1
}

/**
 * Draws the plan: paper, grid, floor, what stands on it, cut walls, dimensions, and whatever the hand is about.
 *
 * @returns the lengths that are written in its chains
 */
export function drawPlan(c: CanvasRenderingContext2D, p: Plan): Written[] {
  c.fillStyle = paper
  c.fillRect(0, 0, p.width, p.height)
  drawGrid(c, p)
  const groups = { floor: [] as PlacementView[], stands: [] as PlacementView[], walls: [] as PlacementView[] }
  const tiny: PlacementView[] = []
  for (const placement of p.placements) {
    const piece = p.pieceById.get(placement.pieceId)
    const role = piece?.role
    if (piece && isTiny(p, piece)) {
      if (role !== 'FLOOR' && role !== 'CEILING') tiny.push(placement)
    } else if (role === 'FLOOR') groups.floor.push(placement)
    else if (role && WALLS.has(role)) groups.walls.push(placement)
    else if (role && (!OF_MASSING.has(role) || placement.departed)) groups.stands.push(placement)
  }
  drawFloors(c, p, groups.floor)
  drawBelow(c, p)
  if (p.flow) drawFlow(c, p, p.flow)
  drawStairs(c, p)
  drawGuards(c, p)
  drawWalls(c, p)
  drawSolids(c, p)
  drawTiny(c, p, tiny)
  groups.walls.forEach((w) => faintly(c, p, w, drawSeam))
  groups.stands.forEach((s) => faintly(c, p, s, drawStanding))
  drawAbove(c, p)
  drawFigure(c, p)
  if (p.section) drawSectionLine(c, p, p.section)
  const written = drawChains(c, p)
  drawRoomNames(c, p, groups.stands)
  for (const list of [groups.floor, groups.walls, groups.stands]) list.filter((x) => p.selection.has(x.id)).forEach((x) => drawSelected(c, p, x))
  drawSwings(c, p)
  if (p.opening) drawHeldOpening(c, p, p.opening)
  if (p.chosen) drawChosen(c, p, p.chosen)
  if (p.finding) drawFinding(c, p, p.finding.placeMm)
  if (p.ghost) drawGhost(c, p)
  drawComing(c, p)
  if (p.run) drawRun(c, p, p.run)
  if (p.body) drawHeldBody(c, p, p.body)
  if (p.room) drawNewRoom(c, p)
  if (p.laying) drawLaying(c, p.lie, p.laying)
  if (p.line) drawWay(c, p.lie, p.line, verdigris)
  drawScale(c, p)
  return written
}

function drawGrid(c: CanvasRenderingContext2D, p: Plan) {
  const pitch = gridPitch(p.stepMm, p.lie.scale)
  const lines = (every: number, style: string) => {
    c.strokeStyle = style
    c.lineWidth = 1
    c.beginPath()
    const d = every * p.lie.scale
    for (let x = ((p.lie.x % d) + d) % d; x < p.width; x += d) {
      c.moveTo(Math.round(x) + 0.5, 0)
      c.lineTo(Math.round(x) + 0.5, p.height)
    }
    for (let y = ((p.lie.y % d) + d) % d; y < p.height; y += d) {
      c.moveTo(0, Math.round(y) + 0.5)
      c.lineTo(p.width, Math.round(y) + 0.5)
    }
    c.stroke()
  }
  lines(pitch, '#EAE5D9')
  lines(pitch * 10, hairline)
}

function drawFloors(c: CanvasRenderingContext2D, p: Plan, tiles: PlacementView[]) {
  c.fillStyle = sheet
  for (const r of p.massing.rooms) {
    outline(c, p.lie, r)
    c.fill('evenodd')
  }
  c.strokeStyle = hairline
  c.lineWidth = 1
  for (const t of tiles) {
    const piece = p.pieceById.get(t.pieceId)!
    path(c, p.lie, footprint(t, piece, piece.boxMm))
    c.stroke()
  }
  // The edge of what is sunk or raised.
  c.strokeStyle = ink
  for (const r of p.massing.rooms.filter((o) => o.cornerMm.z !== p.floorMm)) {
    outline(c, p.lie, r)
    c.stroke()
  }
}

function drawBelow(c: CanvasRenderingContext2D, p: Plan) {
  c.fillStyle = 'rgba(34,48,60,.12)'
  for (const w of p.below) {
    rectangle(c, p.lie, w)
    c.fill()
  }
}
