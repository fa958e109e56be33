import { shallowRef } from 'vue'
import { send, type BoxMm, type OutlineView, type ReadView } from '../api/client'

/** A drawing that is being brought in: its text, and what was read in it. Shown over the plan until it is set down or put away. */
export interface Drawn {
  file: string
  svg: string
  /** One unit of the file. */
  unitMm: number
  /** One to so much. */
  scale: number
  read: ReadView
}

const drawn = shallowRef<Drawn>()

export function useBringIn() {
  async function read(file: string, svg: string, unitMm: number, scale: number) {
    const found = await send<ReadView>('POST', '/api/outlines/read', { svg, unitMm: Math.round(unitMm * scale * 1000) / 1000 })
    drawn.value = { file, svg, unitMm, scale, read: found }
  }
  const putAway = () => (drawn.value = undefined)
  return { drawn, read, putAway }
}

/** How wide all of it is, millimetres. */
export function widthOf(outlines: OutlineView[]): number {
  const xs = outlines.flatMap((o) => o.loops.flat().map((c) => c.x))
  return xs.length ? Math.max(...xs) - Math.min(...xs) : 0
}

/** What a box and outlines lie within together, in plan; nothing where there is neither. */
export function withOutlines(whole: BoxMm | undefined, outlines: OutlineView[]): BoxMm | undefined {
  const corners = outlines.flatMap((o) => o.loops.flat())
  if (!corners.length) return whole
  const xs = [...corners.map((c) => c.x), ...(whole ? [whole.min.x, whole.max.x] : [])]
  const ys = [...corners.map((c) => c.y), ...(whole ? [whole.min.y, whole.max.y] : [])]
  return { min: { x: Math.min(...xs), y: Math.min(...ys), z: 0 }, max: { x: Math.max(...xs), y: Math.max(...ys), z: 0 } }
}
