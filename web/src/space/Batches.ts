import {
  BufferGeometry,
  Color,
  Euler,
  Group,
  InstancedBufferAttribute,
  InstancedBufferGeometry,
  InstancedMesh,
  LineSegments,
  Material,
  Matrix4,
  Quaternion,
  ShaderMaterial,
  Vector3,
} from 'three'
import { degreesOf, idOf, isMirrored, pieceIdOf, type Chunk, type StandingSet } from '../site/standing'
import { ink, plum } from '../styles/theme'
import type { Look } from '../ticket/seeing'
import type { Finishing } from './Coats'
import type { Part, Shape } from '../shapes/geometry'
import { GLOWING, isGlass, tintMaterial } from './glass'
import { WORN } from './wear'

const NOWHERE = new Matrix4().makeScale(0, 0, 0)
const LEAST = 64
const SELECTED = new Color('#b794c9')
const PLAIN = new Color(1, 1, 1)
const INK = new Color(ink)
/** The edges of ghosts, on paper. */
const FAINT = new Color('#b3b9bb')
const PLUM = new Color(plum)

/** Tilted about X, rolled about Y, turned about Z, in degrees. */
export const turned = (degrees: number, tilt: number, roll: number) =>
  new Quaternion().setFromEuler(new Euler(radians(tilt), radians(roll), radians(degrees), 'ZYX'))
const radians = (degrees: number) => (degrees * Math.PI) / 180

/** How a placement looks that does not look like its piece. */
export interface Guise {
  pieceId: number
  tint: string
  /** Percent. */
  wear: number
  /** Whether its foot wears as well. */
  onFloor: boolean
  /** 0: the site's. */
  colourwayId: number
}

/** What is drawn for rows of chunks: another piece, and in what. */
export interface Wear {
  looks: ReadonlyMap<string, readonly number[]>
  all: readonly Guise[]
  /** Each look in a colour of its own, whatever its tint. */
  colours?: (pieceId: number, tint: string) => Color
}
const unworn: Wear = { looks: new Map(), all: [] }
const tintOf = (tint: string) => (tint ? new Color(tint) : PLAIN)

/** A piece's shape; that with second UVs once something of it is worn, with where its mask is. */
export interface Shaped {
  shape: Shape
  worn?: { shape: Shape; mask: string }
}
type Shapes = ReadonlyMap<number, Shaped>

/** Where a row of a chunk is drawn. */
export interface Slot {
  batch: Batch
  index: number
  /** Whether it is drawn as a box, since it is far away. */
  far: boolean
}

/** What is far away, and what is drawn for it; undefined for a shape that is cheap as it is. */
export interface Far {
  isFar: (xUm: number, yUm: number, zUm: number) => boolean
  boxOf: (shape: Shape) => Shape | undefined
}

/** All standing pieces of one piece, mirrored or not: one mesh a material, and one for the edges. */
export class Batch {
  private capacity = 0
  private end = 0
  private matrices = new InstancedBufferAttribute(new Float32Array(0), 16)
  private tints = new InstancedBufferAttribute(new Float32Array(0), 3)
  /** Where, and how large. */
  private edgePlace = new InstancedBufferAttribute(new Float32Array(0), 4)
  private edgeTurn = new InstancedBufferAttribute(new Float32Array(0), 4)
  private edgeTint = new InstancedBufferAttribute(new Float32Array(0), 3)
  /** How much, and how much of it at the foot; 0 to 1. */
  private wear = new InstancedBufferAttribute(new Float32Array(0), 2)
  /** How much of its glow each has, 0 and up. */
  private glowing = new InstancedBufferAttribute(new Float32Array(0), 1)
  private meshes: InstancedMesh[] = []
  /** What colours that which is seen through glass. */
  private readonly tinting = new Map<InstancedMesh, InstancedMesh>()
  private lines?: LineSegments
  private shown = true
  /** What stands in each slot. */
  readonly chunks: (Chunk | undefined)[] = []
  readonly rows: number[] = []
  private readonly owners: Slot[] = []
  private readonly looks: Look[] = []
  private readonly bases: Color[] = []
  count = 0

  constructor(
    private readonly group: Group,
    readonly parts: readonly Part[],
    private readonly edges: BufferGeometry,
    private readonly material: (swatch: string) => Material,
    private readonly line: ShaderMaterial,
    readonly isWorn = false,
  ) {}

  get instances() {
    return this.count * this.parts.length
  }

  get size() {
    return this.end
  }

  add(chunk: Chunk, row: number, look: Look, base: Color, guise?: Guise): number {
    const slot = this.end++
    if (slot >= this.capacity) this.grow(Math.max(LEAST, Math.ceil(this.capacity * 1.6)))
    this.chunks[slot] = chunk
    this.rows[slot] = row
    this.count++
    this.looks[slot] = 'whole'
    this.bases[slot] = base
    const wear = (guise?.wear ?? 0) / 100
    this.wear.setXY(slot, wear, guise?.onFloor ? wear : 0)
    this.glowing.setX(slot, 1)
    this.place(slot)
    this.paint(slot, false)
    if (look !== 'whole') this.setLook(slot, look)
    return slot
  }

  /** Writes where a slot's row stands. */
  private place(slot: number) {
    const [chunk, row] = [this.chunks[slot]!, this.rows[slot]!]
    const at = new Vector3(chunk.x[row]! / 1e6, chunk.y[row]! / 1e6, chunk.z[row]! / 1e6)
    const scale = chunk.lean?.scale[row] ?? 1
    const turn = turned(degreesOf(chunk, row), chunk.lean?.tilt[row] ?? 0, chunk.lean?.roll[row] ?? 0)
    new Matrix4().compose(at, turn, new Vector3(scale, scale, scale)).toArray(this.matrices.array, 16 * slot)
    at.toArray(this.edgePlace.array, 4 * slot)
    this.edgePlace.array[4 * slot + 3] = scale
    turn.toArray(this.edgeTurn.array, 4 * slot)
    this.touch(this.matrices, this.edgePlace, this.edgeTurn, this.wear, this.glowing)
  }

  /** A ghost is no more than faint edges; what is gone draws nothing. @returns whether that is a change */
  setLook(slot: number, look: Look): boolean {
    if (this.looks[slot] === look) return false
    this.looks[slot] = look
    this.place(slot)
    if (look !== 'whole') NOWHERE.toArray(this.matrices.array, 16 * slot)
    if (look === 'gone') this.edgePlace.array.fill(1e7, 4 * slot, 4 * slot + 3)
    this.paint(slot, false)
    return true
  }

  /** Whether something that a hand can take is drawn in a slot. */
  isWhole(slot: number): boolean {
    return !!this.chunks[slot] && this.looks[slot] === 'whole'
  }

  /** Tells where what stands in a slot is known, so that it hears when it moves to another. */
  own(slot: Slot) {
    this.owners[slot.index] = slot
  }

  /** The last slot's takes its place, so that nothing is drawn in vain. */
  remove(slot: number) {
    const last = --this.end
    this.count--
    if (slot !== last) {
      for (const a of this.columns()) a.array.copyWithin(slot * a.itemSize, last * a.itemSize, (last + 1) * a.itemSize)
      this.chunks[slot] = this.chunks[last]
      this.rows[slot] = this.rows[last]!
      this.looks[slot] = this.looks[last]!
      this.bases[slot] = this.bases[last]!
      const owner = this.owners[last]!
      this.owners[slot] = owner
      owner.index = slot
    }
    this.chunks[last] = undefined
    this.touch(...this.columns())
  }

  private columns(): InstancedBufferAttribute[] {
    return [this.matrices, this.tints, this.edgePlace, this.edgeTurn, this.edgeTint, this.wear, this.glowing]
  }

  paint(slot: number, isSelected: boolean) {
    ;(isSelected ? SELECTED : this.bases[slot]!).toArray(this.tints.array, 3 * slot)
    ;(isSelected ? PLUM : this.looks[slot] === 'ghost' ? FAINT : INK).toArray(this.edgeTint.array, 3 * slot)
    this.touch(this.tints, this.edgeTint)
  }

  matrix(slot: number, into: Matrix4): Matrix4 {
    return into.fromArray(this.matrices.array, 16 * slot)
  }

  private touch(...attributes: InstancedBufferAttribute[]) {
    for (const a of attributes) a.needsUpdate = true
    for (const m of this.meshes) m.count = this.end
    if (this.lines) (this.lines.geometry as InstancedBufferGeometry).instanceCount = this.end
  }

  private grow(capacity: number) {
    const grown = (a: InstancedBufferAttribute) => {
      const array = new Float32Array(capacity * a.itemSize)
      array.set(a.array)
      return new InstancedBufferAttribute(array, a.itemSize)
    }
    this.capacity = capacity
    this.matrices = grown(this.matrices)
    this.tints = grown(this.tints)
    this.edgePlace = grown(this.edgePlace)
    this.edgeTurn = grown(this.edgeTurn)
    this.edgeTint = grown(this.edgeTint)
    this.wear = grown(this.wear)
    this.glowing = grown(this.glowing)
    this.dispose()
    this.meshes = this.parts.map((part) => {
      const mesh = new InstancedMesh(this.instanced(part.geometry), this.material(part.swatch), 0)
      mesh.instanceMatrix = this.matrices
      mesh.instanceColor = this.tints
      mesh.frustumCulled = false
      mesh.receiveShadow = true
      // Glass lets the sun through.
      Object.defineProperty(mesh, 'castShadow', { get: () => !((mesh.material as Material).userData.passes > 0.3) })
      this.group.add(mesh)
      return mesh
    })
    const geometry = new InstancedBufferGeometry()
    geometry.setAttribute('position', this.edges.getAttribute('position'))
    geometry.setAttribute('place', this.edgePlace)
    geometry.setAttribute('turn', this.edgeTurn)
    geometry.setAttribute('tint', this.edgeTint)
    this.lines = new LineSegments(geometry, this.line)
    this.lines.frustumCulled = false
    this.group.add(this.lines)
    this.visible = this.shown
  }

  /** The same surface with how much each of its placements glows, and wears. */
  private instanced(geometry: BufferGeometry): BufferGeometry {
    const own = new BufferGeometry().copy(geometry)
    for (const [name, attribute] of Object.entries(geometry.attributes)) own.setAttribute(name, attribute)
    own.setIndex(geometry.getIndex())
    own.setAttribute(GLOWING, this.glowing)
    return this.isWorn ? own.setAttribute(WORN, this.wear) : own
  }

  /** @param share of what its finishes say */
  glow(slot: number, share: number) {
    if (this.glowing.getX(slot) === share) return
    this.glowing.setX(slot, share)
    this.touch(this.glowing)
  }

  /** What is glass is drawn from the farthest to the nearest. */
  sortFrom(eye: Vector3) {
    for (const mesh of this.meshes) {
      if (!isGlass(mesh)) {
        if (mesh.instanceMatrix !== this.matrices) this.unsort(mesh)
        continue
      }
      const order = this.byDistance(eye)
      mesh.instanceMatrix = sorted(mesh.instanceMatrix === this.matrices ? undefined : mesh.instanceMatrix, this.matrices, order)
      mesh.instanceColor = sorted(mesh.instanceColor === this.tints ? undefined : mesh.instanceColor!, this.tints, order)
      const glowing = mesh.geometry.getAttribute(GLOWING) as InstancedBufferAttribute
      mesh.geometry.setAttribute(GLOWING, sorted(glowing === this.glowing ? undefined : glowing, this.glowing, order))
      // Nearer glass lies over glass that is farther away.
      mesh.renderOrder = 1 + 1 / (1 + this.nearest)
      this.tint(mesh)
    }
  }

  private nearest = 0

  private byDistance(eye: Vector3): number[] {
    const far = new Float32Array(this.end)
    const m = this.matrices.array
    for (let i = 0; i < this.end; i++) far[i] = (m[16 * i + 12]! - eye.x) ** 2 + (m[16 * i + 13]! - eye.y) ** 2 + (m[16 * i + 14]! - eye.z) ** 2
    const order = Array.from({ length: this.end }, (_, i) => i).sort((a, b) => far[b]! - far[a]!)
    this.nearest = order.length ? Math.sqrt(far[order[order.length - 1]!]!) : 0
    return order
  }

  private unsort(mesh: InstancedMesh) {
    mesh.instanceMatrix = this.matrices
    mesh.instanceColor = this.tints
    mesh.geometry.setAttribute(GLOWING, this.glowing)
    mesh.renderOrder = 0
    this.tinting.get(mesh)?.removeFromParent()
    this.tinting.delete(mesh)
  }

  private tint(mesh: InstancedMesh) {
    const of = mesh.material as Material
    let tinting = this.tinting.get(mesh)
    if (!of.userData.tint) {
      tinting?.removeFromParent()
      this.tinting.delete(mesh)
      return
    }
    if (!tinting) {
      tinting = new InstancedMesh(mesh.geometry, tintMaterial(of), 0)
      tinting.frustumCulled = false
      this.group.add(tinting)
      this.tinting.set(mesh, tinting)
    }
    tinting.material = tintMaterial(of)
    tinting.instanceMatrix = mesh.instanceMatrix
    tinting.count = this.end
    tinting.visible = this.shown
    tinting.renderOrder = mesh.renderOrder - 1e-6
  }

  /** Takes up what its parts are made of now. */
  redress() {
    this.meshes.forEach((mesh, i) => (mesh.material = this.material(this.parts[i]!.swatch)))
  }

  /** Whether it is drawn at all. */
  set visible(on: boolean) {
    this.shown = on
    for (const m of this.meshes) m.visible = on
    for (const m of this.tinting.values()) m.visible = on
    if (this.lines) this.lines.visible = on
  }

  get visible() {
    return this.shown
  }

  dispose() {
    for (const m of this.meshes) {
      m.removeFromParent()
      letGo(m.geometry)
      m.dispose()
    }
    for (const m of this.tinting.values()) m.removeFromParent()
    this.tinting.clear()
    this.meshes = []
    this.lines?.removeFromParent()
    this.lines?.geometry.dispose()
    this.lines = undefined
  }
}

/** Gives back what a batch's copy of a surface has of its own; the surface itself is others' too. */
function letGo(copy: BufferGeometry) {
  for (const name of Object.keys(copy.attributes)) if (name !== GLOWING && name !== WORN) copy.deleteAttribute(name)
  copy.setIndex(null)
  copy.dispose()
}

/** Instances in another order. @param into what they were written to before */
function sorted(into: InstancedBufferAttribute | undefined, from: InstancedBufferAttribute, order: readonly number[]): InstancedBufferAttribute {
  const of = from.itemSize
  const to = into && into.array.length === from.array.length ? into : new InstancedBufferAttribute(new Float32Array(from.array.length), of)
  order.forEach((at, i) => to.array.set(from.array.subarray(at * of, (at + 1) * of), i * of))
  to.needsUpdate = true
  return to
}

/** The standing set as batches by piece. Another set is taken up by its differences; selecting only paints. */
export class Batches {
  private readonly batches = new Map<string, Batch>()
  private readonly shown = new Map<string, { chunk: Chunk; slots: Slot[] }>()
  private selection: ReadonlySet<string> = new Set()
  private look?: (id: string) => Look
  private wear = unworn
  private far?: Far
  private hasFar = false

  constructor(
    private readonly group: Group,
    private readonly material: (swatch: string, finishing: Finishing) => Material,
    private readonly line: ShaderMaterial,
  ) {}

  get instances() {
    let n = 0
    for (const b of this.batches.values()) n += b.instances
    return n
  }

  /** How many placements are drawn worn. */
  get worn() {
    let n = 0
    for (const b of this.batches.values()) if (b.isWorn) n += b.count
    return n
  }

  all() {
    return this.batches.values()
  }

  /** @param look how each is drawn; absent: whole */
  show(set: StandingSet, shapes: Shapes, reshaped: ReadonlySet<number>, look?: (id: string) => Look, wear: Wear = unworn, far?: Far): boolean {
    this.far = far

    let changed = look !== this.look && this.veil(look)
    this.look = look
    const worn = this.wear
    this.wear = wear
    const redressed = (name: string) => wear !== worn && (wear.colours !== worn.colours || wear.looks.has(name) || worn.looks.has(name))
    for (const [name, { chunk }] of [...this.shown]) {
      if (set.chunks.get(name) !== chunk || redressed(name) || [...this.drawn(name, chunk)].some((p) => reshaped.has(p))) {
        this.take(name)
        changed = true
      }
    }
    this.clear(reshaped)
    for (const [name, chunk] of set.chunks) {
      if (!this.shown.has(name)) {
        this.put(name, chunk, shapes)
        changed = true
      }
    }
    return this.rebox(shapes) || changed
  }

  /** Takes up what is far away now. @returns whether that is a change */
  lookFrom(shapes: Shapes, far: Far | undefined): boolean {
    this.far = far
    return this.rebox(shapes)
  }

  private rebox(shapes: Shapes): boolean {
    if (!this.far && !this.hasFar) return false
    this.hasFar = !!this.far
    let changed = false
    for (const [name, { chunk, slots }] of this.shown)
      slots.forEach((slot, row) => {
        const shape = shapes.get(this.guise(name, chunk, row).pieceId)
        if (!shape || slot.far === !!this.boxFor(shape.shape, chunk, row)) return
        slot.batch.remove(slot.index)
        slots[row] = this.stand(name, chunk, row, shape)
        slots[row].batch.paint(slots[row].index, this.selection.has(idOf(chunk, row)))
        changed = true
      })
    if (changed) this.clear(new Set())
    return changed
  }

  /** Lets go of batches that nothing stands in any more, or whose piece has another shape. */
  private clear(reshaped: ReadonlySet<number>) {
    for (const [key, batch] of [...this.batches]) {
      if (reshaped.has(Number(key.split('/')[0])) || batch.count === 0) {
        batch.dispose()
        this.batches.delete(key)
      }
    }
  }

  private boxFor(shape: Shape, chunk: Chunk, row: number): Shape | undefined {
    const box = this.far?.boxOf(shape)
    return box && this.far!.isFar(chunk.x[row]!, chunk.y[row]!, chunk.z[row]!) ? box : undefined
  }

  /** What a row is drawn as. */
  private guise(name: string, chunk: Chunk, row: number): Guise {
    return this.wear.all[this.wear.looks.get(name)?.[row] ?? -1] ?? { pieceId: pieceIdOf(chunk, row), tint: '', wear: 0, onFloor: false, colourwayId: 0 }
  }

  private stand(name: string, chunk: Chunk, row: number, { shape, worn }: Shaped): Slot {
    const guise = this.guise(name, chunk, row)
    const box = this.boxFor(shape, chunk, row)
    const batch = this.batch(guise, box ? { shape: box } : worn && guise.wear > 0 ? { shape, worn } : { shape }, isMirrored(chunk, row), !!box)
    const slot = { batch, index: batch.add(chunk, row, this.look?.(idOf(chunk, row)) ?? 'whole', this.colour(guise.pieceId, guise.tint), guise), far: !!box }
    batch.own(slot)
    batch.glow(slot.index, this.dimmed.get(idOf(chunk, row)) ?? 1)
    return slot
  }

  /** The pieces that are drawn for a chunk. */
  private drawn(name: string, chunk: Chunk): Iterable<number> {
    return this.wear.looks.has(name) ? [...chunk.palette, ...this.wear.all.map((l) => l.pieceId)] : chunk.palette
  }

  /** Draws what is shown otherwise. @returns whether that is a change */
  private veil(look: ((id: string) => Look) | undefined): boolean {
    let changed = false
    for (const { chunk, slots } of this.shown.values())
      slots.forEach((slot, row) => {
        if (slot.batch.setLook(slot.index, look?.(idOf(chunk, row)) ?? 'whole')) changed = true
      })
    return changed
  }

  private take(name: string) {
    for (const slot of this.shown.get(name)!.slots) slot?.batch.remove(slot.index)
    this.shown.delete(name)
  }

  private put(name: string, chunk: Chunk, shapes: Shapes) {
    const slots: Slot[] = []
    for (let row = 0; row < chunk.count; row++) {
      const shape = shapes.get(this.guise(name, chunk, row).pieceId)
      if (shape) slots[row] = this.stand(name, chunk, row, shape)
    }
    this.shown.set(name, { chunk, slots })
  }

  private colour(pieceId: number, tint: string): Color {
    return this.wear.colours?.(pieceId, tint) ?? tintOf(tint)
  }

  private batch({ pieceId, colourwayId }: Guise, { shape, worn }: Shaped, mirrored: boolean, far: boolean): Batch {
    const key = `${pieceId}/${mirrored}/${far}/${colourwayId}/${!!worn}`
    let batch = this.batches.get(key)
    if (!batch) {
      const drawn = worn?.shape ?? shape
      const material = (swatch: string) => this.material(swatch, { colourwayId, mask: worn?.mask })
      const { parts, edges } = mirrored ? drawn.mirrored : drawn
      batch = new Batch(this.group, parts, edges, material, this.line, !!worn)
      this.batches.set(key, batch)
    }
    return batch
  }

  redress() {
    for (const b of this.batches.values()) b.redress()
  }

  /** Before a picture is drawn from here. */
  sortFrom(eye: Vector3) {
    for (const b of this.batches.values()) if (b.visible) b.sortFrom(eye)
  }

  private dimmed: ReadonlyMap<string, number> = new Map()

  /** What does not glow as its finishes say, by its id: how much of that it does. */
  glow(dimmed: ReadonlyMap<string, number>, set: StandingSet) {
    if (dimmed === this.dimmed) return
    for (const id of this.dimmed.keys()) if (!dimmed.has(id)) this.glowOf(id, set, 1)
    for (const [id, share] of dimmed) this.glowOf(id, set, share)
    this.dimmed = dimmed
  }

  private glowOf(id: string, set: StandingSet, share: number) {
    const at = set.locate(id)
    const slot = at && this.shown.get(at.chunk.name)?.slots[at.row]
    slot?.batch.glow(slot.index, share)
  }

  /** Draws all but these pieces. @returns whether that is a change */
  hide(pieces: ReadonlySet<number>): boolean {
    let changed = false
    for (const [key, batch] of this.batches) {
      const on = !pieces.has(Number(key.split('/')[0]))
      changed ||= batch.visible !== on
      if (batch.visible !== on) batch.visible = on
    }
    return changed
  }

  /** Paints what is selected now, and unpaints what was. */
  select(selection: ReadonlySet<string>, set: StandingSet, repaint: boolean) {
    if (selection === this.selection && !repaint) return
    for (const id of this.selection) if (!selection.has(id)) this.paint(id, set, false)
    for (const id of selection) this.paint(id, set, true)
    this.selection = selection
  }

  private paint(id: string, set: StandingSet, on: boolean) {
    const at = set.locate(id)
    const slot = at && this.shown.get(at.chunk.name)?.slots[at.row]
    slot?.batch.paint(slot.index, on)
  }

  dispose() {
    for (const b of this.batches.values()) b.dispose()
    this.batches.clear()
    this.shown.clear()
  }
}
