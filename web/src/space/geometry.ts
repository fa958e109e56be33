import { Box3, BoxGeometry, BufferGeometry, EdgesGeometry, Float32BufferAttribute, type Material, Matrix4, Mesh, Vector3 } from 'three'
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js'

/** One body of a piece: its surface and what it is made of. */
export interface Part {
  swatch: string
  geometry: BufferGeometry
}

/** A piece's shape in metres with Z up, as it is and mirrored within its own extent. */
export interface Shape {
  parts: Part[]
  edges: BufferGeometry
  mirroredParts: Part[]
  mirroredEdges: BufferGeometry
}

/** Bends sharper than this are drawn as ink edges; a chamfer bends by 45 degrees twice. */
const EDGE_DEGREES = 40
const upright = new Matrix4().makeRotationX(Math.PI / 2)
const loader = new GLTFLoader()

/** Loads a piece from the server. */
export async function loadShape(url: string): Promise<Shape> {
  const file = await loader.loadAsync(url)
  const parts: Part[] = []
  file.scene.traverse((node) => {
    if (node instanceof Mesh) {
      const geometry = (node.geometry as BufferGeometry).clone().applyMatrix4(node.matrixWorld).applyMatrix4(upright)
      parts.push({ swatch: (node.material as Material).name, geometry })
    }
  })
  const box = parts.reduce((sum, p) => {
    p.geometry.computeBoundingBox()
    return Math.min(sum, p.geometry.boundingBox!.min.x)
  }, Infinity)
  const far = parts.reduce((sum, p) => Math.max(sum, p.geometry.boundingBox!.max.x), -Infinity)
  const flip = new Matrix4().makeScale(-1, 1, 1).setPosition(box + far, 0, 0)
  return {
    parts,
    edges: edgesOf(parts),
    mirroredParts: parts.map((p) => ({ swatch: p.swatch, geometry: turnedInsideOut(p.geometry.clone().applyMatrix4(flip)) })),
    mirroredEdges: edgesOf(parts).applyMatrix4(flip),
  }
}

export const trianglesOf = (shape: Shape) => shape.parts.reduce((n, p) => n + p.geometry.getIndex()!.count / 3, 0)

/** A plain box in place of a shape. */
export function boxOfShape(shape: Shape): Shape {
  const box = new Box3()
  for (const p of shape.parts) {
    p.geometry.computeBoundingBox()
    box.union(p.geometry.boundingBox!)
  }
  const size = box.getSize(new Vector3())
  const middle = box.getCenter(new Vector3())
  const parts = [{ swatch: 'plaster', geometry: new BoxGeometry(size.x, size.y, size.z).translate(middle.x, middle.y, middle.z) }]
  return { parts, edges: edgesOf(parts), mirroredParts: parts, mirroredEdges: edgesOf(parts) }
}

/** A mirrored surface faces inward until its triangles are turned round. */
function turnedInsideOut(geometry: BufferGeometry): BufferGeometry {
  const index = geometry.getIndex()!
  const array = index.array.slice()
  for (let i = 0; i < array.length; i += 3) [array[i], array[i + 1]] = [array[i + 1]!, array[i]!]
  index.array.set(array)
  return geometry
}

function edgesOf(parts: Part[]): BufferGeometry {
  const all = parts.map((p) => new EdgesGeometry(p.geometry, EDGE_DEGREES).getAttribute('position').array as Float32Array)
  const joined = new Float32Array(all.reduce((n, a) => n + a.length, 0))
  let at = 0
  for (const a of all) {
    joined.set(a, at)
    at += a.length
  }
  const edges = new BufferGeometry()
  edges.setAttribute('position', new Float32BufferAttribute(joined, 3))
  return edges
}
