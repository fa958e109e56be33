import { BoxGeometry, Group, Mesh, MeshLambertMaterial, SphereGeometry } from 'three'

/** The scale figure: a plain person within 0.4 × 0.4 × 1.8 m, standing on its origin. */
export function figureMesh(): Group {
  const figure = new Group()
  const material = new MeshLambertMaterial({ color: '#2F7F79' })
  const add = (w: number, d: number, h: number, x: number, z: number) => {
    const mesh = new Mesh(new BoxGeometry(w, d, h), material)
    mesh.position.set(x, 0, z + h / 2)
    figure.add(mesh)
  }
  add(0.13, 0.2, 0.85, -0.08, 0)
  add(0.13, 0.2, 0.85, 0.08, 0)
  add(0.3, 0.22, 0.65, 0, 0.85)
  add(0.05, 0.14, 0.6, -0.175, 0.88)
  add(0.05, 0.14, 0.6, 0.175, 0.88)
  const head = new Mesh(new SphereGeometry(0.14, 16, 12), material)
  head.position.set(0, 0, 1.66)
  figure.add(head)
  return figure
}

/** The same from the front, as an outline for drawings: x and height in millimetres. */
export const FIGURE_OUTLINE = 'M-145 0 L-145 850 L-200 880 L-200 1480 L-150 1500 L150 1500 L200 1480 L200 880 L145 850 L145 0 L15 0 L15 850 L-15 850 L-15 0 Z'
