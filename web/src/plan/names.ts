import type { BoxMm, PlacementView, RoomView } from '../api/client'
import { isIn, type Point } from '../site/edges'
import { format } from '../measure/format'
import { boxOf } from '../site/extent'
import { ink, mono, sans, sheet, SMALL, softInk } from '../styles/theme'
import type { Labels } from './labels'
import { text } from './lettering'
import type { Plan } from './plan'
import { toPixel } from './sheet'

/** What is written on stairs reaches so far beyond them. */
const STAIR_WORDS_PX = 60
const withWords = (b: BoxMm, by: number): BoxMm => ({ min: { ...b.min, x: b.min.x - by }, max: { ...b.max, x: b.max.x + by } })

/** A room's name, and with room for it its area and height below. */
export interface RoomName {
  name: string
  size?: string
  x: number
  y: number
}

/** Names and heights, in the first place of each room where nothing stands. */
export function placeRoomNames(c: CanvasRenderingContext2D, p: Plan, stands: PlacementView[], labels: Labels): RoomName[] {
  const placed: RoomName[] = []
  const taken = [
    ...stands.slice(0, 2000).map((s) => boxOf(s, p.pieceById.get(s.pieceId)!)),
    ...p.massing.solids.map((s) => s.boxMm),
    ...p.stairs.flatMap((s) => s.bodiesMm.map((b) => withWords(b, STAIR_WORDS_PX / p.lie.scale))),
  ]
  for (const r of p.massing.rooms) {
    if (r.widthMm * p.lie.scale < 40) continue
    // Width and depth stand on the chains outside.
    const size = `${r.areaM2.toFixed(1)} m² · ${format(r.heightMm, p.unit)} high`
    c.font = `600 14px ${sans}`
    const name = c.measureText(r.name).width
    const whole = { x: (Math.max(160, name) / 2 + 6) / p.lie.scale, y: 20 / p.lie.scale }
    const alone = { x: (name / 2 + 4) / p.lie.scale, y: 10 / p.lie.scale }
    const others = p.massing.rooms.filter((o) => o !== r)
    const placesFor = (half: { x: number; y: number }) => {
      // Clear of the chains that stand along the walls.
      const clear = { x: half.x + 20 / p.lie.scale, y: half.y + 20 / p.lie.scale }
      return [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8, 0.12, 0.88]
        .flatMap((fy) => [0.5, 0.35, 0.65, 0.2, 0.8].map((fx) => ({ x: r.cornerMm.x + r.widthMm * fx, y: r.cornerMm.y + r.depthMm * fy })))
        .filter((at) => liesIn(r, at, half === alone ? half : clear) && !others.some((o) => o.areaM2 < r.areaM2 && isIn(o, at)))
    }
    const isFree = (half: Point) => (at: Point) =>
      !taken.some((b) => b.min.x < at.x + half.x && b.max.x > at.x - half.x && b.min.y < at.y + half.y && b.max.y > at.y - half.y)
    // With its size where there is room for both, else by itself, else over what stands.
    const [wholes, alones] = [placesFor(whole), placesFor(alone)]
    const found = wholes.find(isFree(whole))
    const free = found ?? alones.find(isFree(alone)) ?? wholes[0] ?? alones[0]
    if (!free) continue
    const half = found || (free === wholes[0] && !alones.some(isFree(alone))) ? whole : alone
    const [x, y] = toPixel(p.lie, free.x, free.y)
    labels.occupy(x, y, 2 * half.x * p.lie.scale, 2 * half.y * p.lie.scale)
    placed.push({ name: r.name, size: half === whole ? size : undefined, x, y })
  }
  return placed
}

export function drawRoomNames(c: CanvasRenderingContext2D, names: RoomName[]) {
  for (const { name, size, x, y } of names) {
    text(c, name, x, size ? y - 9 : y, `600 14px ${sans}`, ink, sheet)
    if (size) text(c, size, x, y + 9, `${SMALL}px ${mono}`, softInk, sheet)
  }
}

/** Whether a label lies in a room with all of its corners. */
const liesIn = (r: RoomView, at: { x: number; y: number }, half: { x: number; y: number }) =>
  [-1, 0, 1].every((fx) => [-1, 1].every((fy) => isIn(r, { x: at.x + fx * half.x, y: at.y + fy * half.y })))
