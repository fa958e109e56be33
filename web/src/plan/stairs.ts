import type { StairView, VecMm } from '../api/client'
import { ink, mono, paper, plum, sheet, SMALL, softInk } from '../styles/theme'
import type { Labels } from './labels'
import { text } from './lettering'
import type { Plan } from './plan'
import { rectangle } from './shapes'
import { toPixel, type Lie } from './sheet'

/** Stairs that begin here go up to the cut and on dashed; of those that come from below all can be seen through their well. */
export function drawStairs(c: CanvasRenderingContext2D, p: Plan, labels: Labels) {
  for (const s of p.stairs) {
    const begins = Math.abs(s.footMm.z - p.floorMm) < 1
    for (const t of s.treadsMm) {
      const cut = begins && t.max.z > p.floorMm + p.massing.cutMm
      rectangle(c, p.lie, t)
      c.fillStyle = cut ? 'rgba(255,255,255,0)' : sheet
      c.fill()
      c.strokeStyle = cut ? softInk : ink
      c.setLineDash(cut ? [4, 4] : [])
      c.lineWidth = 1
      c.stroke()
    }
    c.setLineDash([])
    drawWay(c, p.lie, s.wayMm)
    const words = s.shape === 'RAMP' ? 'ramp' : `${s.risers} × ${Math.round(s.riserMm)} / ${Math.round(s.goingMm)}`
    if (!p.small) label(c, p.lie, s, words, labels)
    if (s.id === p.chosenStair) drawChosenStair(c, p, s)
  }
}

/** From the first step to the last, with an arrow where one arrives. */
export function drawWay(c: CanvasRenderingContext2D, lie: Lie, way: VecMm[], style: string = ink) {
  const points = way.map((w) => toPixel(lie, w.x, w.y))
  c.strokeStyle = style
  c.lineWidth = 1.2
  c.beginPath()
  points.forEach(([x, y], i) => (i ? c.lineTo(x, y) : c.moveTo(x, y)))
  c.stroke()
  c.beginPath()
  c.arc(...points[0]!, 3, 0, 2 * Math.PI)
  c.stroke()
  const [x1, y1] = points.at(-1)!
  const [x0, y0] = points.at(-2)!
  const a = Math.atan2(y1 - y0, x1 - x0)
  c.beginPath()
  c.moveTo(x1 - 9 * Math.cos(a - 0.45), y1 - 9 * Math.sin(a - 0.45))
  c.lineTo(x1, y1)
  c.lineTo(x1 - 9 * Math.cos(a + 0.45), y1 - 9 * Math.sin(a + 0.45))
  c.stroke()
}

function label(c: CanvasRenderingContext2D, lie: Lie, s: StairView, words: string, labels: Labels) {
  const first = s.treadsMm[Math.floor(s.treadsMm.length / 3)]!
  const [x, y] = toPixel(lie, (first.min.x + first.max.x) / 2, (first.min.y + first.max.y) / 2)
  c.font = `${SMALL}px ${mono}`
  const half = c.measureText(words).width / 2 + 3
  const upright = s.quarterTurns % 2 === 1
  const ends = s.treadsMm.flatMap((t) => (upright ? [t.min.y, t.max.y] : [t.min.x, t.max.x]))
  if (2 * half > (Math.max(...ends) - Math.min(...ends)) * lie.scale) return
  if (!labels.take(x, y, upright ? 16 : 2 * half, upright ? 2 * half : 16)) return
  c.save()
  c.translate(x, y)
  if (upright) c.rotate(-Math.PI / 2)
  c.fillStyle = paper
  c.fillRect(-half, -7, 2 * half, 14)
  text(c, words, 0, 0, `${SMALL}px ${mono}`, ink)
  c.restore()
}

function drawChosenStair(c: CanvasRenderingContext2D, p: Plan, s: StairView) {
  c.strokeStyle = plum
  c.lineWidth = 2
  for (const t of s.treadsMm) {
    rectangle(c, p.lie, t)
    c.stroke()
  }
}

/** Masses that are cut, filled as walls are. */
export function drawSolids(c: CanvasRenderingContext2D, p: Plan) {
  for (const s of p.solids) {
    rectangle(c, p.lie, s.boxMm)
    const cut = s.boxMm.max.z > p.floorMm + p.massing.cutMm
    c.fillStyle = cut ? ink : sheet
    c.fill()
    c.strokeStyle = s.id === p.chosenSolid ? plum : ink
    c.lineWidth = s.id === p.chosenSolid ? 2.5 : 1
    c.stroke()
  }
}

/** Two fine lines along every drop. */
export function drawGuards(c: CanvasRenderingContext2D, p: Plan) {
  c.strokeStyle = ink
  c.lineWidth = 1
  for (const g of p.guards) {
    rectangle(c, p.lie, g)
    c.fillStyle = sheet
    c.fill()
    c.stroke()
  }
}

/** Edges of what lies above the cut. */
export function drawAbove(c: CanvasRenderingContext2D, p: Plan) {
  c.strokeStyle = softInk
  c.lineWidth = 1
  c.setLineDash([8, 4])
  for (const r of p.above) {
    for (const loop of r.outlineMm) {
      c.beginPath()
      loop.forEach(({ x, y }, i) => (i ? c.lineTo(...toPixel(p.lie, x, y)) : c.moveTo(...toPixel(p.lie, x, y))))
      c.closePath()
      c.stroke()
    }
  }
  c.setLineDash([])
}
