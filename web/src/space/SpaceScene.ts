import {
  Box3,
  Box3Helper,
  BufferGeometry,
  Color,
  Float32BufferAttribute,
  Group,
  LineBasicMaterial,
  LineSegments,
  Material,
  Matrix4,
  type MeshLambertMaterial,
  MOUSE,
  PerspectiveCamera,
  Plane,
  Raycaster,
  Scene,
  Vector2,
  Vector3,
} from 'three'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'
import type { BoxMm, LightView, VecMm } from '../api/client'
import type { Field } from '../light/field'
import type { Lamps } from './lit'
import { idOf, type StandingSet } from '../site/standing'
import { brick, hairline, paper, verdigris } from '../styles/theme'
import type { Look } from '../ticket/seeing'
import { Batches, type Batch, type Far, type Shaped, type Wear } from './Batches'
import { Coats, type Against, type CoatLook, type Finishing } from './Coats'
import { Daylight } from './Daylight'
import type { Instead } from '../ticket/seeing'
import { newDrawing } from './Drawing'
import { BlockOut } from './BlockOut'
import { LightField } from './LightField'
import { Sky } from './Sky'
import { Ghosts, type Ghost } from './Ghosts'
import { figureMesh } from '../parts/figure'
import { loadShape, type Shape } from '../shapes/geometry'
import { cut, edgeMaterial, paperMaterial } from './materials'
import { LayingGroup, type LayingMarks } from './LayingGroup'
import { Picking } from './Picking'
import type { View } from './walk'

/** What to show: plain data; the scene keeps the meshes to itself. */
export interface Description {
  pieces: { id: number; url: string; version: string; count: number; worn: { url: string; mask: string } }[]
  /** Whether what has many triangles is drawn as its box; absent: where the whole set has too many. */
  boxes?: boolean
  set: StandingSet
  /** What is shown in place of pieces while nothing is built. */
  blocks: readonly BoxMm[]
  selection: ReadonlySet<string>
  /** Height at which the set is cut open, millimetres; absent: whole. */
  cutMm?: number
  /** Nothing below this height is shown, millimetres. */
  lowMm?: number
  /** Pieces that are out of the way. */
  hidden: ReadonlySet<number>
  /** How each placement is drawn; absent: whole. */
  look?: (id: string) => Look
  /** Which look each has whose piece has several; absent: none has. */
  wear?: Wear
  /** Whether pieces are drawn in their finishes, not in paper. */
  finished: boolean
  coats: readonly CoatLook[] | undefined
  /** Squares in place of finishes. */
  instead: Instead | undefined
  against: Against | undefined
  /** Heavy pieces further from the camera are boxes; absent: none is. */
  boxesBeyondMm?: number
  /** Absent: even light. */
  light?: LightView
  /** What bounces about the set in it, and its lamps, once they are known. */
  field?: Field
  lamps?: Lamps
  /** Whether the mood's contrast, saturation and corners are seen. */
  graded: boolean
  /** Whether colours tell how bright it is. */
  falseColour: boolean
  /** Whether sky and ground are seen beyond the set. */
  sky: boolean
  finding?: BoxMm
  /** The run that is chosen. */
  run?: BoxMm
  extent?: BoxMm
  figureMm: VecMm
}

const NONE_DIMMED: ReadonlyMap<string, number> = new Map()
const UP = new Vector3(0, 0, 1)
/** What has more triangles than this is heavy; with more in all than that, what is heavy is drawn as boxes. */
const HEAVY = 300
/** The camera is at rest once it has not moved for so long. */
const REST_MS = 150
const MOST_TRIANGLES = 10_000_000

/** The set in three dimensions. It draws only when something has changed. */
export class SpaceScene {
  readonly canvas: HTMLCanvasElement
  private readonly drawing = newDrawing({ clips: true, shadows: true })
  private readonly scene = new Scene()
  private readonly camera = new PerspectiveCamera(45, 1, 0.05, 5000)
  private readonly controls: OrbitControls
  private readonly set = new Group()
  private readonly ghosts = new Ghosts()
  private readonly marks = new Group()
  private readonly laying = new LayingGroup()
  private readonly ground = new Group()
  private readonly figure = figureMesh()
  private readonly shapes = new Map<number, Shaped & { version: string }>()
  private readonly papers = new Map<string, MeshLambertMaterial>()
  private readonly coats = new Coats(() => this.draw())
  private finished = false
  private readonly ink = edgeMaterial()
  private readonly batches = new Batches(this.set, (swatch, finishing) => this.surface(swatch, finishing), this.ink)
  private readonly blockOut = new BlockOut(this.paper('plaster'), [cut.plane, cut.base])
  private readonly daylight = new Daylight()
  private readonly sky = new Sky()
  private readonly lightField = new LightField()
  private drawn = { calls: 0, triangles: 0 }
  private readonly picking = new Picking(this.batches)
  private due = 0
  private extent = new Box3(new Vector3(0, 0, 0), new Vector3(5, 5, 3))

  /** @param onDraw called after each drawing */
  constructor(
    container: HTMLElement,
    private readonly onDraw: (scene: SpaceScene) => void,
  ) {
    this.canvas = this.drawing.canvas
    container.appendChild(this.canvas)
    this.scene.background = new Color(paper)
    this.camera.up.copy(UP)
    this.scene.add(
      this.sky.mesh,
      this.daylight.group,
      this.ground,
      this.set,
      this.ghosts.group,
      this.marks,
      this.laying.group,
      this.figure,
      this.blockOut.group,
    )
    this.controls = new OrbitControls(this.camera, this.canvas)
    this.controls.zoomToCursor = true
    // Never below the ground unasked.
    this.controls.maxPolarAngle = Math.PI / 2 - 0.01
    this.controls.mouseButtons = { LEFT: null, MIDDLE: MOUSE.PAN, RIGHT: MOUSE.ROTATE }
    this.controls.addEventListener('change', () => this.draw())
    this.controls.addEventListener('change', () => this.soon())
    this.resize()
  }

  private resting?: ReturnType<typeof setTimeout>

  private soon() {
    clearTimeout(this.resting)
    this.resting = setTimeout(() => this.lookFromHere(), REST_MS)
  }

  dispose() {
    clearTimeout(this.resting)
    cancelAnimationFrame(this.due)
    this.controls.dispose()
    this.batches.dispose()
    this.coats.dispose()
    this.blockOut.dispose()
    this.daylight.dispose()
    this.sky.dispose()
    this.lightField.dispose()
    this.ghosts.dispose()
    this.drawing.dispose()
  }

  /** While Space is held, the left button pans. */
  panWithLeft(on: boolean) {
    this.controls.mouseButtons.LEFT = on ? MOUSE.PAN : null
  }

  resize() {
    const { clientWidth: w, clientHeight: h } = this.canvas.parentElement!
    if (w === 0 || h === 0) return
    this.drawing.resize(w, h)
    this.camera.aspect = w / h
    this.camera.updateProjectionMatrix()
    this.draw()
  }

  draw() {
    if (this.due) return
    this.due = requestAnimationFrame(() => {
      this.due = 0
      this.batches.sortFrom(this.camera.position)
      this.drawn = this.drawing.render(this.scene, this.camera, true)
      this.onDraw(this)
    })
  }

  get drawCalls() {
    return this.drawn.calls
  }

  get triangles() {
    return this.drawn.triangles
  }

  get instances() {
    return this.batches.instances
  }

  /** Takes a point of the site to the canvas: column by column, metres to clip space. */
  get viewProjection(): number[] {
    return new Matrix4().multiplyMatrices(this.camera.projectionMatrix, this.camera.matrixWorldInverse).elements.slice()
  }

  /** The last that was shown; what was asked for before it is dropped. */
  private wanted?: Description

  async show(d: Description) {
    this.wanted = d
    const reshaped = await this.fetchShapes(d.pieces, new Set(d.wear?.all.filter((g) => g.wear > 0).map((g) => g.pieceId)))
    if (this.wanted !== d) {
      reshaped.forEach((id) => this.reshaped.add(id))
      return
    }
    this.reshaped.forEach((id) => reshaped.add(id))
    this.reshaped.clear()
    this.cutAt(d.cutMm, d.lowMm)
    this.finish(d)
    this.box(d, reshaped)
    const changed = this.batches.show(d.set, this.boxed ? this.asBoxes() : this.shapes, reshaped, d.look, d.wear, this.far(d.boxesBeyondMm))
    if (changed) this.picking.forget()
    const blocked = this.blockOut.show(d.blocks)
    const hid = this.batches.hide(d.hidden)
    if (hid) this.picking.forget()
    this.batches.select(d.selection, d.set, changed)
    this.batches.glow(d.lamps?.dim ?? NONE_DIMMED, d.set)
    this.marks.clear()
    if (d.finding) this.marks.add(new Box3Helper(toBox(d.finding).expandByScalar(0.02), new Color(brick)))
    if (d.run) this.marks.add(new Box3Helper(toBox(d.run).expandByScalar(0.03), new Color(verdigris)))
    this.figure.position.copy(metres(d.figureMm))
    this.layGround(d.extent)
    this.shine(d, changed || blocked || hid)
    this.draw()
  }

  /** Whether what is heavy is drawn as boxes now. */
  boxed = false

  private box(d: Description, reshaped: Set<number>) {
    const weigh = (p: { id: number; count: number }) => p.count * this.shapes.get(p.id)!.shape.triangles
    const boxed = d.boxes ?? d.pieces.reduce((n, p) => n + weigh(p), 0) > MOST_TRIANGLES
    if (boxed !== this.boxed) for (const [id, s] of this.shapes) if (s.shape.triangles > HEAVY) reshaped.add(id)
    this.boxed = boxed
  }

  private static boxOf(shape: Shape): Shape | undefined {
    return shape.triangles > HEAVY ? shape.box : undefined
  }

  private asBoxes(): ReadonlyMap<number, Shaped> {
    return new Map([...this.shapes].map(([id, s]) => [id, { shape: SpaceScene.boxOf(s.shape) ?? s.shape }]))
  }

  /** What lies beyond a distance from the camera; all the same from near if there is none. */
  private far(beyondMm: number | undefined): Far | undefined {
    if (!beyondMm || this.boxed) return undefined
    const p = this.camera.position
    const reach = (beyondMm / 1000) ** 2
    return { isFar: (x, y, z) => (x / 1e6 - p.x) ** 2 + (y / 1e6 - p.y) ** 2 + (z / 1e6 - p.z) ** 2 > reach, boxOf: (shape) => SpaceScene.boxOf(shape) }
  }

  /** After the camera has come to rest. */
  private lookFromHere() {
    const beyond = this.wanted?.boxesBeyondMm
    if (!beyond || this.boxed) return
    if (this.batches.lookFrom(this.shapes, this.far(beyond))) {
      this.picking.forget()
      this.draw()
    }
  }

  /** Pieces whose shape has changed since the set was drawn last. */
  private readonly reshaped = new Set<number>()

  /** @param worn pieces that are needed with their second UVs too */
  private async fetchShapes(pieces: Description['pieces'], worn: ReadonlySet<number>): Promise<Set<number>> {
    const fresh = new Set<number>()
    await Promise.all(
      pieces.map(async (p) => {
        const known = this.shapes.get(p.id)
        const isKnown = known?.version === p.version
        if (isKnown && (known.worn || !worn.has(p.id))) return
        const shape = isKnown ? known.shape : await loadShape(p.url)
        this.shapes.set(p.id, { version: p.version, shape, worn: worn.has(p.id) ? { shape: await loadShape(p.worn.url), mask: p.worn.mask } : undefined })
        fresh.add(p.id)
      }),
    )
    return fresh
  }

  shape(pieceId: number): Shape | undefined {
    return this.shapes.get(pieceId)?.shape
  }

  private light?: LightView
  private lit = ''

  /** Shadows are cast anew only when what casts them has changed. */
  private shine(d: Description, changed: boolean) {
    this.sky.show(d.sky, d.light)
    if (d.finished) this.mirror(d.light)
    this.lightField.show(d.light, d.field, d.lamps)
    this.drawing.seeBy(d.light, d.sky, d, this.daylight.first)
    const lit = [d.finished, d.blocks.length > 0, ...this.extent.min.toArray(), ...this.extent.max.toArray(), this.coats.passing].join()
    if (!changed && d.light === this.light && lit === this.lit) return
    this.light = d.light
    this.lit = lit
    if (this.daylight.shine(d.light, this.extent, d.finished && !d.blocks.length, d.finished ? 'finishes' : 'paper')) this.drawing.castAnew()
  }

  private mirrored?: { light: LightView | undefined }

  /** What finishes mirror: the mood's sky, or a plain room of daylight in even light. */
  private mirror(light: LightView | undefined) {
    if (this.mirrored && this.mirrored.light === light) return
    this.mirrored = { light }
    this.scene.environment?.dispose()
    const isSeenBy = !!light && !light.even
    this.scene.environment = this.drawing.outside(isSeenBy ? this.sky.alone(light) : undefined)
    this.scene.environmentIntensity = isSeenBy ? 1 : 0.6
  }

  private cutAt(mm: number | undefined, lowMm: number | undefined) {
    const height = mm === undefined ? 1e6 : mm / 1000
    cut.plane.constant = height
    cut.height.value = height
    cut.open.value = mm === undefined ? 0 : 1
    const low = lowMm === undefined ? -1e6 : lowMm / 1000
    cut.base.constant = -low
    cut.low.value = low
  }

  private paper(swatch: string): Material {
    const known = this.papers.get(swatch)
    if (known) return known
    const made = paperMaterial(swatch)
    this.papers.set(swatch, made)
    return made
  }

  private surface(swatch: string, finishing: Finishing): Material {
    return this.finished ? this.coats.material(swatch, finishing) : this.paper(swatch)
  }

  /** What is drawn in paper is drawn in its finishes, or the other way round; finishes mirror what is outside. */
  private finish({ finished: on, coats, instead, against }: Description) {
    this.coats.show(coats, instead, against)
    if (this.finished === on) return
    this.finished = on
    this.daylight.shineOn(on ? 'finishes' : 'paper')
    // Selected edges stay.
    this.ink.uniforms.inked!.value = on ? 0 : 1
    this.drawing.inked = !on
    this.ground.visible = !on
    cut.hatch.value = on ? 0 : 1
    this.batches.redress()
  }

  /** The sheets that are drawn. */
  get coatsShown() {
    return this.finished ? this.coats.shown : ''
  }

  get worn() {
    return this.batches.worn
  }

  get isFinished() {
    return this.finished
  }

  private clear(group: Group) {
    group.children.forEach((child) => {
      if (child instanceof LineSegments) (child.geometry as BufferGeometry).dispose()
    })
    group.clear()
  }

  /** A ground grid of metres under the set and a little beyond. */
  private layGround(extent: BoxMm | undefined) {
    const box = extent ? toBox(extent) : new Box3(new Vector3(0, 0, 0), new Vector3(6, 5, 3))
    if (this.ground.children.length && box.equals(this.extent)) return
    this.extent = box
    this.clear(this.ground)
    const lines: number[] = []
    const [x0, x1, y0, y1] = [Math.floor(box.min.x - 2), Math.ceil(box.max.x + 2), Math.floor(box.min.y - 2), Math.ceil(box.max.y + 2)]
    const every = Math.max(1, Math.ceil(Math.max(x1 - x0, y1 - y0) / 200))
    for (let x = x0; x <= x1; x += every) lines.push(x, y0, -0.005, x, y1, -0.005)
    for (let y = y0; y <= y1; y += every) lines.push(x0, y, -0.005, x1, y, -0.005)
    const geometry = new BufferGeometry()
    geometry.setAttribute('position', new Float32BufferAttribute(lines, 3))
    this.ground.add(new LineSegments(geometry, new LineBasicMaterial({ color: hairline, depthWrite: false })))
  }

  /** What is held, where it would come to stand. */
  showGhosts(ghosts: readonly Ghost[]) {
    this.ghosts.show(ghosts, (id) => this.shapes.get(id)?.shape)
    this.draw()
  }

  /** Moves and turns what is held as one body, from where it was shown. */
  carryGhosts(byMm: VecMm, degrees: number, aboutMm: VecMm) {
    this.ghosts.carry(byMm, degrees, aboutMm)
    this.draw()
  }

  /** Frames a box, from the south-west and above, or from where the camera is. */
  look(at: BoxMm, keepDirection: boolean) {
    const box = toBox(at)
    const centre = box.getCenter(new Vector3())
    const direction = keepDirection ? this.camera.position.clone().sub(this.controls.target).normalize() : new Vector3(-0.55, -0.75, 0.75).normalize()
    this.camera.position.copy(centre).add(direction)
    this.camera.lookAt(centre)
    this.camera.updateMatrixWorld()
    // As near as every corner allows, seen from this direction, with a margin.
    const up = Math.tan((this.camera.fov * Math.PI) / 360) * 0.94
    const aside = up * this.camera.aspect
    const turned = new Matrix4().extractRotation(this.camera.matrixWorldInverse)
    const frame = [Infinity, -Infinity, Infinity, -Infinity]
    const corners = [0, 1, 2, 3, 4, 5, 6, 7].map((i) =>
      new Vector3(i & 1 ? box.max.x : box.min.x, i & 2 ? box.max.y : box.min.y, i & 4 ? box.max.z : box.min.z).sub(centre).applyMatrix4(turned),
    )
    let distance = 0.8
    for (const c of corners) distance = Math.max(distance, c.z + Math.abs(c.x) / aside, c.z + Math.abs(c.y) / up)
    // The nearest corners make the picture lopsided: aim at the middle of what is seen, then come as near as that allows.
    for (const c of corners) {
      const depth = distance - c.z
      frame[0] = Math.min(frame[0]!, c.x / depth)
      frame[1] = Math.max(frame[1]!, c.x / depth)
      frame[2] = Math.min(frame[2]!, c.y / depth)
      frame[3] = Math.max(frame[3]!, c.y / depth)
    }
    const shift = new Vector3(((frame[0]! + frame[1]!) / 2) * distance, ((frame[2]! + frame[3]!) / 2) * distance, 0)
    let near = 0.8
    for (const c of corners) near = Math.max(near, c.z + Math.abs(c.x - shift.x) / aside, c.z + Math.abs(c.y - shift.y) / up)
    const target = centre.clone().add(shift.applyMatrix4(turned.clone().transpose()))
    this.controls.target.copy(target)
    this.camera.position.copy(target).addScaledVector(direction, Math.max(1, near))
    this.controls.update()
    this.draw()
  }

  /** Looks from a place as someone standing there does; the figure itself is out of sight. */
  walk(view: View) {
    this.controls.enabled = false
    this.figure.visible = false
    const [b, p] = [(view.bearing * Math.PI) / 180, (view.pitch * Math.PI) / 180]
    this.camera.fov = 60
    this.camera.updateProjectionMatrix()
    this.camera.position.copy(metres(view.eye))
    this.camera.lookAt(this.camera.position.clone().add(new Vector3(Math.cos(b) * Math.cos(p), Math.sin(b) * Math.cos(p), Math.sin(p))))
    this.draw()
  }

  /** Looks from outside again. */
  endWalk() {
    this.controls.enabled = true
    this.figure.visible = true
    this.camera.fov = 45
    this.camera.updateProjectionMatrix()
  }

  private ray(x: number, y: number): Raycaster {
    const { clientWidth: w, clientHeight: h } = this.canvas
    const ray = new Raycaster()
    ray.setFromCamera(new Vector2((x / w) * 2 - 1, 1 - (y / h) * 2), this.camera)
    return ray
  }

  /** The placement under a pixel of the canvas, and the point of its surface, or of the ground, that was hit. */
  pick(x: number, y: number, takes: (id: string) => boolean = () => true): { id?: string; atMm?: VecMm } {
    const ray = this.ray(x, y)
    const nameOf = (e: { batch: Batch; index: number }) => idOf(e.batch.chunks[e.index]!, e.batch.rows[e.index]!)
    const hit = this.picking.first(ray.ray, cut.height.value, (e) => takes(nameOf(e)))
    if (hit) return { id: nameOf(hit), atMm: millimetres(hit.at) }
    const ground = ray.ray.intersectPlane(new Plane(UP, 0), new Vector3())
    return ground ? { atMm: millimetres(ground) } : {}
  }

  /** How bright the picture is at a pixel of the canvas, before it is brought to the screen. */
  brightness(x: number, y: number): number | undefined {
    const { clientWidth: w, clientHeight: h } = this.canvas
    return this.drawing.brightness(x / w, y / h)
  }

  /** All placements under a pixel of the canvas, the nearest first, at most so many. */
  under(x: number, y: number, takes: (id: string) => boolean, most: number): string[] {
    const found = new Set<string>()
    while (found.size < most) {
      const { id } = this.pick(x, y, (other) => takes(other) && !found.has(other))
      if (id === undefined) break
      found.add(id)
    }
    return [...found]
  }

  /** The point at a height under a pixel of the canvas. */
  onPlane(x: number, y: number, zMm: number): VecMm | undefined {
    const at = this.ray(x, y).ray.intersectPlane(new Plane(UP, -zMm / 1000), new Vector3())
    return at ? millimetres(at) : undefined
  }

  /** How far along an axis through a point a pixel of the canvas points: where its ray comes nearest to the axis. */
  onAxis(x: number, y: number, throughMm: VecMm, axis: VecMm): number {
    const { origin, direction } = this.ray(x, y).ray
    const along = new Vector3(axis.x, axis.y, axis.z)
    const apart = origin.clone().sub(metres(throughMm))
    const aslant = along.dot(direction)
    const rest = 1 - aslant * aslant
    return rest < 1e-6 ? 0 : ((apart.dot(along) - apart.dot(direction) * aslant) / rest) * 1000
  }

  /** The pixel of the canvas that a point of the site is seen at. */
  pixelOf(at: VecMm): { x: number; y: number } {
    const { clientWidth: w, clientHeight: h } = this.canvas
    const p = metres(at).project(this.camera)
    return { x: ((p.x + 1) / 2) * w, y: ((1 - p.y) / 2) * h }
  }

  /** A repeat that is laid or worked on. */
  showLaying(marks: LayingMarks) {
    this.laying.show(marks)
    this.draw()
  }

  /** The placements whose middle lies within a rectangle of the canvas. */
  within(x0: number, y0: number, x1: number, y1: number): string[] {
    const { clientWidth: w, clientHeight: h } = this.canvas
    const found: string[] = []
    const centre = new Vector3()
    const matrix = new Matrix4()
    for (const batch of this.batches.all()) {
      const extent = new Box3()
      for (const part of batch.parts) {
        part.geometry.computeBoundingBox()
        extent.union(part.geometry.boundingBox!)
      }
      for (let i = 0; i < batch.size; i++) {
        const chunk = batch.chunks[i]
        if (!chunk || !batch.isWhole(i)) continue
        extent.getCenter(centre).applyMatrix4(batch.matrix(i, matrix))
        if (centre.z > cut.height.value) continue
        centre.project(this.camera)
        const px = ((centre.x + 1) / 2) * w
        const py = ((1 - centre.y) / 2) * h
        if (centre.z < 1 && px >= x0 && px <= x1 && py >= y0 && py <= y1) found.push(idOf(chunk, batch.rows[i]!))
      }
    }
    return found
  }
}

const metres = (v: VecMm) => new Vector3(v.x / 1000, v.y / 1000, v.z / 1000)
const millimetres = (v: Vector3): VecMm => ({ x: v.x * 1000, y: v.y * 1000, z: v.z * 1000 })
const toBox = (b: BoxMm) => new Box3(metres(b.min), metres(b.max))
