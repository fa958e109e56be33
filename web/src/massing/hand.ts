import { ref, type Ref } from 'vue'
import type { BoxMm, GapView, LevelView, MassingView, RoomView, MassView, StairView } from '../api/client'
import { cornerNear, edgeNear, edgesOf, isIn, isUpright, outward, type Edge, type Point } from '../site/edges'
import { onStep } from '../measure/length'
import { onLevel, solidsOn, stairsOn } from '../site/level'

/** What a hand can take hold of in the massing. */
export type Body = { room: RoomView } | { stair: StairView } | { solid: MassView }

/** What a hand decided, once it lets go. */
export type Deed =
  | { what: 'ground'; from: Point; to: Point }
  | { what: 'line'; from: Point; to: Point }
  | { what: 'edge'; edge: number; outwardMm: number }
  | { what: 'corner'; edge: number; by: Point }
  | { what: 'opening'; id: number; by: Point }
  | { what: 'body'; body: Body; by: Point }

/** How near to an edge a hand must be to take it. */
const EDGE_REACH_PX = 7
/** How near to a wall ground must be drawn to be drawn against it. */
const FACE_REACH_PX = 6

interface Ground {
  massing: MassingView
  level?: LevelView
  room?: RoomView
  stair?: StairView
  solid?: MassView
  stepMm: number
  wallMm: number
  scale: number
}

/** What is held of the massing on the plan: ground or a line being drawn, an edge, an opening, or a whole body. Pointer positions are millimetres of the site. */
export function useHand(ground: () => Ground, done: (deed: Deed) => void) {
  const room = ref<{ x0: number; y0: number; x1: number; y1: number }>()
  const line = ref<{ from: Point; to: Point }>()
  /** The edge under the pointer, or held and dragged so far outward. */
  const edge = ref<{ edge: Edge; byMm: number; held: boolean }>()
  /** The opening under the pointer, or held and dragged along its wall. */
  const opening = ref<{ gap: GapView; start?: Point; by: Point }>()
  /** The corner under the pointer, or held and dragged. */
  const corner = ref<{ edge: Edge; start?: Point; by: Point }>()
  const body = ref<{ body: Body; start: Point; by: Point }>()
  /** Sizes typed while ground is drawn, such as `6x4`. */
  const typed = ref('')

  const stepped = (v: number) => onStep(v, ground().stepMm)

  /** A corner of ground: on a wall face of the level's rooms, or where a room begins on the other side of that wall, if one is near; else on the step. */
  function corneredAt(at: Point): Point {
    const { massing, level, wallMm, scale } = ground()
    const edges = massing.rooms.filter((r) => !level || r.levelId === level.id).flatMap(edgesOf)
    const nearest = (v: number, upright: boolean) => {
      const faces = edges
        .filter((e) => isUpright(e) === upright)
        .flatMap((e) => {
          const face = upright ? e.from.x : e.from.y
          return [face, face + (e.side === 'EAST' || e.side === 'NORTH' ? wallMm : -wallMm)]
        })
        .filter((face) => Math.abs(face - v) * scale <= FACE_REACH_PX)
      return faces.length ? faces.reduce((a, b) => (Math.abs(b - v) < Math.abs(a - v) ? b : a)) : stepped(v)
    }
    return { x: nearest(at.x, true), y: nearest(at.y, false) }
  }

  /** @returns whether something is held now */
  function take(at: Point, drawing: '' | 'ground' | 'line'): boolean {
    typed.value = ''
    if (drawing === 'ground') {
      const { x, y } = corneredAt(at)
      room.value = { x0: x, y0: y, x1: x, y1: y }
    } else if (drawing === 'line') line.value = { from: at, to: at }
    else if (corner.value) corner.value = { ...corner.value, start: at }
    else if (opening.value) opening.value = { ...opening.value, start: at }
    else if (edge.value) edge.value = { ...edge.value, held: true }
    else {
      const found = chosenAt(at)
      if (!found) return false
      body.value = { body: found, start: at, by: { x: 0, y: 0 } }
    }
    return true
  }

  /** What is chosen already, and under the pointer. */
  function chosenAt(at: Point): Body | undefined {
    const g = ground()
    if (g.stair && isOnStair(g.stair, at)) return { stair: g.stair }
    if (g.solid && isAt(g.solid.boxMm, at.x, at.y, 0)) return { solid: g.solid }
    return !g.stair && !g.solid && g.room && isIn(g.room, at) ? { room: g.room } : undefined
  }

  /** @returns whether something is held */
  function drag(at: Point): boolean {
    if (room.value) {
      const { x, y } = corneredAt(at)
      room.value = { ...room.value, x1: x, y1: y }
    } else if (line.value) line.value = { ...line.value, to: at }
    else if (corner.value?.start) {
      const { edge: of, start } = corner.value
      corner.value = { edge: of, start, by: { x: stepped(at.x - start.x), y: stepped(at.y - start.y) } }
    } else if (opening.value?.start) {
      const { gap, start } = opening.value
      const lies = gap.side === 'NORTH' || gap.side === 'SOUTH'
      opening.value = { gap, start, by: lies ? { x: stepped(at.x - start.x), y: 0 } : { x: 0, y: stepped(at.y - start.y) } }
    } else if (edge.value?.held) edge.value = { ...edge.value, byMm: stepped(outward(edge.value.edge, at)) }
    else if (body.value) body.value = { ...body.value, by: { x: stepped(at.x - body.value.start.x), y: stepped(at.y - body.value.start.y) } }
    else return false
    return true
  }

  /** Shows what could be taken. */
  function point(at: Point, drawing: boolean) {
    const g = ground()
    const reach = EDGE_REACH_PX / g.scale
    const point = g.room && !g.stair && !g.solid && !drawing ? cornerNear(g.room, at, reach) : undefined
    if (point?.edge !== corner.value?.edge.edge) corner.value = point && { edge: point, by: { x: 0, y: 0 } }
    const gap = drawing || point ? undefined : onLevel(g.massing, g.level).gaps.find((o) => isAt(o.box, at.x, at.y, reach))
    if (gap?.openingId !== opening.value?.gap.openingId) opening.value = gap && { gap, by: { x: 0, y: 0 } }
    const near = g.room && !drawing && !gap && !point ? edgeNear(g.room, at, reach) : undefined
    if (near?.edge !== edge.value?.edge.edge || near?.lengthMm !== edge.value?.edge.lengthMm) edge.value = near && { edge: near, byMm: 0, held: false }
  }

  /** What would be decided if the hand let go now. */
  function held(): Deed | undefined {
    const [r, l, o, e, b, k] = [room.value, line.value, opening.value, edge.value, body.value, corner.value]
    if (r) return r.x0 !== r.x1 && r.y0 !== r.y1 ? { what: 'ground', from: { x: r.x0, y: r.y0 }, to: { x: r.x1, y: r.y1 } } : undefined
    if (l) return Math.hypot(l.to.x - l.from.x, l.to.y - l.from.y) >= ground().stepMm ? { what: 'line', ...l } : undefined
    if (k?.start) return k.by.x || k.by.y ? { what: 'corner', edge: k.edge.edge, by: k.by } : undefined
    if (o?.start) return o.by.x || o.by.y ? { what: 'opening', id: o.gap.openingId, by: o.by } : undefined
    if (e?.held) return e.byMm ? { what: 'edge', edge: e.edge.edge, outwardMm: e.byMm } : undefined
    return b && (b.by.x || b.by.y) ? { what: 'body', body: b.body, by: b.by } : undefined
  }

  /** Lets go. @returns whether something was held and moved, so that it was no click */
  function letGo(): boolean {
    const deed = held()
    const took = !!(room.value || line.value || corner.value?.start || opening.value?.start || edge.value?.held)
    if (!room.value && !line.value) {
      if (corner.value?.start) corner.value = undefined
      else if (opening.value?.start) opening.value = undefined
      else if (edge.value?.held) edge.value = undefined
    }
    room.value = line.value = body.value = undefined
    if (deed) done(deed)
    return took || !!deed
  }

  /** The topmost thing of the massing at a point. */
  function bodyAt(at: Point): Body | undefined {
    const { massing, level } = ground()
    const solid = solidsOn(massing, level).find((s) => isAt(s.boxMm, at.x, at.y, 0))
    if (solid) return { solid }
    const stair = stairsOn(massing, level).find((s) => isOnStair(s, at))
    if (stair) return { stair }
    const found = massing.rooms.find((r) => (!level || r.levelId === level.id) && isIn(r, at))
    return found && { room: found }
  }

  return { room, line, corner, edge, opening, body, typed, take, drag, point, held, letGo, bodyAt }
}

export type Hand = ReturnType<typeof useHand>
export type Held<T> = Ref<T | undefined>

const isAt = (b: BoxMm, x: number, y: number, reach: number) => x >= b.min.x - reach && x <= b.max.x + reach && y >= b.min.y - reach && y <= b.max.y + reach
const isOnStair = (s: StairView, at: Point) => s.treadsMm.some((t) => isAt(t, at.x, at.y, 0))
