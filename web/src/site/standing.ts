import type { BoxMm, PieceView, PlacementView } from '../api/client'
import { boxOf } from './extent'
import { BITS, CHUNK, PLACE, POSE } from './layout'

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

const EDGES = 2 ** BITS.EDGE_BITS
const HALF = 2 ** BITS.UP_BITS
const LENGTHS = 2 ** BITS.LENGTH_BITS
const SIDES = ['north', 'east', 'south', 'west']
const CORNERS = ['north-west', 'north-east', 'south-east', 'south-west']

const ORIGINS: Partial<Record<number, PlacementView['origin']>> = {
  [PLACE.HAND]: 'hand',
  [PLACE.REPEAT]: 'repeat',
  [PLACE.USE]: 'assembly',
  [PLACE.TWIN]: 'twin',
}

/** Bytes as JSON carries them. */
export const fromBase64 = (text: string) => Uint8Array.from(atob(text), (c) => c.charCodeAt(0)).buffer

export function readChunk(name: string, digest: string, bytes: ArrayBuffer): Chunk {
  const head = new DataView(bytes)
  if (head.getUint32(0, true) !== CHUNK.MAGIC) throw new Error('This is no chunk of a set.')
  const n = head.getUint32(4, true)
  const p = head.getUint32(8, true)
  const flags = head.getUint32(12, true)
  let at = CHUNK.HEAD
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
  const [a, b] = [c.a[row]!, c.b[row]!]
  const owner = c.owner?.[row] || c.ownerId
  const room = `room.${owner}`
  switch (code) {
    case PLACE.HAND:
      return `hand.${a}`
    case PLACE.STAIRS:
      return `stairs.${owner}.${a}`
    case PLACE.SOLID:
      return `solid.${owner}`
    case PLACE.TWIN:
      return `twin.${owner}.${originalOf(a, b)}`
    case PLACE.USE:
      return `use.${owner}.${a}`
    case PLACE.REPEAT:
      return `repeat.${owner}.${a}.${b}`
    case PLACE.GUARD:
      return `${room}.guard.${a}.${b}`
    case PLACE.OPENING:
      return `${room}.opening.${a}`
    case PLACE.POST:
      return `${room}.post.${CORNERS[a] ?? `edge${a}`}${above(b)}`
    case PLACE.TIER:
      return edgePlace(room, a, b, '.up')
    case PLACE.BETWEEN_TIER:
      return betweenTiers(room, a, b)
    case PLACE.MOULDING:
      return mouldingPlace(room, a, b)
    case PLACE.BETWEEN:
      return `${room}.post.at.${a}.${b}`
    case PLACE.EDGE:
      return edgePlace(room, a, b)
    case PLACE.FLOOR:
      return `${room}.floor.${a}.${b}`
    case PLACE.CEILING:
      return `${room}.ceiling.${a}.${b}`
    default:
      return `${room}.${SIDES[code - PLACE.RUN]}.${a}.${b}`
  }
}

/** What a piece is the twin of: what a hand set down, or a part of an assembly's use or of a repeat. */
const originalOf = (id: number, part: number) => (part === 0 ? `hand.${id}` : part > 0 ? `use.${id}.${part - 1}` : `repeat.${id}.${-1 - part}`)

const above = (up: number) => (up ? `.up.${up}` : '')

/** A part of a post between walls: the bits of its foot above the post's lie below each coordinate. */
function betweenTiers(room: string, a: number, b: number) {
  const [x, y] = [Math.floor(a / HALF), Math.floor(b / HALF)]
  return `${room}.post.at.${x}.${y}${above((a - x * HALF) * HALF + (b - y * HALF))}`
}

/** A place along a wall: the moulding above the edge, and a bit that says whether it is a corner piece. */
const mouldingPlace = (room: string, at: number, packed: number) =>
  `${room}.moulding.${Math.floor(packed / 2 / EDGES)}.${packed % 2 ? 'corner' : 'edge'}${Math.floor(packed / 2) % EDGES}.${at}`

/** A run's place that is no side of a rectangle, or on other tiers: edge and tier lie above the length, or above its foot above the wall's. */
function edgePlace(room: string, at: number, packed: number, what = '') {
  const above = Math.floor(packed / LENGTHS)
  const [edge, tier] = [above % EDGES, Math.floor(above / EDGES)]
  return `${room}.${SIDES[edge] ?? `edge${edge}`}${['', '-above', '-below'][tier]}.${at}${what}.${packed % LENGTHS}`
}

export const pieceIdOf = (c: Chunk, row: number) => c.palette[c.kind[row]!]!
export const isMirrored = (c: Chunk, row: number) => (c.pose[row]! & POSE.MIRRORED) !== 0
export const degreesOf = (c: Chunk, row: number) => (c.pose[row]! & 3) * 90 + (c.degrees?.[row] ?? 0)

export function placementOf(c: Chunk, row: number): PlacementView {
  const pose = c.pose[row]!
  return {
    id: idOf(c, row),
    pieceId: pieceIdOf(c, row),
    atMm: { x: c.x[row]! / 1000, y: c.y[row]! / 1000, z: c.z[row]! / 1000 },
    quarterTurns: pose & 3,
    mirrored: (pose & POSE.MIRRORED) !== 0,
    freeDegrees: c.degrees?.[row] ?? 0,
    free: (pose & POSE.FREE) !== 0,
    origin: ORIGINS[c.code[row]!] ?? 'massing',
    departed: (pose & POSE.DEPARTED) !== 0,
    lost: (pose & POSE.LOST) !== 0,
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
  if (part[0] === 'hand') return `hands.${Math.floor(Number(part[1]) / CHUNK.IDS)}`
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

/** Whether a hand drags it, in whatever view: what the rooms made is moved by moving the rooms. */
export const isDragged = (p: Pick<PlacementView, 'origin'>) => p.origin !== 'massing'
