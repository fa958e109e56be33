import {
  AmbientLight,
  Box3,
  type BufferGeometry,
  Color,
  DirectionalLight,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  OrthographicCamera,
  Scene,
  Vector3,
  WebGLRenderer,
} from 'three'
import { loadShape, type Shape } from './geometry'
import { isCounting } from './counting'
import { ink } from '../styles/theme'

let renderer: WebGLRenderer | undefined
const paper = new MeshLambertMaterial({ color: '#f3f0e8', polygonOffset: true, polygonOffsetFactor: 1, polygonOffsetUnits: 1 })
const edge = new LineBasicMaterial({ color: ink })

/** From where a piece is drawn: where the camera stands, what lies to the right of its picture, and what is up. */
export const SIDES = {
  front: { eye: [0, -100, 0], right: 'x', up: 'z' },
  side: { eye: [100, 0, 0], right: 'y', up: 'z' },
  top: { eye: [0, 0, 100], right: 'x', up: 'y' },
} as const

/** A transparent pixel. */
const NOTHING = 'data:image/gif;base64,R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7'

/** Draws a piece in elevation or from above, at so many pixels a metre; answers with a picture. */
export async function portrait(url: string, widthM: number, heightM: number, pixelsPerMetre: number, from: keyof typeof SIDES = 'front'): Promise<string> {
  const shape = await loadShape(url)
  const boxes = shape.parts.map(({ geometry }) => boxOf(geometry))
  const { eye, right, up } = SIDES[from]
  const left = Math.min(...boxes.map((b) => b.min[right]))
  const low = Math.min(...boxes.map((b) => b.min[up]))
  const margin = 2 / pixelsPerMetre
  const camera = new OrthographicCamera(left - margin, left + widthM + margin, low + heightM + margin, low - margin, 0.1, 200)
  camera.up.set(0, up === 'y' ? 1 : 0, up === 'z' ? 1 : 0)
  camera.position.set(eye[0], eye[1], eye[2])
  camera.lookAt(0, 0, 0)
  return picture([shape], camera, Math.ceil(widthM * pixelsPerMetre + 4), Math.ceil(heightM * pixelsPerMetre + 4))
}

/** From the south-west and above, as Space looks at the set. */
const AT_AN_ANGLE = new Vector3(-0.55, -0.75, 0.5)

/** Draws a piece at an angle, as large as a square of so many pixels holds it; answers with a picture. */
export async function likeness(url: string, pixels: number): Promise<string> {
  const shape = await loadShape(url)
  const extent = new Box3()
  for (const { geometry } of shape.parts) extent.union(boxOf(geometry))
  const camera = new OrthographicCamera()
  camera.up.set(0, 0, 1)
  const middle = extent.getCenter(new Vector3())
  const far = extent.getSize(new Vector3()).length() + 1
  camera.position.copy(middle).addScaledVector(AT_AN_ANGLE, far)
  camera.lookAt(middle)
  camera.updateMatrixWorld()
  const seen = new Box3()
  for (let i = 0; i < 8; i++) {
    const corner = new Vector3(i & 1 ? extent.max.x : extent.min.x, i & 2 ? extent.max.y : extent.min.y, i & 4 ? extent.max.z : extent.min.z)
    seen.expandByPoint(corner.applyMatrix4(camera.matrixWorldInverse))
  }
  const half = (Math.max(seen.max.x - seen.min.x, seen.max.y - seen.min.y) / 2) * 1.06
  const [x, y] = [(seen.max.x + seen.min.x) / 2, (seen.max.y + seen.min.y) / 2]
  Object.assign(camera, { left: x - half, right: x + half, top: y + half, bottom: y - half, near: 0.01, far: 4 * far })
  return picture([shape], camera, pixels, pixels)
}

function boxOf(geometry: BufferGeometry): Box3 {
  geometry.computeBoundingBox()
  return geometry.boundingBox!
}

function picture(shapes: readonly Shape[], camera: OrthographicCamera, width: number, height: number): string {
  if (isCounting()) return NOTHING
  renderer ??= new WebGLRenderer({ antialias: true, alpha: true, preserveDrawingBuffer: true })
  const scene = new Scene()
  scene.background = null
  const light = new DirectionalLight('#ffffff', 1.4)
  light.position.set(-3, -6, 5)
  scene.add(new AmbientLight(new Color('#ffffff'), 1.6), light)
  for (const shape of shapes) {
    for (const part of shape.parts) scene.add(new Mesh(part.geometry, paper))
    scene.add(new LineSegments(shape.edges, edge))
  }
  camera.updateProjectionMatrix()
  renderer.setPixelRatio(2)
  renderer.setSize(width, height)
  renderer.setClearColor(0x000000, 0)
  renderer.render(scene, camera)
  return renderer.domElement.toDataURL()
}
