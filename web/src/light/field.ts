/** The light that bounces about a set, in places of a grid: of red, green and blue each the mean and the slope along x, y and z. */
export interface Field {
  /** Places along x, y and z. */
  size: readonly [number, number, number]
  /** The first place and the spacing, metres. */
  from: readonly [number, number, number]
  spacing: number
  /** By how much each number is to be multiplied to be lux. */
  unit: number
  /** Half floats, four a place. */
  colours: readonly [Uint16Array, Uint16Array, Uint16Array]
  /** A byte a place: bits of the sides that are walled off. */
  walls: Uint8Array
}

const MAGIC = 0x31564248
const HEAD = 36

/** @returns nothing where there is no such light */
export function readField(bytes: ArrayBuffer): Field | undefined {
  if (bytes.byteLength === 0) return undefined
  const head = new DataView(bytes)
  if (head.getUint32(0, true) !== MAGIC) throw new Error('What the server sent is no volume of light.')
  const size = [1, 2, 3].map((i) => head.getUint32(4 * i, true)) as [number, number, number]
  const from = [4, 5, 6].map((i) => head.getFloat32(4 * i, true)) as [number, number, number]
  const places = size[0] * size[1] * size[2]
  const colour = (i: number) => new Uint16Array(bytes, HEAD + 8 * places * i, 4 * places)
  return {
    size,
    from,
    spacing: head.getFloat32(28, true),
    unit: head.getFloat32(32, true),
    colours: [colour(0), colour(1), colour(2)],
    walls: new Uint8Array(bytes, HEAD + 24 * places, places),
  }
}
