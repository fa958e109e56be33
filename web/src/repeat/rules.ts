import type { FollowingView, RoomView, RuleWords, VecMm } from '../api/client'
import { edgeNear, isIn, outward, type Point } from '../site/edges'
import { onStep, pointOnStep } from '../measure/length'

export type What = NonNullable<RuleWords['what']>

/** What a drag on the plan lays. */
export interface Laid {
  rule: RuleWords
  following?: FollowingView
}

/** How each is drawn: along a line, over ground, by points one after another, or where it is pointed at. */
export const DRAWN: Record<What, 'line' | 'ground' | 'way' | 'spot'> = {
  COURSE: 'line',
  RING: 'line',
  FIELD: 'ground',
  SCATTER: 'ground',
  TRAIL: 'way',
  STACK: 'spot',
}

export const LABELS: Record<What, string> = { COURSE: 'Course', FIELD: 'Field', RING: 'Ring', TRAIL: 'Trail', STACK: 'Stack', SCATTER: 'Scatter' }

/** What to do next, while nothing is drawn yet. */
export const ASKS: Record<What, string> = {
  COURSE: 'Drag a line; along a wall it follows the wall.',
  FIELD: 'Drag an area.',
  RING: 'Drag from the centre outward; near a room’s middle it is that.',
  TRAIL: 'Click point by point, then Enter.',
  STACK: 'Click where it stands.',
  SCATTER: 'Drag an area.',
}

/** A line that keeps this near to a wall on its whole way is meant along it. */
const WALL_REACH_MM = 700
/** A centre this near to a room's middle is meant to be that. */
const MIDDLE_REACH_MM = 400

/** The wall that a line runs along, of a room that both its ends lie in. */
export function wallAlong(rooms: RoomView[], from: Point, to: Point): FollowingView | undefined {
  for (const room of rooms) {
    if (!isIn(room, from) || !isIn(room, to)) continue
    const edge = edgeNear(room, from, WALL_REACH_MM)
    if (edge && Math.abs(outward(edge, to)) <= WALL_REACH_MM && Math.hypot(to.x - from.x, to.y - from.y) > WALL_REACH_MM) {
      return { roomId: room.id, hold: 'WALL', edge: edge.edge }
    }
  }
  return undefined
}

/** The smallest room that a point lies in. */
export const roomAt = (rooms: RoomView[], at: Point) => rooms.filter((r) => isIn(r, at)).sort((a, b) => a.areaM2 - b.areaM2)[0]

function centred(rooms: RoomView[], at: Point): Point {
  const near = rooms
    .map((r) => ({ x: r.cornerMm.x + r.widthMm / 2, y: r.cornerMm.y + r.depthMm / 2 }))
    .find((m) => Math.hypot(m.x - at.x, m.y - at.y) <= MIDDLE_REACH_MM)
  return near ?? at
}

/** What a line, an area or a way lays. */
export function laid(what: What, points: Point[], z: number, stepMm: number, rooms: RoomView[], standing: RuleWords): Laid | undefined {
  const [from, to] = [points[0]!, points[points.length - 1]!]
  const flat = (p: Point): VecMm => ({ ...p, z })
  const room = roomAt(rooms, from)
  const within: FollowingView | undefined = room && { roomId: room.id, hold: 'ROOM' }
  switch (what) {
    case 'COURSE': {
      if (from.x === to.x && from.y === to.y) return undefined
      const wall = wallAlong(rooms, from, to)
      const rule = { ...standing, what, fromMm: flat(from), toMm: flat(to) }
      return wall ? { rule: { ...rule, halfEnds: true, along: true }, following: wall } : { rule, following: within }
    }
    case 'RING': {
      const centre = centred(rooms, from)
      const radiusMm = onStep(Math.hypot(to.x - centre.x, to.y - centre.y), stepMm)
      return radiusMm > 0 ? { rule: { ...standing, what, fromMm: flat(centre), radiusMm }, following: within } : undefined
    }
    case 'FIELD':
    case 'SCATTER': {
      const areaMm = [{ x0: Math.min(from.x, to.x), y0: Math.min(from.y, to.y), x1: Math.max(from.x, to.x), y1: Math.max(from.y, to.y) }]
      return from.x !== to.x && from.y !== to.y ? { rule: { ...standing, what, areaMm, baseMm: z }, following: within } : undefined
    }
    case 'TRAIL':
      return points.length > 1 ? { rule: { ...standing, what, pathMm: points.map(flat) }, following: within } : undefined
    case 'STACK':
      return { rule: { ...standing, what, fromMm: flat(from) }, following: within }
  }
}

/** Points that lay something of a person's size in the middle of a room: where laying begins without the mouse. */
export function usualPoints(what: What, room: RoomView, stepMm: number): Point[] {
  const { x, y } = pointOnStep({ x: room.cornerMm.x + room.widthMm / 2, y: room.cornerMm.y + room.depthMm / 2 }, stepMm)
  const [across, deep] = [onStep(Math.min(1500, room.widthMm / 3), stepMm), onStep(Math.min(1000, room.depthMm / 3), stepMm)]
  if (what === 'RING')
    return [
      { x, y },
      { x: x + Math.min(across, deep), y },
    ]
  if (what === 'FIELD' || what === 'SCATTER')
    return [
      { x: x - across, y: y - deep },
      { x: x + across, y: y + deep },
    ]
  return [
    { x: x - across, y },
    { x: x + across, y },
  ]
}

/** A number that says where a rule lies, and what telling it anew tells. */
export interface Placed {
  label: string
  mm: number
  told: (mm: number) => RuleWords
}

export function placedBy(rule: RuleWords): Placed[] {
  const ends = (label: string, key: 'fromMm' | 'toMm'): Placed[] =>
    rule[key]
      ? (['x', 'y', 'z'] as const).map((axis) => ({
          label: `${label}${axis.toUpperCase()}`,
          mm: rule[key]![axis],
          told: (mm) => ({ [key]: { ...rule[key]!, [axis]: mm } }),
        }))
      : []
  if (rule.what === 'COURSE') return [...ends('From ', 'fromMm'), ...ends('To ', 'toMm')]
  if (rule.what === 'RING') return ends('Centre ', 'fromMm')
  if (rule.what === 'STACK') return ends('', 'fromMm')
  const area = rule.areaMm?.length === 1 ? rule.areaMm[0] : undefined
  if (!area) return []
  const { x0, y0, x1, y1 } = area
  const told = (a: Partial<typeof area>): RuleWords => ({ areaMm: [{ ...area, ...a }] })
  return [
    { label: 'Corner X', mm: x0, told: (mm) => told({ x0: mm, x1: mm + x1 - x0 }) },
    { label: 'Corner Y', mm: y0, told: (mm) => told({ y0: mm, y1: mm + y1 - y0 }) },
    { label: 'Lies at Z', mm: rule.baseMm ?? 0, told: (mm) => ({ baseMm: mm }) },
    { label: 'Width', mm: x1 - x0, told: (mm) => told({ x1: x0 + mm }) },
    { label: 'Depth', mm: y1 - y0, told: (mm) => told({ y1: y0 + mm }) },
  ]
}

/** What is usual where nothing is typed yet. */
export const USUAL: Record<What, RuleWords> = {
  COURSE: { pace: 'COUNT', count: 5 },
  FIELD: {},
  RING: { pace: 'COUNT', count: 8, facing: 'IN' },
  TRAIL: { pace: 'COUNT', count: 10 },
  STACK: { count: 3 },
  SCATTER: { count: 20, leastMm: 300, lands: 'ANYTHING', clear: true },
}

/** A point of a rule that can be dragged. */
export interface Handle {
  key: string
  x: number
  y: number
}

export function handles(rule: RuleWords): Handle[] {
  const at = (key: string, p: Point | undefined): Handle[] => (p ? [{ key, x: p.x, y: p.y }] : [])
  switch (rule.what) {
    case 'COURSE':
      return [...at('from', rule.fromMm), ...at('to', rule.toMm)]
    case 'RING':
      return [...at('from', rule.fromMm), ...at('radius', rule.fromMm && { x: rule.fromMm.x + (rule.radiusMm ?? 0), y: rule.fromMm.y })]
    case 'STACK':
      return at('from', rule.fromMm)
    case 'TRAIL':
      return (rule.pathMm ?? []).map((p, i) => ({ key: String(i), x: p.x, y: p.y }))
    default: {
      const area = rule.areaMm?.length === 1 ? rule.areaMm[0] : undefined
      return area ? [...at('low', { x: area.x0, y: area.y0 }), ...at('high', { x: area.x1, y: area.y1 })] : []
    }
  }
}

/** The height that a rule is laid at. */
export const heightOf = (rule: RuleWords): number => rule.fromMm?.z ?? rule.pathMm?.[0]?.z ?? rule.baseMm ?? 0

/** What is told anew when a handle is dragged to a point. */
export function dragged(rule: RuleWords, key: string, to: Point, stepMm: number): RuleWords {
  const z = rule.fromMm?.z ?? 0
  if (key === 'from') return { fromMm: { ...to, z } }
  if (key === 'to') return { toMm: { ...to, z: rule.toMm?.z ?? z } }
  if (key === 'radius') return { radiusMm: Math.max(stepMm, onStep(Math.hypot(to.x - rule.fromMm!.x, to.y - rule.fromMm!.y), stepMm)) }
  if (key === 'low' || key === 'high') {
    const a = rule.areaMm![0]!
    const [x0, x1] = key === 'low' ? [Math.min(to.x, a.x1 - stepMm), a.x1] : [a.x0, Math.max(to.x, a.x0 + stepMm)]
    const [y0, y1] = key === 'low' ? [Math.min(to.y, a.y1 - stepMm), a.y1] : [a.y0, Math.max(to.y, a.y0 + stepMm)]
    return { areaMm: [{ x0, y0, x1, y1 }] }
  }
  return { pathMm: rule.pathMm!.map((p, i) => (String(i) === key ? { ...p, ...to } : p)) }
}

type Touch = NonNullable<RuleWords['brushedMm']>[number]
type Ground = NonNullable<RuleWords['areaMm']>[number]

/** Touches of a brush this part of its radius apart make an even stroke. */
const APART = 1 / 3

/** A stroke gone on to a point: with another touch where the pointer has come far enough. */
export function stroked(stroke: Touch[], at: Point, radius: number, strength: number): Touch[] {
  const last = stroke.at(-1)
  return last && Math.hypot(at.x - last.x, at.y - last.y) < radius * APART
    ? stroke
    : [...stroke, { x: Math.round(at.x), y: Math.round(at.y), radius, strength }]
}

/** What a stroke tells of a scatter: where it added ground, that is strewn over as well. */
export function brushedWith(rule: RuleWords, stroke: Touch[], allOfRoom: boolean): RuleWords {
  const brushedMm = [...(rule.brushedMm ?? []), ...stroke]
  const first = stroke[0]
  if (!first || allOfRoom || first.strength < 0) return { brushedMm }
  const reach: Ground = {
    x0: Math.min(...stroke.map((t) => t.x - t.radius)),
    y0: Math.min(...stroke.map((t) => t.y - t.radius)),
    x1: Math.max(...stroke.map((t) => t.x + t.radius)),
    y1: Math.max(...stroke.map((t) => t.y + t.radius)),
  }
  const inside = (rule.areaMm ?? []).some((a) => a.x0 <= reach.x0 && a.y0 <= reach.y0 && a.x1 >= reach.x1 && a.y1 >= reach.y1)
  return inside ? { brushedMm } : { brushedMm, areaMm: [...(rule.areaMm ?? []), reach] }
}

export const groundBetween = (a: Point, b: Point): Ground => ({
  x0: Math.min(a.x, b.x),
  y0: Math.min(a.y, b.y),
  x1: Math.max(a.x, b.x),
  y1: Math.max(a.y, b.y),
})
