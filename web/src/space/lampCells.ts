/** Where a lamp is, and how far it lights anything, metres. */
interface Reaching {
  at: { x: number; y: number; z: number }
  reachM: number
  candela: { r: number; g: number; b: number }
}

/** Of more than so many lamps in one cell the brightest count. */
export const MOST_IN_CELL = 32
const LEAST_CELL = 1
const MOST_CELLS = 40_000
const WIDTH = 1024

/** Space in cubes, each with the lamps that reach into it: whatever is lit asks only those of its cube. */
export interface Cells {
  from: readonly [number, number, number]
  size: readonly [number, number, number]
  /** The side of a cube, metres. */
  cell: number
  /** Of each cube where its lamps begin in the list, and how many there are. */
  cells: Float32Array
  list: Float32Array
  /** The list in rows of so many. */
  width: number
}

export function cellsOf(lamps: readonly Reaching[]): Cells {
  const low = (k: 'x' | 'y' | 'z') => Math.min(...lamps.map((l) => l.at[k] - l.reachM))
  const high = (k: 'x' | 'y' | 'z') => Math.max(...lamps.map((l) => l.at[k] + l.reachM))
  const from = [low('x'), low('y'), low('z')] as const
  const wide = [high('x') - from[0], high('y') - from[1], high('z') - from[2]] as const
  let cell = LEAST_CELL
  const along = (metres: number) => Math.max(1, Math.ceil(metres / cell))
  while (along(wide[0]) * along(wide[1]) * along(wide[2]) > MOST_CELLS) cell *= 1.25
  const size = [along(wide[0]), along(wide[1]), along(wide[2])] as const
  const inCell = Array.from({ length: size[0] * size[1] * size[2] }, () => [] as number[])
  lamps.forEach((lamp, i) => {
    const { x, y, z } = lamp.at
    const span = (at: number, k: 0 | 1 | 2) =>
      [Math.max(0, Math.floor((at - lamp.reachM - from[k]) / cell)), Math.min(size[k] - 1, Math.floor((at + lamp.reachM - from[k]) / cell))] as const
    const [xs, ys, zs] = [span(x, 0), span(y, 1), span(z, 2)]
    for (let c = zs[0]; c <= zs[1]; c++)
      for (let b = ys[0]; b <= ys[1]; b++)
        for (let a = xs[0]; a <= xs[1]; a++)
          if (gap(x, from[0] + a * cell, cell) + gap(y, from[1] + b * cell, cell) + gap(z, from[2] + c * cell, cell) < lamp.reachM ** 2)
            inCell[(c * size[1] + b) * size[0] + a]!.push(i)
  })
  const cells = new Float32Array(2 * inCell.length)
  const all: number[] = []
  inCell.forEach((found, i) => {
    const kept = found.length > MOST_IN_CELL ? brightest(lamps, found) : found
    cells.set([all.length, kept.length], 2 * i)
    all.push(...kept)
  })
  const list = new Float32Array(Math.max(1, Math.ceil(all.length / WIDTH)) * WIDTH)
  list.set(all)
  return { from, size, cell, cells, list, width: WIDTH }
}

/** The square of how far a place lies outside of a span that begins there. */
const gap = (at: number, begins: number, long: number) => Math.max(begins - at, 0, at - begins - long) ** 2

const brightest = (lamps: readonly Reaching[], of: number[]) =>
  [...of].sort((a, b) => lamps[b]!.candela.g - lamps[a]!.candela.g || a - b).slice(0, MOST_IN_CELL)
