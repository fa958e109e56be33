import {
  AmbientLight,
  Color,
  DirectionalLight,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  OrthographicCamera,
  Scene,
  WebGLRenderer,
} from 'three'
import { loadShape } from '../space/geometry'
import { isCounting } from '../space/Drawing'
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
  if (isCounting()) return NOTHING
  renderer ??= new WebGLRenderer({ antialias: true, alpha: true, preserveDrawingBuffer: true })
  const scene = new Scene()
  scene.background = null
  const light = new DirectionalLight('#ffffff', 1.4)
  light.position.set(-3, -6, 5)
  scene.add(new AmbientLight(new Color('#ffffff'), 1.6), light)
  for (const part of shape.parts) {
    part.geometry.computeBoundingBox()
    scene.add(new Mesh(part.geometry, paper))
  }
  scene.add(new LineSegments(shape.edges, edge))
  const boxes = shape.parts.map((p) => p.geometry.boundingBox!)
  const { eye, right, up } = SIDES[from]
  const left = Math.min(...boxes.map((b) => b.min[right]))
  const low = Math.min(...boxes.map((b) => b.min[up]))
  const margin = 2 / pixelsPerMetre
  const camera = new OrthographicCamera(left - margin, left + widthM + margin, low + heightM + margin, low - margin, 0.1, 200)
  camera.up.set(0, up === 'y' ? 1 : 0, up === 'z' ? 1 : 0)
  camera.position.set(eye[0], eye[1], eye[2])
  camera.lookAt(0, 0, 0)
  renderer.setPixelRatio(2)
  renderer.setSize(Math.ceil(widthM * pixelsPerMetre + 4), Math.ceil(heightM * pixelsPerMetre + 4))
  renderer.setClearColor(0x000000, 0)
  renderer.render(scene, camera)
  return renderer.domElement.toDataURL()
}
