import { formatBare } from '../measure/format'
import { ink, mono, paper, sheet, SMALL, softInk } from '../styles/theme'
import type { Plan } from './plan'
import type { Labels } from './labels'
import { text } from './lettering'
import { toPixel } from './sheet'

/** A length written in a chain, about a pixel: it can be typed there. */
export interface Written {
  x: number
  y: number
  roomId: number
  edge: number
  /** From where to where along the edge, of how much. */
  fromMm: number
  toMm: number
  wholeMm: number
}

/** A chain shorter than its own words says nothing. */
const LEAST_CHAIN_PX = 12
const LINE_PX = 14
/** What has no room on its line is written so far beside it. */
const BESIDE_PX = 10

/** Dimension chains outside the walls: the whole length, and inside that what cuts it. A word for which there is no room is left out until one looks closer. */
export function drawChains(c: CanvasRenderingContext2D, p: Plan, labels: Labels): Written[] {
  const written: Written[] = []
  for (const chain of p.massing.chains) {
    const length = chain.ticksMm[chain.ticksMm.length - 1]!
    if (length * p.lie.scale < LEAST_CHAIN_PX) continue
    const along = { x: (chain.toMm.x - chain.fromMm.x) / length, y: (chain.toMm.y - chain.fromMm.y) / length }
    const out = { x: -along.y, y: along.x }
    const note = (x: number, y: number, fromMm: number, toMm: number) =>
      written.push({ x, y, roomId: chain.roomId, edge: chain.edge, fromMm, toMm, wholeMm: length })
    // Where another room lies behind the wall, the chain stands within its own.
    if (chain.inner) {
      drawChain(c, p, labels, chain.fromMm, along, out, chain.ticksMm, -14, note)
      continue
    }
    const rows = chain.ticksMm.length > 2 ? [chain.ticksMm, [0, length]] : [[0, length]]
    rows.forEach((ticks, row) => drawChain(c, p, labels, chain.fromMm, along, out, ticks, wallBehind(p, chain) * p.lie.scale + 16 + row * 20, note))
  }
  return written
}

const wallBehind = (p: Plan, edge: { roomId: number; edge: number }) =>
  p.massing.rooms
    .find((r) => r.id === edge.roomId)
    ?.outlineMm.flat()
    .find((c) => c.edge === edge.edge)?.wallMm ?? p.wallMm

function drawChain(
  c: CanvasRenderingContext2D,
  p: Plan,
  labels: Labels,
  from: { x: number; y: number },
  along: { x: number; y: number },
  out: { x: number; y: number },
  ticks: number[],
  off: number,
  note: (x: number, y: number, fromMm: number, toMm: number) => void,
) {
  const at = (t: number): [number, number] => {
    const [x, y] = toPixel(p.lie, from.x + along.x * t, from.y + along.y * t)
    return [x + out.x * off, y - out.y * off]
  }
  c.strokeStyle = softInk
  c.lineWidth = 1
  c.beginPath()
  c.moveTo(...at(0))
  c.lineTo(...at(ticks[ticks.length - 1]!))
  for (const t of ticks) {
    const [x, y] = at(t)
    c.moveTo(x - 3, y + 3)
    c.lineTo(x + 3, y - 3)
  }
  c.stroke()
  for (let i = 0; i + 1 < ticks.length; i++) {
    const size = ticks[i + 1]! - ticks[i]!
    const words = formatBare(size, p.unit)
    c.font = `${SMALL}px ${mono}`
    const w = c.measureText(words).width
    // What has no room on the line stands beside it, outward; what has none there either is left to the whole length.
    const beside = w + 8 > size * p.lie.scale
    if (beside && w > size * p.lie.scale + 16) continue
    const [x, y] = at((ticks[i]! + ticks[i + 1]!) / 2)
    const upright = Math.abs(along.y) > 0.5
    const shift = beside ? -BESIDE_PX : 0
    const [wide, high] = upright ? [LINE_PX, w + 4] : [w + 4, LINE_PX]
    if (!labels.take(upright ? x + shift : x, upright ? y : y + shift, wide, high)) continue
    note(x, y, ticks[i]!, ticks[i + 1]!)
    c.save()
    c.translate(x, y)
    if (upright) c.rotate(-Math.PI / 2)
    c.fillStyle = off < 0 ? sheet : paper
    if (!beside) c.fillRect(-w / 2 - 2, -LINE_PX / 2, w + 4, LINE_PX)
    text(c, words, 0, shift, `${SMALL}px ${mono}`, ink)
    c.restore()
  }
}
