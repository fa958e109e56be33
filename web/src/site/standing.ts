import type { BoxMm, PieceView, PlacementView } from '../api/client'
import { boxOf } from './extent'

/** Some of the standing set as the server sends it: binary columns, read without copying. It never changes. */
export interface Chunk {
  name: string
  digest: string
  count: number
  /** Piece ids; the kind column points into it. */
  palette: Float64Array
  /** Where the pivots are, whole micrometres. */
  x: Float64Array
  y: Float64Array
  z: Float64Array
  a: Float64Array
  b: Float64Array
  owner?: Float64Array
  ownerId: number
  degrees?: Float64Array
  /** Degrees about a piece's own X and Y, and its scale. */
  lean?: { tilt: Float64Array; roll: Float64Array; scale: Float64Array }
  kind: Uint16Array
  pose: Uint8Array
  code: Uint8Array
}

const MAGIC = 0x32424348
const HEAD = 24
const [MIRRORED, FREE, DEPARTED, LOST] = [4, 8, 16, 32]
/** Ids of one block of what hands set down; see the server's description of chunks. */
const HAND_BLOCK = 1024
const REPEAT = 14
const USE = 15
const TWIN = 16
const SIDES = ['north', 'east', 'south', 'west']
const CORNERS = ['north-west', 'north-east', 'south-east', 'south-west']

/** Bytes as JSON carries them. */
export const fromBase64 = (text: string) => Uint8Array.from(atob(text), (c) => c.charCodeAt(0)).buffer

export function readChunk(name: string, digest: string, bytes: ArrayBuffer): Chunk {
  const head = new DataView(bytes)
  if (head.getUint32(0, true) !== MAGIC) throw new Error('This is no chunk of a set.')
  const n = head.getUint32(4, true)
  const p = head.getUint32(8, true)
  const flags = head.getUint32(12, true)
  let at = HEAD
  const doubles = (count: number) => {
    const column = new Float64Array(bytes, at, count)
    at += 8 * count
    return column
  }
  const [palette, x, y, z, a, b] = [doubles(p), doubles(n), doubles(n), doubles(n), doubles(n), doubles(n)]
  const owner = flags & 1 ? doubles(n) : undefined
  const degrees = flags & 2 ? doubles(n) : undefined
  const lean = flags & 4 ? { tilt: doubles(n), roll: doubles(n), scale: doubles(n) } : undefined
  const kind = new Uint16Array(bytes, at, n)
  const pose = new Uint8Array(bytes, at + 2 * n, n)
  const code = new Uint8Array(bytes, at + 3 * n, n)
  return { name, digest, count: n, palette, x, y, z, a, b, owner, ownerId: head.getFloat64(16, true), degrees, lean, kind, pose, code }
}

/** The id of what stands in a row: its place. */
export function idOf(c: Chunk, row: number): string {
  const code = c.code[row]!
  if (code === 0) return `hand.${c.a[row]}`
  const owner = c.owner?.[row] || c.ownerId
  if (code === 11) return `stairs.${owner}.${c.a[row]}`
  if (code === 13) return `solid.${owner}`
  if (code === TWIN) return `twin.${owner}.${originalOf(c.a[row]!, c.b[row]!)}`
  if (code === USE) return `use.${owner}.${c.a[row]}`
  if (code === REPEAT) return `repeat.${owner}.${c.a[row]}.${c.b[row]}`
  const room = `room.${owner}`
  if (code === 12) return `${room}.guard.${c.a[row]}.${c.b[row]}`
  if (code === 1) return `${room}.opening.${c.a[row]}`
  if (code === 6) return `${room}.post.${CORNERS[c.a[row]!] ?? `edge${c.a[row]}`}${above(c.b[row]!)}`
  if (code === 17) return edgePlace(room, c.a[row]!, c.b[row]!, '.up')
  if (code === 18) return betweenTiers(room, c.a[row]!, c.b[row]!)
  if (code === 19) return mouldingPlace(room, c.a[row]!, c.b[row]!)
  if (code === 10) return `${room}.post.at.${c.a[row]}.${c.b[row]}`
  if (code === 9) return edgePlace(room, c.a[row]!, c.b[row]!)
  if (code >= 7) return `${room}.${code === 7 ? 'floor' : 'ceiling'}.${c.a[row]}.${c.b[row]}`
  return `${room}.${SIDES[code - 2]}.${c.a[row]}.${c.b[row]}`
}

/** What a piece is the twin of: what a hand set down, or a part of an assembly's use or of a repeat. */
const originalOf = (id: number, part: number) => (part === 0 ? `hand.${id}` : part > 0 ? `use.${id}.${part - 1}` : `repeat.${id}.${-1 - part}`)

const above = (up: number) => (up ? `.up.${up}` : '')

/** A part of a post between walls: 16 bits of its foot above the post's lie below each coordinate. */
function betweenTiers(room: string, a: number, b: number) {
  const [x, y] = [Math.floor(a / 65536), Math.floor(b / 65536)]
  return `${room}.post.at.${x}.${y}${above((a - x * 65536) * 65536 + (b - y * 65536))}`
}

/** A place along a wall: the moulding above 10 bits of edge and one that says whether it is a corner piece. */
const mouldingPlace = (room: string, at: number, packed: number) =>
  `${room}.moulding.${Math.floor(packed / 2048)}.${packed % 2 ? 'corner' : 'edge'}${Math.floor(packed / 2) % 1024}.${at}`

/** A run's place that is no side of a rectangle, or on other tiers: edge and tier lie above 36 bits of length, or of its foot above the wall's. */
function edgePlace(room: string, at: number, packed: number, what = '') {
  const above = Math.floor(packed / 2 ** 36)
  const [edge, tier] = [above % 1024, Math.floor(above / 1024)]
  return `${room}.${SIDES[edge] ?? `edge${edge}`}${['', '-above', '-below'][tier]}.${at}${what}.${packed % 2 ** 36}`
}

export const pieceIdOf = (c: Chunk, row: number) => c.palette[c.kind[row]!]!
export const isMirrored = (c: Chunk, row: number) => (c.pose[row]! & MIRRORED) !== 0
export const degreesOf = (c: Chunk, row: number) => (c.pose[row]! & 3) * 90 + (c.degrees?.[row] ?? 0)

export function placementOf(c: Chunk, row: number): PlacementView {
  const pose = c.pose[row]!
  return {
    id: idOf(c, row),
    pieceId: pieceIdOf(c, row),
    atMm: { x: c.x[row]! / 1000, y: c.y[row]! / 1000, z: c.z[row]! / 1000 },
    quarterTurns: pose & 3,
    mirrored: (pose & MIRRORED) !== 0,
    freeDegrees: c.degrees?.[row] ?? 0,
    free: (pose & FREE) !== 0,
    origin: c.code[row] === 0 ? 'hand' : c.code[row] === REPEAT ? 'repeat' : c.code[row] === USE ? 'assembly' : c.code[row] === TWIN ? 'twin' : 'massing',
    departed: (pose & DEPARTED) !== 0,
    lost: (pose & LOST) !== 0,
    tiltDegrees: c.lean?.tilt[row] ?? 0,
    rollDegrees: c.lean?.roll[row] ?? 0,
    scale: c.lean?.scale[row] ?? 1,
  }
}

const rowsById = new WeakMap<Chunk, Map<string, number>>()

function rowOf(c: Chunk, id: string): number | undefined {
  let rows = rowsById.get(c)
  if (!rows) {
    rows = new Map()
    for (let i = 0; i < c.count; i++) rows.set(idOf(c, i), i)
    rowsById.set(c, rows)
  }
  return rows.get(id)
}

/** The generator that a place belongs to. */
function sourceOf(id: string): string {
  const part = id.split('.')
  if (part[0] === 'hand') return `hands.${Math.floor(Number(part[1]) / HAND_BLOCK)}`
  if (part[0] === 'stairs') return `stairs.${part[1]}`
  if (part[0] === 'twin') return `twins.${part[1]}`
  if (part[0] === 'use') return `uses.${part[1]}`
  if (part[0] === 'repeat') return `repeats.${part[1]}`
  if (part[0] === 'solid') return `solids.${part[1]}`
  if (part[2] === 'moulding') return `mouldings.${part[1]}`
  if (part[2] === 'guard') return `guards.${part[1]}`
  return part[2] === 'floor' || part[2] === 'ceiling' ? `tiles.${part[1]}` : `shell.${part[1]}`
}

/** Everything that stands, as chunks by name. It never changes; another one shares the chunks that are alike. */
export class StandingSet {
  readonly size: number

  constructor(readonly chunks: ReadonlyMap<string, Chunk> = new Map()) {
    let size = 0
    for (const c of chunks.values()) size += c.count
    this.size = size
  }

  locate(id: string): { chunk: Chunk; row: number } | undefined {
    for (const source of [sourceOf(id), 'lost']) {
      for (let n = 0; ; n++) {
        const chunk = this.chunks.get(`${source}.${n}`)
        if (!chunk) break
        const row = rowOf(chunk, id)
        if (row !== undefined) return { chunk, row }
      }
    }
    return undefined
  }

  get(id: string): PlacementView | undefined {
    const at = this.locate(id)
    return at && placementOf(at.chunk, at.row)
  }

  /** The ids of what a generator set down. */
  of(source: string): string[] {
    const ids: string[] = []
    for (let n = 0; ; n++) {
      const chunk = this.chunks.get(`${source}.${n}`)
      if (!chunk) return ids
      for (let i = 0; i < chunk.count; i++) ids.push(idOf(chunk, i))
    }
  }

  has(id: string): boolean {
    return this.locate(id) !== undefined
  }

  *values(): Generator<PlacementView> {
    for (const c of this.chunks.values()) for (let i = 0; i < c.count; i++) yield placementOf(c, i)
  }
}

const extents = new WeakMap<Chunk, BoxMm>()

/** What a chunk's pieces lie within; pieces that are not known yet do not count, and nothing is remembered then. */
export function extentOfChunk(c: Chunk, pieceById: Map<number, PieceView>): BoxMm | undefined {
  const known = extents.get(c)
  if (known) return known
  let box: BoxMm | undefined
  let whole = true
  for (let i = 0; i < c.count; i++) {
    const piece = pieceById.get(pieceIdOf(c, i))
    if (!piece) {
      whole = false
      continue
    }
    const b = boxOf(placementOf(c, i), piece)
    if (!box) box = { min: { ...b.min }, max: { ...b.max } }
    for (const k of ['x', 'y', 'z'] as const) {
      box.min[k] = Math.min(box.min[k], b.min[k])
      box.max[k] = Math.max(box.max[k], b.max[k])
    }
  }
  if (box && whole) extents.set(c, box)
  return box
}
