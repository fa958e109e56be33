import type { BenchView, BoxMm, VecMm } from '../api/client'
import { exact, onStep } from '../measure/length'

type Axis = keyof VecMm
type PartView = BenchView['parts'][number]

/** How an elevation lies: which axes run to its right and upward, and which one goes into it. */
export interface Lie {
  right: Axis
  up: Axis
  into: Axis
}
export const LIES = {
  front: { right: 'x', up: 'z', into: 'y' },
  side: { right: 'y', up: 'z', into: 'x' },
  top: { right: 'x', up: 'y', into: 'z' },
} as const satisfies Record<string, Lie>

/** A side of something else that a part came to lie at. */
export interface Line {
  axis: Axis
  atMm: number
}

export const union = (boxes: readonly BoxMm[]): BoxMm | undefined =>
  boxes.length
    ? { min: { x: least(boxes, 'x'), y: least(boxes, 'y'), z: least(boxes, 'z') }, max: { x: most(boxes, 'x'), y: most(boxes, 'y'), z: most(boxes, 'z') } }
    : undefined
/** What a piece takes of which these are the parts: what cuts takes nothing. */
export const extentOfParts = (parts: readonly PartView[]) => union(parts.filter((p) => !p.words.cuts).flatMap((p) => p.extentsMm))
const least = (boxes: readonly BoxMm[], axis: Axis) => Math.min(...boxes.map((b) => b.min[axis]))
const most = (boxes: readonly BoxMm[], axis: Axis) => Math.max(...boxes.map((b) => b.max[axis]))

/** The sides and the middles of boxes along an axis. */
const linesOf = (boxes: readonly BoxMm[], axis: Axis) => boxes.flatMap((b) => [b.min[axis], (b.min[axis] + b.max[axis]) / 2, b.max[axis]])

/**
 * How far something is moved along an axis where a hand has it moved so far: one of its own lines comes to lie at the nearest
 * of others that is within reach, else it moves by whole steps.
 *
 * @param own the lines of what is moved, where it stands
 */
export function snapped(own: readonly number[], by: number, others: readonly number[], reach: number, step: number): { by: number; at?: number } {
  let best: { by: number; at: number } | undefined
  for (const at of others)
    for (const line of own) {
      const to = at - line
      if (Math.abs(to - by) <= reach && (!best || Math.abs(to - by) < Math.abs(best.by - by))) best = { by: to, at }
    }
  return best ? { by: exact(best.by), at: exact(best.at) } : { by: onStep(by, step) }
}

/** Which sides of a box are dragged: −1 its lower side, 1 its upper one, 0 neither. */
export interface Sides {
  right: -1 | 0 | 1
  up: -1 | 0 | 1
}

/** The sides of a drawn rectangle that lie within reach of a place, all in pixels; none where it is held by its middle. Of what is small its middle is kept free. */
export function sidesNear(r: { x: number; y: number; width: number; height: number }, at: { x: number; y: number }, reach: number): Sides | undefined {
  const near = (v: number, low: number, size: number): -1 | 0 | 1 => {
    const within = Math.min(reach, size / 4)
    return Math.abs(v - low) <= within ? -1 : Math.abs(v - low - size) <= within ? 1 : 0
  }
  const right = near(at.x, r.x, r.width)
  const down = near(at.y, r.y, r.height)
  const up = down === 0 ? 0 : down < 0 ? 1 : -1
  return right || up ? { right, up } : undefined
}

/** How a pointer looks that would drag these sides, or all of it. */
export function cursorOf(sides: Sides | undefined): string {
  if (!sides) return 'move'
  if (!sides.right) return 'ns-resize'
  if (!sides.up) return 'ew-resize'
  return sides.right === sides.up ? 'nesw-resize' : 'nwse-resize'
}

/** A part that is dragged in an elevation: all of it, or some of its sides. */
export function dragged(
  box: BoxMm,
  sides: Sides | undefined,
  by: { right: number; up: number },
  lie: Lie,
  others: readonly BoxMm[],
  reach: number,
  step: number,
): { box: BoxMm; lines: Line[] } {
  const lines: Line[] = []
  const result = { min: { ...box.min }, max: { ...box.max } }
  for (const way of ['right', 'up'] as const) {
    const axis = lie[way]
    const side = sides?.[way]
    if (side === 0) continue
    const own = side === undefined ? linesOf([box], axis) : [side < 0 ? box.min[axis] : box.max[axis]]
    const s = snapped(own, by[way], linesOf(others, axis), reach, step)
    if (s.at !== undefined) lines.push({ axis, atMm: s.at })
    if (side !== 1) result.min[axis] = exact(box.min[axis] + s.by)
    if (side !== -1) result.max[axis] = exact(box.max[axis] + s.by)
    // A side stops a step before the other one.
    if (side === -1) result.min[axis] = Math.min(result.min[axis], exact(box.max[axis] - step))
    if (side === 1) result.max[axis] = Math.max(result.max[axis], exact(box.min[axis] + step))
  }
  return { box: result, lines }
}

/** A block drawn from corner to corner in an elevation, as deep as something else is. */
export function drawnBlock(
  from: { right: number; up: number },
  to: { right: number; up: number },
  lie: Lie,
  depth: { min: number; max: number },
  others: readonly BoxMm[],
  reach: number,
  step: number,
): BoxMm | undefined {
  const at = (way: 'right' | 'up', mm: number) => exact(snapped([0], mm, linesOf(others, lie[way]), reach, step).by)
  const box: BoxMm = { min: { x: 0, y: 0, z: 0 }, max: { x: 0, y: 0, z: 0 } }
  for (const way of ['right', 'up'] as const) {
    const [a, b] = [at(way, from[way]), at(way, to[way])]
    box.min[lie[way]] = Math.min(a, b)
    box.max[lie[way]] = Math.max(a, b)
    if (a === b) return undefined
  }
  box.min[lie.into] = depth.min
  box.max[lie.into] = depth.max
  return box
}
