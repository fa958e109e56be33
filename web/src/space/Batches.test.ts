import { BoxGeometry, type BufferGeometry, Color, Group, Material, Matrix4, ShaderMaterial, Vector3 } from 'three'
import { describe, expect, it } from 'vitest'
import { StandingSet, type Chunk } from '../site/standing'
import { Batches, type Wear } from './Batches'
import { Shape } from '../shapes/geometry'

const line = new ShaderMaterial()
const material = () => new Material()

/** A cube of so many metres, of so many triangles at least. */
function shape(size: number, segments = 1): Shape {
  return new Shape([{ swatch: 'plaster', geometry: new BoxGeometry(size, size, size, segments, segments, segments) }])
}

/** What hands set down, a metre apart along X, of the pieces told. */
function chunk(pieces: number[], name = 'hands.0', from = 0): Chunk {
  const n = pieces.length
  const palette = [...new Set(pieces)]
  const zeros = () => new Float64Array(n)
  return {
    name,
    digest: pieces.join(),
    count: n,
    palette: Float64Array.from(palette),
    x: Float64Array.from(pieces, (_, i) => (from + i) * 1e6),
    y: zeros(),
    z: zeros(),
    a: Float64Array.from(pieces, (_, i) => i + 1),
    b: zeros(),
    ownerId: 0,
    kind: Uint16Array.from(pieces, (p) => palette.indexOf(p)),
    pose: new Uint8Array(n),
    code: new Uint8Array(n),
  }
}

const setOf = (...chunks: Chunk[]) => new StandingSet(new Map(chunks.map((c) => [c.name, c])))
const shapes = new Map([
  [7, { shape: shape(1) }],
  [8, { shape: shape(2) }],
])
const none = new Set<number>()
const plain = { pieceId: 7, tint: '', wear: 0, onFloor: false, colourwayId: 0 }

/** Where each batch draws, in metres along X, by how large its shape is. */
function drawn(batches: Batches): Record<number, number[]> {
  const found: Record<number, number[]> = {}
  for (const batch of batches.all()) {
    const geometry = batch.parts[0]!.geometry
    geometry.computeBoundingBox()
    const size = geometry.boundingBox!.getSize(new Vector3()).x
    const at = (found[size] ??= [])
    for (let i = 0; i < batch.size; i++) at.push(new Vector3().setFromMatrixPosition(batch.matrix(i, new Matrix4())).x)
    at.sort((a, b) => a - b)
  }
  return found
}

const tintsOf = (group: Group) =>
  group.children.flatMap((m) =>
    'instanceColor' in m ? [Array.from((m.instanceColor as { array: Float32Array }).array.slice(0, 9), (v) => Math.round(v * 100) / 100)] : [],
  )

describe('batches', () => {
  it('fill the place of what goes with the last, so that nothing is drawn in vain', () => {
    const batches = new Batches(new Group(), material, line)
    const [a, b, c] = [chunk([7, 7, 7]), chunk([7, 7], 'hands.1', 10), chunk([7], 'hands.2', 20)]
    batches.show(setOf(a, b, c), shapes, none)
    expect(drawn(batches)).toEqual({ 1: [0, 1, 2, 10, 11, 20] })
    batches.show(setOf(b, c), shapes, none)
    expect(drawn(batches)).toEqual({ 1: [10, 11, 20] })
    expect(batches.instances).toBe(3)
    // What moved to another slot is still found: taking it away takes it and no other.
    batches.show(setOf(b), shapes, none)
    expect(drawn(batches)).toEqual({ 1: [10, 11] })
  })

  it('draw another piece, and a tint, where a look says so', () => {
    const group = new Group()
    const batches = new Batches(group, material, line)
    const wear: Wear = {
      looks: new Map([['hands.0', [0, 1, -1]]]),
      all: [
        { ...plain, tint: '#ff0000' },
        { ...plain, pieceId: 8 },
      ],
    }
    batches.show(setOf(chunk([7, 7, 7])), shapes, none, undefined, wear)
    expect(drawn(batches)).toEqual({ 1: [0, 2], 2: [1] })
    expect(tintsOf(group)[0]!.slice(0, 6)).toEqual([1, 0, 0, 1, 1, 1])
    batches.show(setOf(chunk([7, 7, 7])), shapes, none, undefined, { ...wear, colours: () => new Color(0, 0, 1) })
    expect(tintsOf(group).every((t) => t[0] === 0 && t[2] === 1)).toBe(true)
    batches.show(setOf(chunk([7, 7, 7])), shapes, none)
    expect(drawn(batches)).toEqual({ 1: [0, 1, 2] })
  })

  it('draw what is worn with its mask, each by how much it is, and what is in another colourway in its own material', () => {
    const group = new Group()
    const asked: string[] = []
    const batches = new Batches(group, (swatch, { colourwayId, mask }) => (asked.push(`${swatch} ${colourwayId} ${mask ?? 'new'}`), new Material()), line)
    const worn = new Map([[7, { shape: shape(1), worn: { shape: shape(4), mask: 'mask-7' } }]])
    const wear: Wear = {
      looks: new Map([['hands.0', [0, 1, 2, -1]]]),
      all: [
        { ...plain, wear: 40, onFloor: true },
        { ...plain, wear: 80 },
        { ...plain, colourwayId: 5 },
      ],
    }
    batches.show(setOf(chunk([7, 7, 7, 7])), worn, none, undefined, wear)
    expect(drawn(batches)).toEqual({ 1: [2, 3], 4: [0, 1] })
    expect(asked.sort()).toEqual(['plaster 0 mask-7', 'plaster 0 new', 'plaster 5 new'])
    const told = group.children
      .flatMap((m) => ('geometry' in m ? [(m.geometry as BufferGeometry).getAttribute('worn')?.array.slice(0, 4)] : []))
      .filter(Boolean)
    expect(told).toEqual([Float32Array.of(0.4, 0.4, 0.8, 0)])
    // The last takes the first one's place, with what it wears.
    batches.show(setOf(chunk([8], 'hands.0'), chunk([7], 'hands.1', 5)), worn, none, undefined, {
      looks: new Map([['hands.1', [0]]]),
      all: [{ ...plain, wear: 100 }],
    })
    expect(drawn(batches)).toEqual({ 4: [5] })
  })

  it('draw a box for what is heavy and far, and it itself again from near', () => {
    const batches = new Batches(new Group(), material, line)
    const box = shape(3)
    const far = (beyond: number) => ({ isFar: (x: number) => x > beyond, boxOf: (s: Shape) => (s === shapes.get(7)!.shape ? box : undefined) })
    const all = setOf(chunk([7, 7, 8, 7]))
    batches.show(all, shapes, none, undefined, undefined, far(0.5e6))
    expect(drawn(batches)).toEqual({ 1: [0], 2: [2], 3: [1, 3] })
    expect(batches.lookFrom(shapes, far(2e6))).toBe(true)
    expect(drawn(batches)).toEqual({ 1: [0, 1], 2: [2], 3: [3] })
    expect(batches.lookFrom(shapes, far(2e6))).toBe(false)
    expect(batches.lookFrom(shapes, undefined)).toBe(true)
    expect(drawn(batches)).toEqual({ 1: [0, 1, 3], 2: [2] })
  })
})
