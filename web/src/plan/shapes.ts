import type { BoxMm, RoomView } from '../api/client'
import { toPixel, type Lie } from './sheet'

export function path(c: CanvasRenderingContext2D, lie: Lie, corners: { x: number; y: number }[]) {
  c.beginPath()
  corners.forEach(({ x, y }, i) => (i ? c.lineTo(...toPixel(lie, x, y)) : c.moveTo(...toPixel(lie, x, y))))
  c.closePath()
}

export function rectangle(c: CanvasRenderingContext2D, lie: Lie, b: BoxMm) {
  const [x, y] = toPixel(lie, b.min.x, b.max.y)
  c.beginPath()
  c.rect(x, y, (b.max.x - b.min.x) * lie.scale, (b.max.y - b.min.y) * lie.scale)
}

export function outline(c: CanvasRenderingContext2D, lie: Lie, r: RoomView) {
  c.beginPath()
  for (const loop of r.outlineMm) {
    loop.forEach(({ x, y }, i) => (i ? c.lineTo(...toPixel(lie, x, y)) : c.moveTo(...toPixel(lie, x, y))))
    c.closePath()
  }
}
