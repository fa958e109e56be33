import type { BoxMm, PieceView, PlacementView, RoomView } from '../api/client'
import { format } from '../measure/format'
import { boxOf, footprint, toSite } from '../site/extent'
import { edgesOf, isIn, onEdge } from '../massing/edges'
import { brick, hairline, ink, mono, paper, plum, sans, sheet, softInk, verdigris } from '../styles/theme'
import { drawChains } from './chains'
import { text } from './lettering'
import type { Plan } from './plan'
import { gridPitch, toPixel, type Lie } from './sheet'

const WALLS = new Set(['WALL', 'DOOR', 'WINDOW', 'POST'])

/** Draws the plan: paper, grid, floor, what stands on it, cut walls, dimensions, and whatever the hand is about. */
export function drawPlan(c: CanvasRenderingContext2D, p: Plan) {
  c.fillStyle = paper
  c.fillRect(0, 0, p.width, p.height)
  drawGrid(c, p)
  const groups = { floor: [] as PlacementView[], stands: [] as PlacementView[], walls: [] as PlacementView[] }
  for (const placement of p.placements) {
    const role = p.pieceById.get(placement.pieceId)?.role
    if (role === 'FLOOR') groups.floor.push(placement)
    else if (role && WALLS.has(role)) groups.walls.push(placement)
    else if (role && role !== 'CEILING') groups.stands.push(placement)
  }
  drawFloors(c, p, groups.floor)
  drawBelow(c, p)
  drawWalls(c, p)
  groups.walls.forEach((w) => drawSeam(c, p, w))
  groups.stands.forEach((s) => drawStanding(c, p, s))
  drawFigure(c, p)
  drawChains(c, p)
  drawRoomNames(c, p, groups.stands)
  for (const list of [groups.floor, groups.walls, groups.stands]) list.filter((x) => p.selection.has(x.id)).forEach((x) => drawSelected(c, p, x))
  drawSwings(c, p)
  if (p.opening) drawHeldOpening(c, p, p.opening)
  if (p.chosen) drawChosen(c, p, p.chosen)
  if (p.finding) drawFinding(c, p, p.finding.placeMm)
  if (p.ghost) drawGhost(c, p)
  if (p.room) drawNewRoom(c, p)
  drawScale(c, p)
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

function path(c: CanvasRenderingContext2D, lie: Lie, corners: { x: number; y: number }[]) {
  c.beginPath()
  corners.forEach(({ x, y }, i) => (i ? c.lineTo(...toPixel(lie, x, y)) : c.moveTo(...toPixel(lie, x, y))))
  c.closePath()
}

function rectangle(c: CanvasRenderingContext2D, lie: Lie, b: BoxMm) {
  const [x, y] = toPixel(lie, b.min.x, b.max.y)
  c.beginPath()
  c.rect(x, y, (b.max.x - b.min.x) * lie.scale, (b.max.y - b.min.y) * lie.scale)
}

function outline(c: CanvasRenderingContext2D, lie: Lie, r: RoomView) {
  c.beginPath()
  for (const loop of r.outlineMm) {
    loop.forEach(({ x, y }, i) => (i ? c.lineTo(...toPixel(lie, x, y)) : c.moveTo(...toPixel(lie, x, y))))
    c.closePath()
  }
}

/** The room that is worked on, and the edge that is held. */
function drawChosen(c: CanvasRenderingContext2D, p: Plan, r: RoomView) {
  outline(c, p.lie, r)
  c.strokeStyle = plum
  c.lineWidth = 2
  c.stroke()
  if (!p.edge) return
  const { edge, byMm } = p.edge
  const [dx, dy] = { NORTH: [0, byMm], EAST: [byMm, 0], SOUTH: [0, -byMm], WEST: [-byMm, 0] }[edge.side] as [number, number]
  c.beginPath()
  c.moveTo(...toPixel(p.lie, edge.from.x + dx, edge.from.y + dy))
  c.lineTo(...toPixel(p.lie, edge.to.x + dx, edge.to.y + dy))
  c.strokeStyle = verdigris
  c.lineWidth = 3
  c.stroke()
  if (byMm === 0) return
  const [x, y] = toPixel(p.lie, (edge.from.x + edge.to.x) / 2 + dx, (edge.from.y + edge.to.y) / 2 + dy)
  const words = `${byMm > 0 ? '+' : '−'}${format(Math.abs(byMm), p.unit)}`
  c.font = `13px ${mono}`
  const half = c.measureText(words).width / 2 + 5
  c.fillStyle = sheet
  c.fillRect(x - half, y - 10, 2 * half, 20)
  text(c, words, x, y, `13px ${mono}`, verdigris)
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

/** What is cut is filled; an opening keeps the lines of its reveals, a window its glass, a door its threshold. */
function drawWalls(c: CanvasRenderingContext2D, p: Plan) {
  c.fillStyle = ink
  for (const w of p.massing.walls) {
    rectangle(c, p.lie, w)
    c.fill()
  }
  // Where nothing stands, nothing is cut.
  for (const gap of p.gaps) {
    rectangle(c, p.lie, gap)
    c.fillStyle = paper
    c.fill()
    c.strokeStyle = brick
    c.lineWidth = 1
    c.setLineDash([4, 3])
    c.stroke()
    c.setLineDash([])
  }
  for (const g of p.massing.gaps) {
    rectangle(c, p.lie, g.box)
    c.fillStyle = sheet
    c.fill()
    c.strokeStyle = ink
    c.lineWidth = 1
    c.stroke()
    if (g.kind === 'WINDOW') {
      const eastWest = g.side === 'NORTH' || g.side === 'SOUTH'
      const [mx, my] = [(g.box.min.x + g.box.max.x) / 2, (g.box.min.y + g.box.max.y) / 2]
      c.beginPath()
      c.moveTo(...toPixel(p.lie, eastWest ? g.box.min.x : mx, eastWest ? my : g.box.min.y))
      c.lineTo(...toPixel(p.lie, eastWest ? g.box.max.x : mx, eastWest ? my : g.box.max.y))
      c.stroke()
    }
  }
}

/** A door's leaf stands open into its room, hung at its left end seen from inside. */
function drawSwings(c: CanvasRenderingContext2D, p: Plan) {
  c.strokeStyle = softInk
  c.lineWidth = 1
  for (const o of p.massing.openings) {
    const room = p.massing.rooms.find((r) => r.id === o.roomId)
    const edge = room && edgesOf(room).find((e) => e.edge === o.edge)
    if (o.kind !== 'DOOR' || !edge || p.massing.remarks.some((r) => r.field === `opening.${o.id}`)) continue
    const [hx, hy] = toPixel(p.lie, ...xy(onEdge(edge, o.atMm)))
    const [ex, ey] = toPixel(p.lie, ...xy(onEdge(edge, o.atMm + o.widthMm)))
    const [ox, oy] = toPixel(p.lie, ...xy(onEdge(edge, o.atMm, o.widthMm)))
    const [closed, open] = [Math.atan2(ey - hy, ex - hx), Math.atan2(oy - hy, ox - hx)]
    c.beginPath()
    c.moveTo(hx, hy)
    c.lineTo(ox, oy)
    c.arc(hx, hy, Math.hypot(ex - hx, ey - hy), open, closed, true)
    c.stroke()
  }
}

const xy = ({ x, y }: { x: number; y: number }): [number, number] => [x, y]

function drawHeldOpening(c: CanvasRenderingContext2D, p: Plan, { box, by }: NonNullable<Plan['opening']>) {
  rectangle(c, p.lie, { min: { x: box.min.x + by.x, y: box.min.y + by.y, z: 0 }, max: { x: box.max.x + by.x, y: box.max.y + by.y, z: 0 } })
  c.fillStyle = 'rgba(47,127,121,.25)'
  c.fill()
  c.strokeStyle = verdigris
  c.lineWidth = 2
  c.stroke()
}

/** The joints between wall pieces, in the cut. */
function drawSeam(c: CanvasRenderingContext2D, p: Plan, w: PlacementView) {
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
function drawStanding(c: CanvasRenderingContext2D, p: Plan, s: PlacementView) {
  const piece = p.pieceById.get(s.pieceId)!
  c.strokeStyle = ink
  c.lineWidth = 1
  const upward = [...piece.solidsMm].sort((a, b) => a.max.z - b.max.z)
  for (const solid of upward) {
    if (solid.round) ellipse(c, p, s, piece, solid)
    else path(c, p.lie, footprint(s, piece, solid))
    c.fillStyle = sheet
    c.fill()
    c.stroke()
  }
}

function ellipse(c: CanvasRenderingContext2D, p: Plan, s: PlacementView, piece: PieceView, solid: BoxMm) {
  const middle = toSite(s, piece, (solid.min.x + solid.max.x) / 2, (solid.min.y + solid.max.y) / 2)
  c.beginPath()
  c.arc(...toPixel(p.lie, middle.x, middle.y), ((solid.max.x - solid.min.x) / 2) * p.lie.scale, 0, 2 * Math.PI)
}

function drawSelected(c: CanvasRenderingContext2D, p: Plan, s: PlacementView) {
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

function drawGhost(c: CanvasRenderingContext2D, p: Plan) {
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

function drawFinding(c: CanvasRenderingContext2D, p: Plan, b: BoxMm) {
  const [x, y] = toPixel(p.lie, b.min.x, b.max.y)
  const [w, h] = [(b.max.x - b.min.x) * p.lie.scale, (b.max.y - b.min.y) * p.lie.scale]
  c.save()
  c.beginPath()
  c.rect(x - 4, y - 4, w + 8, h + 8)
  c.strokeStyle = brick
  c.lineWidth = 2.5
  c.stroke()
  c.clip()
  c.lineWidth = 1
  c.beginPath()
  for (let d = -h; d < w + h + 16; d += 7) {
    c.moveTo(x - 4 + d, y + h + 4)
    c.lineTo(x - 4 + d + h + 8, y - 4)
  }
  c.stroke()
  c.restore()
}

function drawNewRoom(c: CanvasRenderingContext2D, p: Plan) {
  const r = p.room!
  const b: BoxMm = { min: { x: Math.min(r.x0, r.x1), y: Math.min(r.y0, r.y1), z: 0 }, max: { x: Math.max(r.x0, r.x1), y: Math.max(r.y0, r.y1), z: 0 } }
  rectangle(c, p.lie, b)
  c.fillStyle = r.cuts ? 'rgba(168,67,43,.12)' : 'rgba(47,127,121,.14)'
  c.fill()
  c.strokeStyle = r.cuts ? brick : verdigris
  c.lineWidth = 2
  if (r.cuts) c.setLineDash([6, 4])
  c.stroke()
  c.setLineDash([])
  const [x, y] = toPixel(p.lie, (b.min.x + b.max.x) / 2, (b.min.y + b.max.y) / 2)
  text(c, `${format(b.max.x - b.min.x, p.unit)} × ${format(b.max.y - b.min.y, p.unit)}`, x, y, `13px ${mono}`, r.cuts ? brick : verdigris)
}

/** Names and heights, in the first place of each room where nothing stands. */
function drawRoomNames(c: CanvasRenderingContext2D, p: Plan, stands: PlacementView[]) {
  const taken = stands.slice(0, 2000).map((s) => boxOf(s, p.pieceById.get(s.pieceId)!))
  for (const r of p.massing.rooms) {
    if (r.widthMm * p.lie.scale < 40) continue
    // Width and depth stand on the chains outside.
    const size = `${r.areaM2.toFixed(1)} m² · ${format(r.heightMm, p.unit)} high`
    c.font = `600 14px ${sans}`
    const name = c.measureText(r.name).width
    const whole = { x: (Math.max(130, name) / 2 + 6) / p.lie.scale, y: 20 / p.lie.scale }
    const alone = { x: (name / 2 + 4) / p.lie.scale, y: 10 / p.lie.scale }
    const others = p.massing.rooms.filter((o) => o !== r)
    const placesFor = (half: { x: number; y: number }) => {
      // Clear of the chains that stand along the walls.
      const clear = { x: half.x + 20 / p.lie.scale, y: half.y + 20 / p.lie.scale }
      return [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8, 0.12, 0.88]
        .flatMap((fy) => [0.5, 0.35, 0.65, 0.2, 0.8].map((fx) => ({ x: r.cornerMm.x + r.widthMm * fx, y: r.cornerMm.y + r.depthMm * fy })))
        .filter((at) => liesIn(r, at, half === alone ? half : clear) && !others.some((o) => o.areaM2 < r.areaM2 && isIn(o, at)))
    }
    const half = placesFor(whole).length ? whole : alone
    const places = placesFor(half)
    if (!places.length) continue
    const free =
      places.find(({ x, y }) => !taken.some((b) => b.min.x < x + half.x && b.max.x > x - half.x && b.min.y < y + half.y && b.max.y > y - half.y)) ?? places[0]!
    const [x, y] = toPixel(p.lie, free.x, free.y)
    c.fillStyle = sheet
    c.fillRect(x - half.x * p.lie.scale, y - half.y * p.lie.scale, half.x * 2 * p.lie.scale, half.y * 2 * p.lie.scale)
    text(c, r.name, x, half === whole ? y - 9 : y, `600 14px ${sans}`, ink)
    if (half === whole) text(c, size, x, y + 9, `11.5px ${mono}`, softInk)
  }
}

/** Whether a label lies in a room with all of its corners. */
const liesIn = (r: RoomView, at: { x: number; y: number }, half: { x: number; y: number }) =>
  [-1, 0, 1].every((fx) => [-1, 1].every((fy) => isIn(r, { x: at.x + fx * half.x, y: at.y + fy * half.y })))

/** The figure from above: shoulders and head. */
function drawFigure(c: CanvasRenderingContext2D, p: Plan) {
  const [x, y] = toPixel(p.lie, p.figureMm.x, p.figureMm.y)
  const r = 200 * p.lie.scale
  c.fillStyle = 'rgba(47,127,121,.35)'
  c.strokeStyle = verdigris
  c.lineWidth = 1
  c.beginPath()
  c.ellipse(x, y, r, r * 0.55, 0, 0, 2 * Math.PI)
  c.fill()
  c.stroke()
  c.beginPath()
  c.arc(x, y, r * 0.5, 0, 2 * Math.PI)
  c.fill()
  c.stroke()
}

function drawScale(c: CanvasRenderingContext2D, p: Plan) {
  const base = p.unit === 'FEET_AND_INCHES' || p.unit === 'ENGINE_UNIT' ? 304.8 : 100
  let length = base
  for (const f of [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000]) if (base * f * p.lie.scale < 130) length = base * f
  const w = length * p.lie.scale
  const [x, y] = [14, p.height - 14]
  c.fillStyle = ink
  c.fillRect(x, y - 4, w / 2, 4)
  c.strokeStyle = ink
  c.lineWidth = 1
  c.strokeRect(x + 0.5, y - 4.5, w, 4)
  c.font = `11px ${mono}`
  c.textAlign = 'left'
  c.textBaseline = 'alphabetic'
  c.fillText(format(length, p.unit), x, y - 9)
}
