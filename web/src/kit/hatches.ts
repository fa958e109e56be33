/** How a kind of piece is drawn: on a ground, with lines of its own angle and weight. */
export interface Hatch {
  ground: string
  /** Degrees. */
  angle: number
  /** Millimetres in elevation; 0 is no line. */
  weight: number
}

/** Paper greys: a kind's number says its grey, and how often all of them are used up already its lines. */
const GREYS = ['#FBFAF6', '#E6DFCE', '#CDC3AD', '#B0A68F']
export const PANEL = '#F4F1EA'
export const LINE = '#8A8371'
/** From line to line, millimetres in elevation. */
export const PITCH = 130
const ANGLES = [45, 135, 0, 90, 20, 70]
const WEIGHTS = [14, 34]
/** Kinds beyond these are drawn like the first. */
const MOST = GREYS.length * (1 + ANGLES.length * WEIGHTS.length)

export function hatchOf(kind: number): Hatch {
  const lines = Math.floor((kind % MOST) / GREYS.length)
  const ground = GREYS[kind % GREYS.length]!
  return lines
    ? { ground, angle: ANGLES[(lines - 1) % ANGLES.length]!, weight: WEIGHTS[Math.floor((lines - 1) / ANGLES.length)]! }
    : { ground, angle: 0, weight: 0 }
}

/** Where its pattern is found, for a drawing; without a line its ground alone. */
export const fillOf = (kind: number | undefined) => (kind === undefined ? PANEL : hatchOf(kind).weight ? `url(#kind-${kind % MOST})` : hatchOf(kind).ground)

/** All that have lines. */
export const hatches = Array.from({ length: MOST - GREYS.length }, (_, n) => ({ id: `kind-${GREYS.length + n}`, ...hatchOf(GREYS.length + n) }))
