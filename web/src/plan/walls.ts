import { edgesOf, onEdge } from '../site/edges'
import { brick, ink, paper, sheet, softInk, verdigris } from '../styles/theme'
import type { Plan } from './plan'
import { rectangle } from './shapes'
import { toPixel } from './sheet'

/** What is cut is filled; an opening keeps the lines of its reveals, a window its glass, a door its threshold. */
export function drawWalls(c: CanvasRenderingContext2D, p: Plan) {
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
export function drawSwings(c: CanvasRenderingContext2D, p: Plan) {
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

export function drawHeldOpening(c: CanvasRenderingContext2D, p: Plan, { box, by }: NonNullable<Plan['opening']>) {
  rectangle(c, p.lie, { min: { x: box.min.x + by.x, y: box.min.y + by.y, z: 0 }, max: { x: box.max.x + by.x, y: box.max.y + by.y, z: 0 } })
  c.fillStyle = 'rgba(47,127,121,.25)'
  c.fill()
  c.strokeStyle = verdigris
  c.lineWidth = 2
  c.stroke()
}
