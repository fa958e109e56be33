import { Box3, BoxGeometry, BufferGeometry, EdgesGeometry, Float32BufferAttribute, type Material, Matrix4, Mesh, Vector3 } from 'three'
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js'

/** One body of a piece: its surface and what it is made of. */
export interface Part {
  swatch: string
  geometry: BufferGeometry
}

/** Bends sharper than this are drawn as ink edges; a chamfer bends by 45 degrees twice. */
const EDGE_DEGREES = 40
/** What has more triangles is fine work: its edges would be a grey blur, and to find them takes longer than all else. */
const MOST_INKED = 100_000
const upright = new Matrix4().makeRotationX(Math.PI / 2)
const loader = new GLTFLoader()

/** A piece's shape in metres with Z up. What is seldom wanted of it is made when it is asked for. */
export class Shape {
  private inked?: BufferGeometry
  private turned?: Shape
  private packed?: Shape

  constructor(readonly parts: readonly Part[]) {}

  get triangles() {
    return this.parts.reduce((n, p) => n + p.geometry.getIndex()!.count / 3, 0)
  }

  /** Its sharp bends, to be drawn in ink. */
  get edges(): BufferGeometry {
    return (this.inked ??= edgesOf(this.parts))
  }

  /** The same, mirrored within its own extent. */
  get mirrored(): Shape {
    if (!this.turned) {
      const { min, max } = this.extent()
      const flip = new Matrix4().makeScale(-1, 1, 1).setPosition(min.x + max.x, 0, 0)
      this.turned = new Shape(this.parts.map((p) => ({ swatch: p.swatch, geometry: turnedInsideOut(p.geometry.clone().applyMatrix4(flip)) })))
    }
    return this.turned
  }

  /** A plain box in place of it. */
  get box(): Shape {
    if (!this.packed) {
      const extent = this.extent()
      const size = extent.getSize(new Vector3())
      const middle = extent.getCenter(new Vector3())
      this.packed = new Shape([{ swatch: 'plaster', geometry: new BoxGeometry(size.x, size.y, size.z).translate(middle.x, middle.y, middle.z) }])
    }
    return this.packed
  }

  private extent(): Box3 {
    const all = new Box3()
    for (const { geometry } of this.parts) {
      if (!geometry.boundingBox) geometry.computeBoundingBox()
      all.union(geometry.boundingBox!)
    }
    return all
  }
}

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
  return new Shape(parts)
}

/** A mirrored surface faces inward until its triangles are turned round. */
function turnedInsideOut(geometry: BufferGeometry): BufferGeometry {
  const index = geometry.getIndex()!
  const array = index.array.slice()
  for (let i = 0; i < array.length; i += 3) [array[i], array[i + 1]] = [array[i + 1]!, array[i]!]
  index.array.set(array)
  return geometry
}

function edgesOf(parts: readonly Part[]): BufferGeometry {
  const few = parts.filter((p) => p.geometry.getIndex()!.count / 3 <= MOST_INKED)
  const all = few.map((p) => new EdgesGeometry(p.geometry, EDGE_DEGREES).getAttribute('position').array as Float32Array)
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
