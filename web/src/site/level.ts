import type { BoxMm, LevelView, MassingView, RoomView, StairView } from '../api/client'

/** What one level's plan is drawn from; of a site with one level everything. */
export function onLevel(m: MassingView, level: LevelView | undefined): MassingView {
  if (!level || m.levels.length < 2) return m
  const rooms = m.rooms.filter((r) => r.levelId === level.id)
  const own = new Set(rooms.map((r) => r.id))
  return {
    ...m,
    rooms,
    openings: m.openings.filter((o) => own.has(o.roomId)),
    // What is above or below an opening of another storey is cut here as the wall is.
    walls: [...m.walls, ...m.over].filter(isCut(m, level)),
    gaps: m.gaps.filter((g) => isCut(m, level)(g.box) || (g.box.min.z >= level.floorMm && g.box.min.z < level.floorMm + level.storeyMm)),
    chains: m.chains.filter((c) => own.has(c.roomId)),
  }
}

const isCut = (m: MassingView, level: LevelView) => (b: BoxMm) => b.min.z < level.floorMm + m.cutMm && b.max.z > level.floorMm + m.cutMm

/** The walls of the level below, to be seen faintly through the sheet. */
export function below(m: MassingView, level: LevelView | undefined): BoxMm[] {
  const under = level && m.levels.filter((l) => l.floorMm < level.floorMm).at(-1)
  return under ? m.walls.filter(isCut(m, under)) : []
}

/** Whether what reaches from one height to another is seen on a level's plan. */
export function isSeen(m: MassingView, level: LevelView | undefined, low: number, high: number): boolean {
  if (!level || m.levels.length < 2) return true
  const deepest = Math.min(level.floorMm, ...m.rooms.filter((r) => r.levelId === level.id).map((r) => r.cornerMm.z))
  return low < level.floorMm + level.storeyMm && high >= deepest
}

const topOf = (s: StairView) => s.footMm.z + s.riseMm

/** Stairs that begin on a level, or come up to it from below. */
export function stairsOn(m: MassingView, level: LevelView | undefined): StairView[] {
  if (!level || m.levels.length < 2) return m.stairs
  return m.stairs.filter(
    (s) => s.levelId === level.id || (topOf(s) > level.floorMm - 1 && topOf(s) < level.floorMm + level.storeyMm && s.footMm.z < level.floorMm),
  )
}

/** Whether a box stands on a level. */
const stands = (level: LevelView) => (b: BoxMm) => b.min.z >= level.floorMm - 1 && b.min.z < level.floorMm + level.storeyMm

export const guardsOn = (m: MassingView, level: LevelView | undefined) => (!level || m.levels.length < 2 ? m.guards : m.guards.filter(stands(level)))

export const solidsOn = (m: MassingView, level: LevelView | undefined) =>
  !level || m.levels.length < 2 ? m.solids : m.solids.filter((s) => s.levelId === level.id || isCut(m, level)(s.boxMm))

/** Rooms above the cut that hang over a room of the level: galleries over a hall. */
export function above(m: MassingView, level: LevelView | undefined): RoomView[] {
  if (!level || m.levels.length < 2) return []
  const cut = level.floorMm + m.cutMm
  const own = m.rooms.filter((r) => r.levelId === level.id)
  return m.rooms.filter((r) => r.levelId !== level.id && r.cornerMm.z > cut && own.some((o) => r.cornerMm.z < o.cornerMm.z + o.heightMm && touch(r, o)))
}

const touch = (a: RoomView, b: RoomView) =>
  a.cornerMm.x <= b.cornerMm.x + b.widthMm &&
  b.cornerMm.x <= a.cornerMm.x + a.widthMm &&
  a.cornerMm.y <= b.cornerMm.y + b.depthMm &&
  b.cornerMm.y <= a.cornerMm.y + a.depthMm
