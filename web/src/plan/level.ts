import type { BoxMm, LevelView, MassingView } from '../api/client'

/** Plans are cut about here above the floor. */
const CUT_MM = 1000

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
    walls: [...m.walls, ...m.over].filter(isCut(level)),
    gaps: m.gaps.filter((g) => isCut(level)(g.box) || (g.box.min.z >= level.floorMm && g.box.min.z < level.floorMm + level.storeyMm)),
    chains: m.chains.filter((c) => own.has(c.roomId)),
  }
}

const isCut = (level: LevelView) => (b: BoxMm) => b.min.z < level.floorMm + CUT_MM && b.max.z > level.floorMm + CUT_MM

/** The walls of the level below, to be seen faintly through the sheet. */
export function below(m: MassingView, level: LevelView | undefined): BoxMm[] {
  const under = level && m.levels.filter((l) => l.floorMm < level.floorMm).at(-1)
  return under ? m.walls.filter(isCut(under)) : []
}

/** Whether what reaches from one height to another is seen on a level's plan. */
export function isSeen(m: MassingView, level: LevelView | undefined, low: number, high: number): boolean {
  if (!level || m.levels.length < 2) return true
  const deepest = Math.min(level.floorMm, ...m.rooms.filter((r) => r.levelId === level.id).map((r) => r.cornerMm.z))
  return low < level.floorMm + level.storeyMm && high >= deepest
}
