import type { PieceView, PlacementView } from '../api/client'
import { boxOf, footprint, heights } from '../site/extent'
import { hairline, ink, paper, plum, sheet, verdigris } from '../styles/theme'
import { drawChains, type Written } from './chains'
import { drawChosen, drawComing, drawFigure, drawFinding, drawFlow, drawHeldBody, drawNewRoom, drawRun, drawScale, drawSectionLine } from './marks'
import { Labels } from './labels'
import { drawRoomNames, placeRoomNames } from './names'
import { drawGhost, drawSeam, drawSelected, drawStanding, isDrawn, layerOf } from './pieces'
import type { Plan } from './plan'
import { drawLaying } from './repeats'
import { outline, path, rectangle } from './shapes'
import { gridPitch, toPixel } from './sheet'
import { drawCrowds, partStrewn } from './strewn'
import { drawAbove, drawGuards, drawSolids, drawStairs, drawWay } from './stairs'
import { drawHeldOpening, drawSwings, drawWalls } from './walls'

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

/** So many are kept clear of dimensions; where more stand, they are no more than a texture. */
const MOST_KEPT_CLEAR = 2000

function keepClear(p: Plan, stands: PlacementView[], labels: Labels) {
  for (const one of stands.slice(0, MOST_KEPT_CLEAR)) {
    const box = boxOf(one, p.pieceById.get(one.pieceId)!)
    const [x0, y1] = toPixel(p.lie, box.min.x, box.min.y)
    const [x1, y0] = toPixel(p.lie, box.max.x, box.max.y)
    labels.occupy((x0 + x1) / 2, (y0 + y1) / 2, x1 - x0, y1 - y0)
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
  const [floors, walls, standing]: PlacementView[][] = [[], [], []]
  const tiny: PlacementView[] = []
  for (const placement of p.placements) {
    const piece = p.pieceById.get(placement.pieceId)
    if (!piece || !isDrawn(piece, placement)) continue
    const layer = layerOf(piece.role)
    if (!isTiny(p, piece)) [floors, walls, standing][layer]!.push(placement)
    else if (layer > 0) tiny.push(placement)
  }
  const { crowds, rest: stands } = partStrewn(p, standing!)
  const topOf = new Map(stands.map((s) => [s.id, heights(s, p.pieceById.get(s.pieceId)!)[1]]))
  stands.sort((a, b) => topOf.get(a.id)! - topOf.get(b.id)!)
  const labels = new Labels()
  const names = p.small ? [] : placeRoomNames(c, p, stands, labels)
  drawFloors(c, p, floors!)
  drawBelow(c, p)
  if (p.flow) drawFlow(c, p, p.flow)
  drawStairs(c, p, labels)
  drawGuards(c, p)
  drawWalls(c, p)
  drawSolids(c, p)
  drawTiny(c, p, tiny)
  walls!.forEach((w) => faintly(c, p, w, drawSeam))
  stands.forEach((s) => faintly(c, p, s, drawStanding))
  drawCrowds(c, crowds, labels)
  drawAbove(c, p)
  drawFigure(c, p)
  if (p.section) drawSectionLine(c, p, p.section)
  keepClear(p, stands, labels)
  const written = p.small ? [] : drawChains(c, p, labels)
  drawRoomNames(c, names)
  for (const list of [floors!, walls!, stands]) list.filter((x) => p.selection.has(x.id)).forEach((x) => drawSelected(c, p, x))
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
  if (!p.small) drawScale(c, p)
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
