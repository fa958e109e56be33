import {
  BoxGeometry,
  EdgesGeometry,
  Group,
  InstancedMesh,
  LineBasicMaterial,
  LineSegments,
  Matrix4,
  Mesh,
  MeshBasicMaterial,
  PerspectiveCamera,
  Scene,
} from 'three'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { CountingDrawing } from './Drawing'

// A box has 12 triangles. By hand: what is in front of the camera counts, once a draw call, with its instances.
describe('counting what would be drawn', () => {
  const material = new MeshBasicMaterial()
  const camera = new PerspectiveCamera(60, 1, 0.1, 100)
  const box = (x = 0) => {
    const mesh = new Mesh(new BoxGeometry(1, 1, 1), material)
    mesh.position.x = x
    return mesh
  }
  beforeEach(() => {
    vi.stubGlobal('document', { createElement: () => ({ style: {}, remove: () => {} }) })
    camera.position.set(0, 0, 10)
  })
  const drawn = (...objects: (Mesh | LineSegments | Group)[]) => {
    const scene = new Scene()
    scene.add(...objects)
    return new CountingDrawing().render(scene, camera)
  }

  it('takes each mesh as a call and its triangles', () => expect(drawn(box(), box(2))).toEqual({ calls: 2, triangles: 24 }))

  it('leaves out what the camera does not see, and what is hidden with what holds it', () => {
    const hidden = new Group()
    hidden.add(box())
    hidden.visible = false
    expect(drawn(box(500), hidden, box())).toEqual({ calls: 1, triangles: 12 })
  })

  it('takes instances in one call', () => {
    const many = new InstancedMesh(new BoxGeometry(1, 1, 1), material, 5)
    for (let i = 0; i < 5; i++) many.setMatrixAt(i, new Matrix4().makeTranslation(i / 2, 0, 0))
    expect(drawn(many)).toEqual({ calls: 1, triangles: 60 })
    many.count = 3
    expect(drawn(many)).toEqual({ calls: 1, triangles: 36 })
  })

  it('takes lines as a call without triangles', () =>
    expect(drawn(new LineSegments(new EdgesGeometry(new BoxGeometry(1, 1, 1)), new LineBasicMaterial()))).toEqual({ calls: 1, triangles: 0 }))
})
