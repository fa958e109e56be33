import type { BoxMm, FlowView, RoomView } from '../api/client'
import { format } from '../measure/format'
import { brick, ink, mono, plum, sheet, SMALL, verdigris } from '../styles/theme'
import { text } from './lettering'
import type { SectionLine } from '../table/line'
import type { Plan } from './plan'
import { outline, rectangle } from './shapes'
import { toPixel } from './sheet'

export function drawFinding(c: CanvasRenderingContext2D, p: Plan, b: BoxMm) {
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

export function drawNewRoom(c: CanvasRenderingContext2D, p: Plan) {
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
  text(
    c,
    p.typed ? `${p.typed} ⏎` : `${format(b.max.x - b.min.x, p.unit)} × ${format(b.max.y - b.min.y, p.unit)}`,
    x,
    y,
    `13px ${mono}`,
    r.cuts ? brick : verdigris,
  )
}

/** The room that is worked on, and the edge that is held. */
export function drawChosen(c: CanvasRenderingContext2D, p: Plan, r: RoomView) {
  outline(c, p.lie, r)
  c.strokeStyle = plum
  c.lineWidth = 2
  c.stroke()
  if (p.corner) drawCorner(c, p, p.corner)
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

/** The figure from above: shoulders and head. */
export function drawFigure(c: CanvasRenderingContext2D, p: Plan) {
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

export function drawScale(c: CanvasRenderingContext2D, p: Plan) {
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
  c.font = `${SMALL}px ${mono}`
  c.textAlign = 'left'
  c.textBaseline = 'alphabetic'
  c.fillText(format(length, p.unit), x, y - 9)
}

function drawCorner(c: CanvasRenderingContext2D, p: Plan, { edge, by }: NonNullable<Plan['corner']>) {
  const [x, y] = toPixel(p.lie, edge.from.x + by.x, edge.from.y + by.y)
  c.fillStyle = verdigris
  c.fillRect(x - 5, y - 5, 10, 10)
  if (!by.x && !by.y) return
  text(c, `${format(by.x, p.unit)}, ${format(by.y, p.unit)}`, x, y - 16, `13px ${mono}`, verdigris)
}

/** A body that is dragged, where it would come to lie, with how far it is moved. */
export function drawHeldBody(c: CanvasRenderingContext2D, p: Plan, { body, by }: NonNullable<Plan['body']>) {
  if (!by.x && !by.y) return
  c.save()
  c.translate(by.x * p.lie.scale, -by.y * p.lie.scale)
  c.strokeStyle = verdigris
  c.lineWidth = 2
  c.fillStyle = 'rgba(47,127,121,.14)'
  if ('room' in body) {
    outline(c, p.lie, body.room)
    c.fill('evenodd')
    c.stroke()
  } else {
    for (const b of 'stair' in body ? body.stair.treadsMm : [body.solid.boxMm]) {
      rectangle(c, p.lie, b)
      c.fill()
      c.stroke()
    }
  }
  c.restore()
}

/** Where the section is cut: a line of long and short strokes, with an arrow the way it looks at each end. */
export function drawSectionLine(c: CanvasRenderingContext2D, p: Plan, { from, to }: SectionLine) {
  const [x0, y0] = toPixel(p.lie, from.x, from.y)
  const [x1, y1] = toPixel(p.lie, to.x, to.y)
  const length = Math.hypot(x1 - x0, y1 - y0) || 1
  const left = { x: (y1 - y0) / length, y: -(x1 - x0) / length }
  c.strokeStyle = brick
  c.fillStyle = brick
  c.lineWidth = 1.5
  c.setLineDash([14, 4, 3, 4])
  c.beginPath()
  c.moveTo(x0, y0)
  c.lineTo(x1, y1)
  c.stroke()
  c.setLineDash([])
  for (const [x, y] of [
    [x0, y0],
    [x1, y1],
  ] as const) {
    c.beginPath()
    c.moveTo(x + left.x * 14, y + left.y * 14)
    c.lineTo(x + left.y * 6, y - left.x * 6)
    c.lineTo(x - left.y * 6, y + left.x * 6)
    c.closePath()
    c.fill()
  }
}

/** Rooms that are reached, tinted; those that are not, hatched in brick; dead ends with a bar. */
export function drawFlow(c: CanvasRenderingContext2D, p: Plan, flow: FlowView) {
  const unreached = new Set(flow.unreached)
  for (const r of p.massing.rooms) {
    outline(c, p.lie, r)
    if (!unreached.has(r.id)) {
      c.fillStyle = 'rgba(47,127,121,.13)'
      c.fill('evenodd')
      continue
    }
    c.save()
    c.clip('evenodd')
    const [x0, y1] = toPixel(p.lie, r.cornerMm.x, r.cornerMm.y)
    const [w, h] = [r.widthMm * p.lie.scale, r.depthMm * p.lie.scale]
    c.strokeStyle = 'rgba(168,67,43,.45)'
    c.lineWidth = 1
    c.beginPath()
    for (let d = -h; d < w; d += 8) {
      c.moveTo(x0 + d, y1)
      c.lineTo(x0 + d + h, y1 - h)
    }
    c.stroke()
    c.restore()
  }
}

/** Outlines that are being brought in, over everything else. */
export function drawComing(c: CanvasRenderingContext2D, p: Plan) {
  c.strokeStyle = verdigris
  c.fillStyle = 'rgba(47,127,121,.12)'
  c.lineWidth = 2
  c.setLineDash([6, 4])
  for (const o of p.coming) {
    c.beginPath()
    for (const loop of o.loops) {
      loop.forEach(({ x, y }, i) => (i ? c.lineTo(...toPixel(p.lie, x, y)) : c.moveTo(...toPixel(p.lie, x, y))))
      c.closePath()
    }
    c.fill('evenodd')
    c.stroke()
  }
  c.setLineDash([])
}

/** The run that is chosen, from post to post. */
export function drawRun(c: CanvasRenderingContext2D, p: Plan, run: BoxMm) {
  rectangle(c, p.lie, run)
  c.fillStyle = verdigris
  c.fill()
  c.strokeStyle = verdigris
  c.lineWidth = 3
  c.stroke()
}
