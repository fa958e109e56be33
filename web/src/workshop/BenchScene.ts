import {
  BackSide,
  Box3,
  Box3Helper,
  BufferGeometry,
  Color,
  Float32BufferAttribute,
  FrontSide,
  Group,
  HemisphereLight,
  DirectionalLight,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  MOUSE,
  PerspectiveCamera,
  Raycaster,
  Scene,
  ShaderMaterial,
  Vector2,
  Vector3,
} from 'three'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'
import type { BoxMm } from '../api/client'
import { Coats, type Against, type CoatLook } from '../space/Coats'
import { Daylight } from '../space/Daylight'
import { newDrawing } from '../space/Drawing'
import { figureMesh } from '../parts/figure'
import { loadShape, type Shape } from '../shapes/geometry'
import { paperMaterial } from '../space/materials'
import type { Instead } from '../ticket/seeing'
import { brick, hairline, ink, paper, plum, verdigris } from '../styles/theme'

export type BenchLook = 'paper' | 'finished' | Instead | 'facing'

/** What to show: one piece, or several beside one another. */
export interface BenchSight {
  pieces: readonly { url: string; boxMm: BoxMm; xMm: number }[]
  look: BenchLook
  coats: readonly CoatLook[] | undefined
  against: Against | undefined
  /** What each copy of the part that is worked on takes. */
  chosenMm: readonly BoxMm[]
  /** Ends of edges that are not closed, x, y, z of each. */
  openMm: readonly number[]
}

/** The figure stands this far beside the piece, metres. */
const BESIDE = 0.35
const MOST_OUTLINED = 12
/** Where one looks from, off the middle of the piece. */
const WAYS = { front: [0, -1, 0], side: [1, 0, 0], top: [0, -0.001, 1], free: [-0.55, -0.9, 0.5] } as const
const hatch = new ShaderMaterial({
  side: BackSide,
  vertexShader: 'void main() { gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0); }',
  fragmentShader: `void main() {
    float band = step(0.5, fract((gl_FragCoord.x + gl_FragCoord.y) / 10.0));
    gl_FragColor = vec4(mix(vec3(0.905, 0.876, 0.818), vec3(0.485, 0.193, 0.007), band), 1.0);
    #include <colorspace_fragment>
  }`,
})
const fronts = new MeshLambertMaterial({ color: '#EFECE4', side: FrontSide })
const box3 = (b: BoxMm) => new Box3(new Vector3(b.min.x, b.min.y, b.min.z).divideScalar(1000), new Vector3(b.max.x, b.max.y, b.max.z).divideScalar(1000))
const corners = ({ min, max }: Box3) => [min.x, max.x].flatMap((x) => [min.y, max.y].flatMap((y) => [min.z, max.z].map((z) => new Vector3(x, y, z))))

/** A piece on the bench, beside the figure. It draws only when something has changed. */
export class BenchScene {
  readonly canvas: HTMLCanvasElement
  private readonly drawing = newDrawing({ antialias: true })
  private readonly scene = new Scene()
  private readonly camera = new PerspectiveCamera(35, 1, 0.02, 2000)
  private readonly controls: OrbitControls
  private readonly piece = new Group()
  private readonly marks = new Group()
  private readonly ground = new Group()
  private readonly figure = figureMesh()
  private readonly light = new Daylight()
  private readonly outside = new Group()
  private readonly coats = new Coats(() => this.draw(), false)
  private readonly papers = new Map<string, MeshLambertMaterial>()
  private readonly shapes = new Map<string, Shape>()
  private shown = ''
  /** The piece and the figure, as they were shown last. */
  private readonly stood = new Box3()
  private sight?: BenchSight
  private due = 0
  /** What the last drawing held, for those who look from outside. */
  drawn = { look: '', triangles: 0 }

  constructor(
    container: HTMLElement,
    private readonly onDraw: () => void,
  ) {
    this.canvas = this.drawing.canvas
    container.appendChild(this.canvas)
    this.scene.background = new Color(paper)
    this.camera.up.set(0, 0, 1)
    const sky = new HemisphereLight('#eaf1f6', '#cfc7b6', 0.9)
    sky.position.set(0, 0, 1)
    const sun = new DirectionalLight('#fff3de', 1.6)
    sun.position.set(-3, -5, 6)
    this.outside.add(sky, sun)
    this.light.shine(undefined, new Box3(), false, 'paper')
    this.scene.add(this.light.group, this.outside, this.ground, this.piece, this.marks, this.figure)
    this.controls = new OrbitControls(this.camera, this.canvas)
    this.controls.zoomToCursor = true
    this.controls.mouseButtons = { LEFT: MOUSE.ROTATE, MIDDLE: MOUSE.PAN, RIGHT: MOUSE.ROTATE }
    this.controls.addEventListener('change', () => this.draw())
    this.resize()
  }

  dispose() {
    cancelAnimationFrame(this.due)
    this.controls.dispose()
    this.coats.dispose()
    this.drawing.dispose()
  }

  resize() {
    const { clientWidth: w, clientHeight: h } = this.canvas.parentElement!
    if (!w || !h) return
    this.drawing.resize(w, h)
    this.camera.aspect = w / h
    this.camera.updateProjectionMatrix()
    this.draw()
  }

  async show(sight: BenchSight) {
    this.sight = sight
    const urls = sight.pieces.map((p) => p.url)
    const known = urls.map((u) => this.shapes.get(u) ?? loadShape(u))
    const shapes = await Promise.all(known)
    if (this.sight !== sight) return
    this.shapes.clear()
    urls.forEach((u, i) => this.shapes.set(u, shapes[i]!))
    const isFirst = !this.shown
    this.shown = urls.join()
    if (urls.length) this.stand(this.box())
    if (isFirst) this.frame()
    else this.keepInView()
    this.dress(sight)
    this.mark(sight)
    this.draw()
  }

  /** All pieces as they lie beside one another. */
  private box(): Box3 {
    const all = new Box3()
    for (const p of this.sight!.pieces) all.union(box3(p.boxMm).translate(new Vector3(p.xMm / 1000, 0, 0)))
    return all
  }

  /** Forgets how it was looked at: the next piece is framed. */
  forget() {
    this.shown = ''
  }

  /** The ground under the piece and the figure beside it. */
  private stand(box: Box3) {
    const floor = box.min.z
    this.figure.position.set(box.min.x - BESIDE - 0.2, box.min.y + 0.2, floor)
    this.ground.clear()
    const span = Math.ceil(Math.max(box.max.x - box.min.x, box.max.y - box.min.y, 1.5)) + 1
    const lines: number[] = []
    for (let i = -span; i <= span; i++) {
      lines.push(i, -span, floor, i, span, floor, -span, i, floor, span, i, floor)
    }
    const grid = new BufferGeometry().setAttribute('position', new Float32BufferAttribute(lines, 3))
    this.ground.add(new LineSegments(grid, new LineBasicMaterial({ color: hairline, depthWrite: false })))
  }

  private dress(sight: BenchSight) {
    this.piece.clear()
    const finished = sight.look !== 'paper' && sight.look !== 'facing'
    if (finished) {
      this.scene.environment ??= this.drawing.outside()
      this.scene.environmentIntensity = 0.6
      this.coats.show(sight.coats, sight.look === 'checker' || sight.look === 'density' ? sight.look : undefined, sight.against)
    }
    this.light.group.visible = !finished
    this.outside.visible = finished
    for (const piece of sight.pieces) {
      const stood = new Group()
      stood.position.x = piece.xMm / 1000
      const shape = this.shapes.get(piece.url)!
      for (const part of shape.parts) {
        if (sight.look === 'facing') stood.add(new Mesh(part.geometry, fronts), new Mesh(part.geometry, hatch))
        else stood.add(new Mesh(part.geometry, finished ? this.coats.material(part.swatch) : this.paper(part.swatch)))
      }
      if (!finished) stood.add(new LineSegments(shape.edges, new LineBasicMaterial({ color: ink, transparent: true, opacity: 0.5, depthWrite: false })))
      this.piece.add(stood)
    }
  }

  private paper(swatch: string) {
    let material = this.papers.get(swatch)
    if (!material) {
      material = paperMaterial(swatch)
      material.clippingPlanes = []
      this.papers.set(swatch, material)
    }
    return material
  }

  private mark(sight: BenchSight) {
    this.marks.clear()
    // Many are outlined together: their own outlines would hide them.
    const boxes = sight.chosenMm.map(box3)
    const outlined = boxes.length > MOST_OUTLINED ? [boxes.reduce((all, b) => all.union(b), new Box3())] : boxes
    for (const b of outlined) {
      const outline = new Box3Helper(b.expandByScalar(0.004), new Color(plum))
      ;(outline.material as LineBasicMaterial).depthWrite = false
      this.marks.add(outline)
    }
    if (sight.openMm.length) {
      const open = new BufferGeometry().setAttribute(
        'position',
        new Float32BufferAttribute(
          sight.openMm.map((v) => v / 1000),
          3,
        ),
      )
      const lines = new LineSegments(open, new LineBasicMaterial({ color: brick, depthTest: false, depthWrite: false }))
      lines.renderOrder = 2
      this.marks.add(lines)
    }
    // The pivot, where the piece is set down.
    const a = 0.12
    const pivot = new BufferGeometry().setAttribute('position', new Float32BufferAttribute([-a, 0, 0, a, 0, 0, 0, -a, 0, 0, a, 0, 0, 0, 0, 0, 0, 1.5 * a], 3))
    const cross = new LineSegments(pivot, new LineBasicMaterial({ color: verdigris, depthTest: false, depthWrite: false }))
    cross.renderOrder = 3
    this.marks.add(cross)
  }

  /** What was wholly seen and has grown out of the view is stepped back from; who looks at a detail is left there. */
  private keepInView() {
    const box = this.extent()
    this.camera.updateMatrixWorld()
    const wasSeen = this.isSeen(this.stood)
    this.stood.copy(box)
    if (wasSeen && !this.isSeen(box)) this.frame('here')
  }

  /** What lies behind the camera is not, wherever it would fall on the picture. */
  private isSeen(box: Box3) {
    return corners(box).every((corner) => Math.max(...corner.project(this.camera).toArray().map(Math.abs)) <= 1)
  }

  private extent() {
    const box = this.box()
    box.expandByPoint(new Vector3(box.min.x - BESIDE - 0.4, box.min.y, box.min.z))
    box.expandByPoint(new Vector3(box.min.x, box.min.y, box.min.z + 1.8))
    return box
  }

  /** All of the piece and the figure, from a side or from where one looks already. */
  frame(from: 'front' | 'side' | 'top' | 'free' | 'here' = 'free') {
    if (!this.sight?.pieces.length) return
    const box = this.extent()
    const middle = box.getCenter(new Vector3())
    const radius = box.getSize(new Vector3()).length() / 2
    const far = (radius / Math.sin((this.camera.fov * Math.PI) / 360)) * Math.max(1, 1 / this.camera.aspect)
    const way = from === 'here' ? this.camera.position.clone().sub(this.controls.target) : new Vector3(...WAYS[from])
    this.stood.copy(box)
    this.camera.position.copy(middle).addScaledVector(way.normalize(), far)
    this.controls.target.copy(middle)
    this.controls.update()
    this.draw()
  }

  /** Which of these boxes lies first under a pixel. */
  pick(x: number, y: number, boxes: readonly (readonly BoxMm[])[]): number | undefined {
    const at = new Vector2((x / this.canvas.clientWidth) * 2 - 1, 1 - (y / this.canvas.clientHeight) * 2)
    const ray = new Raycaster()
    ray.setFromCamera(at, this.camera)
    let best: number | undefined
    let nearest = Infinity
    boxes.forEach((all, i) => {
      for (const b of all) {
        const hit = ray.ray.intersectBox(box3(b), new Vector3())
        const away = hit?.distanceTo(ray.ray.origin) ?? Infinity
        if (away < nearest) [best, nearest] = [i, away]
      }
    })
    return best
  }

  draw() {
    cancelAnimationFrame(this.due)
    this.due = requestAnimationFrame(() => {
      const look = this.sight?.look ?? 'paper'
      this.drawn = { look, triangles: this.drawing.render(this.scene, this.camera, look === 'paper').triangles }
      this.onDraw()
    })
  }
}
