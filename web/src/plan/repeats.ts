import type { BoxMm } from '../api/client'
import type { Point } from '../massing/edges'
import { sheet, verdigris } from '../styles/theme'
import { rectangle } from './shapes'
import { toPixel, type Lie } from './sheet'

/** What is drawn of a repeat that is laid or worked on. */
export interface LayingMarks {
  /** What the copies would take. */
  boxes: BoxMm[]
  way: Point[]
  handles: Point[]
}

const HALF_HANDLE_PX = 4.5

export function drawLaying(c: CanvasRenderingContext2D, lie: Lie, m: LayingMarks) {
  c.strokeStyle = verdigris
  c.lineWidth = 1.2
  c.fillStyle = 'rgba(47,127,121,.16)'
  for (const b of m.boxes) {
    rectangle(c, lie, b)
    c.fill()
    c.stroke()
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
