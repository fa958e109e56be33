import {
  Box3,
  BoxGeometry,
  BufferGeometry,
  CanvasTexture,
  Color,
  DirectionalLight,
  Float32BufferAttribute,
  Group,
  HemisphereLight,
  InstancedMesh,
  LineBasicMaterial,
  LineSegments,
  Matrix4,
  MeshLambertMaterial,
  MOUSE,
  PerspectiveCamera,
  RepeatWrapping,
  Scene,
  SRGBColorSpace,
  Vector3,
} from 'three'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'
import { newDrawing } from '../space/Drawing'
import { figureMesh } from '../parts/figure'
import { ink, paper } from '../styles/theme'
import { hatchOf, LINE, PANEL, PITCH } from './hatches'
import type { Block } from './laid'

/** Pieces that are drawn alike. @param kind undefined for what is no kind of wall */
export interface Drawn {
  kind: number | undefined
  blocks: readonly Block[]
}

const METRE = 1000
/** Pixels of a hatch from line to line. */
const PIXELS = 32

/** Walls as a kit would build them, in the round; what is drawn is freed when other walls are shown. It draws only when something has changed. */
export class KitScene {
  private readonly drawing = newDrawing({ antialias: true })
  private readonly scene = new Scene()
  private readonly camera = new PerspectiveCamera(35, 1, 0.1, 2000)
  private readonly controls: OrbitControls
  private readonly walls = new Group()
  private readonly figure = figureMesh()
  private readonly extent = new Box3()
  private readonly host: HTMLElement
  private due = 0
  /** Boxes that the last drawing held, for those who look from outside. */
  drawn = 0

  constructor(
    container: HTMLElement,
    private readonly onDraw: (boxes: number) => void,
  ) {
    this.host = container
    container.appendChild(this.drawing.canvas)
    this.scene.background = new Color(paper)
    this.camera.up.set(0, 0, 1)
    const sky = new HemisphereLight('#eaf1f6', '#cfc7b6', 1.2)
    sky.position.set(0, 0, 1)
    const sun = new DirectionalLight('#fff3de', 1.8)
    sun.position.set(-3, -5, 6)
    this.scene.add(sky, sun, this.walls, this.figure)
    this.controls = new OrbitControls(this.camera, this.drawing.canvas)
    this.controls.zoomToCursor = true
    this.controls.mouseButtons = { LEFT: MOUSE.ROTATE, MIDDLE: MOUSE.PAN, RIGHT: MOUSE.ROTATE }
    this.controls.addEventListener('change', () => this.draw())
    this.resize()
  }

  dispose() {
    cancelAnimationFrame(this.due)
    this.clear()
    this.controls.dispose()
    this.drawing.dispose()
  }

  resize() {
    const { clientWidth: w, clientHeight: h } = this.host
    if (!w || !h) return
    this.drawing.resize(w, h)
    this.camera.aspect = w / h
    this.camera.updateProjectionMatrix()
    this.draw()
  }

  show(walls: readonly Drawn[]) {
    const isFirst = this.extent.isEmpty()
    this.clear()
    this.extent.makeEmpty()
    this.drawn = 0
    const edges: number[] = []
    for (const { kind, blocks } of walls) {
      if (!blocks.length) continue
      this.walls.add(this.boxes(kind, blocks))
      for (const b of blocks) edges.push(...edgesOf(b))
      this.drawn += blocks.length
    }
    const lines = new BufferGeometry()
    lines.setAttribute('position', new Float32BufferAttribute(edges, 3))
    this.walls.add(new LineSegments(lines, new LineBasicMaterial({ color: ink })))
    if (isFirst && !this.extent.isEmpty()) this.frame()
    this.draw()
  }

  /** One draw call for a kind: a unit box, its hatch in metres whatever its size. */
  private boxes(kind: number | undefined, blocks: readonly Block[]) {
    const material = new MeshLambertMaterial({ map: hatchTexture(kind), polygonOffset: true, polygonOffsetFactor: 1, polygonOffsetUnits: 1 })
    const mesh = new InstancedMesh(new BoxGeometry(1, 1, 1), inMetres(material), blocks.length)
    blocks.forEach((b, i) => {
      const [min, max] = [new Vector3(...b.min).divideScalar(METRE), new Vector3(...b.max).divideScalar(METRE)]
      this.extent.expandByPoint(min).expandByPoint(max)
      const size = max.clone().sub(min)
      mesh.setMatrixAt(i, new Matrix4().makeScale(size.x, size.y, size.z).setPosition(min.add(max).divideScalar(2)))
    })
    return mesh
  }

  private clear() {
    for (const child of this.walls.children) {
      const drawn = child as InstancedMesh | LineSegments
      drawn.geometry.dispose()
      const material = drawn.material as MeshLambertMaterial | LineBasicMaterial
      if ('map' in material) material.map?.dispose()
      material.dispose()
      if (child instanceof InstancedMesh) child.dispose()
    }
    this.walls.clear()
  }

  private frame() {
    const middle = this.extent.getCenter(new Vector3())
    const radius = this.extent.getSize(new Vector3()).length() / 2
    this.figure.position.set(this.extent.min.x - 1, this.extent.min.y - 1, this.extent.min.z)
    this.controls.target.copy(middle)
    this.camera.position
      .copy(middle)
      .add(new Vector3(-0.5, -0.9, 0.75).normalize().multiplyScalar((radius * 0.82) / Math.sin((this.camera.fov * Math.PI) / 360)))
    this.camera.far = radius * 20
    this.camera.updateProjectionMatrix()
    this.controls.update()
  }

  private draw() {
    if (this.due) return
    this.due = requestAnimationFrame(() => {
      this.due = 0
      this.drawing.render(this.scene, this.camera, false)
      this.onDraw(this.drawn)
    })
  }
}

/** The hatch runs by where a face stands, not by the box that it belongs to. */
function inMetres(material: MeshLambertMaterial) {
  material.onBeforeCompile = (shader) => {
    shader.vertexShader = shader.vertexShader.replace(
      '#include <uv_vertex>',
      `#include <uv_vertex>
      vec3 stands = (instanceMatrix * vec4(position, 1.0)).xyz;
      vec2 across = (abs(normal.z) > 0.5 ? stands.xy : abs(normal.x) > 0.5 ? stands.yz : stands.xz) * ${(METRE / PITCH).toFixed(4)};
      vMapUv = (mapTransform * vec3(across, 1.0)).xy;`,
    )
  }
  return material
}

/** One line of a hatch on its ground, in a picture that repeats and is turned by the hatch's angle. */
function hatchTexture(kind: number | undefined) {
  const canvas = document.createElement('canvas')
  canvas.width = canvas.height = PIXELS
  const c = canvas.getContext('2d')!
  const hatch = kind === undefined ? { ground: PANEL, angle: 0, weight: 0 } : hatchOf(kind)
  c.fillStyle = hatch.ground
  c.fillRect(0, 0, PIXELS, PIXELS)
  if (hatch.weight) {
    c.fillStyle = LINE
    c.fillRect(0, 0, Math.max(2, (hatch.weight / PITCH) * PIXELS), PIXELS)
  }
  const texture = new CanvasTexture(canvas)
  texture.wrapS = texture.wrapT = RepeatWrapping
  texture.colorSpace = SRGBColorSpace
  texture.rotation = (hatch.angle * Math.PI) / 180
  return texture
}

function edgesOf({ min, max }: Block): number[] {
  const at = (i: number) => [i & 1 ? max[0] : min[0], i & 2 ? max[1] : min[1], i & 4 ? max[2] : min[2]].map((v) => v / METRE)
  const ends: number[] = []
  for (let i = 0; i < 8; i++) for (const bit of [1, 2, 4]) if (!(i & bit)) ends.push(...at(i), ...at(i | bit))
  return ends
}
