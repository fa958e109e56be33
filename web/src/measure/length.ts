/**
 * Lengths in the browser. JSON carries millimetres with up to three places, so a length is a whole number of micrometres;
 * sums, differences and multiples are formed in these, since 3 × 25.4 is not 76.2 in binary floating point.
 */

/** A length in whole micrometres. A plain number is none. */
export type Micrometres = number & { readonly unit: 'micrometre' }

/** The whole micrometres nearest to so many millimetres. */
export const um = (mm: number) => Math.round(mm * 1000) as Micrometres

/** In millimetres: the double nearest to the exact value, which is what JSON carries. */
export const mm = (length: Micrometres) => length / 1000

/** A number of millimetres taken to whole micrometres. */
export const exact = (millimetres: number) => mm(um(millimetres))

/** The multiple of the step nearest to a place, both millimetres. */
export function onStep(at: number, step: number): number {
  const whole = um(step)
  return whole > 0 ? mm((Math.round((at * 1000) / whole) * whole) as Micrometres) : exact(at)
}

export interface Flat {
  x: number
  y: number
}
interface Space extends Flat {
  z: number
}

/** A point of the plan taken to the step. */
export const pointOnStep = (p: Flat, step: number): Flat => ({ x: onStep(p.x, step), y: onStep(p.y, step) })

export const plus = (a: Space, b: Space): Space => ({ x: exact(a.x + b.x), y: exact(a.y + b.y), z: exact(a.z + b.z) })
export const minus = (a: Space, b: Space): Space => ({ x: exact(a.x - b.x), y: exact(a.y - b.y), z: exact(a.z - b.z) })

/**
 * What is sent: every number below a field whose name ends in `Mm` is taken to whole micrometres. What was calculated
 * from exact lengths differs from one by far less, so this changes no length, only how it is written.
 */
export function written(body: unknown, isLength = false): unknown {
  if (typeof body === 'number') return isLength ? exact(body) : body
  if (Array.isArray(body)) return body.map((item) => written(item, isLength))
  if (body === null || typeof body !== 'object') return body
  return Object.fromEntries(Object.entries(body).map(([field, value]) => [field, written(value, isLength || field.endsWith('Mm'))]))
}
