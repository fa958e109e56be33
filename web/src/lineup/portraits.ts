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
import { ink } from '../styles/theme'

let renderer: WebGLRenderer | undefined
const paper = new MeshLambertMaterial({ color: '#f3f0e8', polygonOffset: true, polygonOffsetFactor: 1, polygonOffsetUnits: 1 })
const edge = new LineBasicMaterial({ color: ink })

/** Draws a piece in elevation, from its front, at so many pixels a metre; answers with a picture. */
export async function portrait(url: string, widthM: number, heightM: number, pixelsPerMetre: number): Promise<string> {
  const shape = await loadShape(url)
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
  const left = Math.min(...boxes.map((b) => b.min.x))
  const low = Math.min(...boxes.map((b) => b.min.z))
  const margin = 2 / pixelsPerMetre
  const camera = new OrthographicCamera(left - margin, left + widthM + margin, low + heightM + margin, low - margin, 0.1, 200)
  camera.up.set(0, 0, 1)
  camera.position.set(0, -100, 0)
  camera.lookAt(0, 0, 0)
  renderer.setPixelRatio(2)
  renderer.setSize(Math.ceil(widthM * pixelsPerMetre + 4), Math.ceil(heightM * pixelsPerMetre + 4))
  renderer.setClearColor(0x000000, 0)
  renderer.render(scene, camera)
  return renderer.domElement.toDataURL()
}
