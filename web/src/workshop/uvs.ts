import type { BufferGeometry } from 'three'

/**
 * The outlines of what hangs together on a sheet: edges of triangles that no other triangle has in the same place there.
 *
 * @returns u and v of both ends of each
 */
export function edgesOn(geometry: BufferGeometry): Float32Array {
  const index = geometry.getIndex()!.array
  const uv = geometry.getAttribute('uv')
  const seen = new Map<string, number[] | undefined>()
  // To a hundredth of a pixel.
  const place = (v: number) => `${Math.round(uv.getX(v) * 1e5)},${Math.round(uv.getY(v) * 1e5)}`
  for (let t = 0; t < index.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [index[t + k]!, index[t + ((k + 1) % 3)]!]
      const [from, to] = [place(a), place(b)]
      if (from === to) continue
      const key = from < to ? `${from} ${to}` : `${to} ${from}`
      seen.set(key, seen.has(key) ? undefined : [uv.getX(a), uv.getY(a), uv.getX(b), uv.getY(b)])
    }
  return new Float32Array([...seen.values()].flatMap((e) => e ?? []))
}

/** What all of these lie within; none where there are none. */
export function boundsOf(all: readonly Float32Array[]) {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const lines of all)
    for (let i = 0; i < lines.length; i += 2) {
      x0 = Math.min(x0, lines[i]!)
      x1 = Math.max(x1, lines[i]!)
      y0 = Math.min(y0, lines[i + 1]!)
      y1 = Math.max(y1, lines[i + 1]!)
    }
  return x0 <= x1 ? { x0, y0, x1, y1 } : undefined
}
