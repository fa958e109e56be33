import type { RoomView } from '../api/client'

export type Side = 'NORTH' | 'EAST' | 'SOUTH' | 'WEST'

export interface Point {
  x: number
  y: number
}

/** One straight stretch of a room's outline, from left to right seen from inside. */
export interface Edge {
  edge: number
  side: Side
  from: Point
  to: Point
  lengthMm: number
  /** Its side, and a number where the room has several of that side. */
  label: string
}

/** The edges of a room, as the server names them. */
export function edgesOf(room: RoomView): Edge[] {
  const edges = room.outlineMm.flatMap((loop) => loop.map((c, i) => edgeOf(c, loop[(i + 1) % loop.length]!)))
  return edges.map((e) => {
    const alike = edges.filter((o) => o.side === e.side)
    return { ...e, label: e.side.toLowerCase() + (alike.length === 1 ? '' : ` ${alike.indexOf(e) + 1}`) }
  })
}

function edgeOf(from: Point & { edge: number }, to: Point): Omit<Edge, 'label'> {
  const side: Side = from.y === to.y ? (to.x > from.x ? 'NORTH' : 'SOUTH') : to.y > from.y ? 'WEST' : 'EAST'
  return { edge: from.edge, side, from, to, lengthMm: Math.abs(to.x - from.x) + Math.abs(to.y - from.y) }
}

export const isUpright = (e: Edge) => e.side === 'EAST' || e.side === 'WEST'

/** How far outward of its edge a point lies; below 0 inside. */
export function outward(e: Edge, { x, y }: Point): number {
  return { NORTH: y - e.from.y, EAST: x - e.from.x, SOUTH: e.from.y - y, WEST: e.from.x - x }[e.side]
}

/** The edge nearest to a point, if it is within reach and the point beside it. */
export function edgeNear(room: RoomView, at: Point, reachMm: number): Edge | undefined {
  const along = (e: Edge) => {
    const [a, b, v] = isUpright(e) ? [e.from.y, e.to.y, at.y] : [e.from.x, e.to.x, at.x]
    return v >= Math.min(a, b) && v <= Math.max(a, b)
  }
  return edgesOf(room)
    .filter((e) => along(e) && Math.abs(outward(e, at)) <= reachMm)
    .sort((a, b) => Math.abs(outward(a, at)) - Math.abs(outward(b, at)))[0]
}

/** The corner within reach of a point: that in which an edge begins. */
export function cornerNear(room: RoomView, at: Point, reachMm: number): Edge | undefined {
  return edgesOf(room).find((e) => Math.hypot(e.from.x - at.x, e.from.y - at.y) <= reachMm)
}

/** Whether a point lies in a room's ground (even-odd along a ray to the west). */
export function isIn(room: RoomView, { x, y }: Point): boolean {
  return edgesOf(room).filter((e) => isUpright(e) && e.from.x <= x && Math.min(e.from.y, e.to.y) <= y && y < Math.max(e.from.y, e.to.y)).length % 2 === 1
}

/** East, north, south or west of an edge, as one long. */
const ALONG: Record<Side, Point> = { NORTH: { x: 1, y: 0 }, EAST: { x: 0, y: -1 }, SOUTH: { x: -1, y: 0 }, WEST: { x: 0, y: 1 } }

/** The place on an edge so far from its left end, and so far into the room. */
export function onEdge(e: Edge, alongMm: number, inwardMm = 0): Point {
  const a = ALONG[e.side]
  return { x: e.from.x + a.x * alongMm + a.y * inwardMm, y: e.from.y + a.y * alongMm - a.x * inwardMm }
}

/** How far along an edge, toward its right end, a way leads. */
export function alongEdge(e: Edge, by: Point): number {
  return ALONG[e.side].x * by.x + ALONG[e.side].y * by.y
}
