import type { Point } from '../site/edges'

export interface SectionLine {
  from: Point
  to: Point
}

export const query = ({ from, to }: SectionLine) => new URLSearchParams({ fromX: mm(from.x), fromY: mm(from.y), toX: mm(to.x), toY: mm(to.y) }).toString()
const mm = (v: number) => v.toFixed(3)

/** How far from the line the figure may stand to be drawn. */
const NEAR_MM = 3000

/** Where a point lies along the line, and at which height; nothing if it stands behind whoever looks, or far off. */
export function beside({ from, to }: SectionLine, at: Point & { z: number }): { x: number; z: number } | undefined {
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  const along = Math.abs(dx) >= Math.abs(dy) ? { x: Math.sign(dx), y: 0 } : { x: 0, y: Math.sign(dy) }
  const [x, y] = [at.x - from.x, at.y - from.y]
  const before = -along.y * x + along.x * y
  return before >= 0 && before <= NEAR_MM ? { x: along.x * x + along.y * y, z: at.z } : undefined
}

/** The line as it is cut: along the axis that it runs along most. */
export function straight({ from, to }: SectionLine): SectionLine {
  return Math.abs(to.x - from.x) >= Math.abs(to.y - from.y) ? { from, to: { x: to.x, y: from.y } } : { from, to: { x: from.x, y: to.y } }
}
