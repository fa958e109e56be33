import type { PlacementView } from '../api/client'
import { boxOf } from '../site/extent'
import { hull } from '../site/pose'
import { counted } from '../measure/format'
import { ink, SMALL, sans } from '../styles/theme'
import { text } from './lettering'
import type { Labels } from './labels'
import type { Plan } from './plan'
import { toPixel } from './sheet'

/** What a scatter strews, drawn as its outline. */
export interface Crowd {
  points: { x: number; y: number }[]
  count: number
  name: string
}

/** Fewer are drawn one by one, however near to one another. */
const FEW = 60
/** Where each has less of the sheet than this, square pixels, they are no more than a texture. */
const CROWDED_PX = 500

/** Parts what scatters strew so thickly that nobody could tell one from another, from all else. What is selected is drawn by itself. */
export function partStrewn(p: Pick<Plan, 'lie' | 'selection' | 'pieceById' | 'scatters'>, stands: readonly PlacementView[]) {
  const by = new Map<number, PlacementView[]>()
  for (const one of stands) {
    const id = one.origin === 'repeat' ? Number(one.id.split('.')[1]) : undefined
    if (id !== undefined && p.scatters.has(id) && !p.selection.has(one.id)) by.set(id, [...(by.get(id) ?? []), one])
  }
  const strewn = new Set<PlacementView>()
  const crowds: Crowd[] = []
  for (const [id, all] of by) {
    if (all.length < FEW) continue
    const points = hull(all.flatMap((one) => corners(p, one)))
    if (areaOf(points) / all.length > CROWDED_PX) continue
    crowds.push({ points, count: all.length, name: p.scatters.get(id)! })
    for (const one of all) strewn.add(one)
  }
  return { crowds, rest: stands.filter((one) => !strewn.has(one)) }
}

function corners(p: Pick<Plan, 'lie' | 'pieceById'>, one: PlacementView) {
  const { min, max } = boxOf(one, p.pieceById.get(one.pieceId)!)
  return [
    [min.x, min.y],
    [max.x, min.y],
    [max.x, max.y],
    [min.x, max.y],
  ].map(([x, y]) => {
    const [px, py] = toPixel(p.lie, x!, y!)
    return { x: px, y: py }
  })
}

const areaOf = (points: readonly { x: number; y: number }[]) =>
  Math.abs(points.reduce((sum, a, i) => sum + a.x * points[(i + 1) % points.length]!.y - points[(i + 1) % points.length]!.x * a.y, 0)) / 2

export function drawCrowds(c: CanvasRenderingContext2D, crowds: readonly Crowd[], labels: Labels) {
  for (const { points, count, name } of crowds) {
    c.beginPath()
    points.forEach((q, i) => c[i ? 'lineTo' : 'moveTo'](q.x, q.y))
    c.closePath()
    c.fillStyle = 'rgba(34,48,60,.05)'
    c.fill()
    c.strokeStyle = ink
    c.lineWidth = 1
    c.setLineDash([3, 3])
    c.stroke()
    c.setLineDash([])
    const font = `${SMALL}px ${sans}`
    c.font = font
    const x = points.reduce((sum, q) => sum + q.x, 0) / points.length
    const y = points.reduce((sum, q) => sum + q.y, 0) / points.length
    // Where there is no room for its name, how many.
    const words = [`${name}: ${counted(count, 'piece')}`, `${count}`].find((w) => labels.take(x, y, c.measureText(w).width + 6, SMALL + 6))
    if (words) text(c, words, x, y, font, ink)
  }
}
