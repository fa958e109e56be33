import type { BoxMm } from '../api/client'
import type { Point } from '../site/edges'
import { brick, sheet, verdigris } from '../styles/theme'
import { rectangle } from './shapes'
import { toPixel, type Lie } from './sheet'

/** What is drawn of a repeat that is laid or worked on. */
export interface LayingMarks {
  /** What the copies would take. */
  boxes: BoxMm[]
  way: Point[]
  handles: Point[]
  /** Touches of a brush. */
  touches: { x: number; y: number; radius: number; strength: number }[]
  /** Straight paths that it gets thinner toward. */
  paths: [Point, Point][]
  /** Ground that stays free. */
  free: { x0: number; y0: number; x1: number; y1: number }[]
}

const HALF_HANDLE_PX = 4.5

/** Ground that stays free: dashed, with both diagonals. */
function drawFree(c: CanvasRenderingContext2D, lie: Lie, f: LayingMarks['free'][number]) {
  const [x0, y0] = toPixel(lie, f.x0, f.y0)
  const [x1, y1] = toPixel(lie, f.x1, f.y1)
  c.strokeStyle = brick
  c.lineWidth = 1
  c.setLineDash([4, 4])
  c.beginPath()
  c.rect(x0, y1, x1 - x0, y0 - y1)
  c.moveTo(x0, y0)
  c.lineTo(x1, y1)
  c.moveTo(x0, y1)
  c.lineTo(x1, y0)
  c.stroke()
  c.setLineDash([])
}

export function drawLaying(c: CanvasRenderingContext2D, lie: Lie, m: LayingMarks) {
  for (const t of m.touches) {
    const [x, y] = toPixel(lie, t.x, t.y)
    c.beginPath()
    c.arc(x, y, t.radius * lie.scale, 0, 2 * Math.PI)
    c.fillStyle = t.strength < 0 ? 'rgba(178,58,46,.07)' : 'rgba(47,127,121,.07)'
    c.fill()
  }
  for (const f of m.free) drawFree(c, lie, f)
  c.strokeStyle = verdigris
  c.lineWidth = 1.2
  c.fillStyle = 'rgba(47,127,121,.16)'
  for (const b of m.boxes) {
    rectangle(c, lie, b)
    c.fill()
    c.stroke()
  }
  for (const [a, b] of m.paths) {
    c.beginPath()
    c.moveTo(...toPixel(lie, a.x, a.y))
    c.lineTo(...toPixel(lie, b.x, b.y))
    c.setLineDash([2, 5])
    c.stroke()
    c.setLineDash([])
  }
  if (m.way.length > 1) {
    c.beginPath()
    m.way.forEach((p, i) => c[i ? 'lineTo' : 'moveTo'](...toPixel(lie, p.x, p.y)))
    c.setLineDash([6, 4])
    c.stroke()
    c.setLineDash([])
  }
  for (const h of m.handles) {
    const [x, y] = toPixel(lie, h.x, h.y)
    c.fillStyle = sheet
    c.lineWidth = 2
    c.beginPath()
    c.arc(x, y, HALF_HANDLE_PX, 0, 2 * Math.PI)
    c.fill()
    c.stroke()
  }
}
