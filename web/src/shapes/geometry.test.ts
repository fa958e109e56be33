import { BoxGeometry, type BufferAttribute, type BufferGeometry, PlaneGeometry, Vector3 } from 'three'
import { describe, expect, it } from 'vitest'
import { Shape } from './geometry'

/** A block from the origin, so many metres. */
const block = (x: number, y: number, z: number) => new BoxGeometry(x, y, z).translate(x / 2, y / 2, z / 2)
const shapeOf = (...geometries: BufferGeometry[]) => new Shape(geometries.map((geometry) => ({ swatch: 'stone', geometry })))
const lines = (shape: Shape) => shape.edges.getAttribute('position').count / 2

/** By the divergence theorem: positive where faces look outward. */
function volume(shape: Shape): number {
  let sum = 0
  for (const { geometry } of shape.parts) {
    const at = geometry.getAttribute('position') as BufferAttribute
    const [a, b, c] = [new Vector3(), new Vector3(), new Vector3()]
    const index = geometry.getIndex()!
    for (let i = 0; i < index.count; i += 3) {
      a.fromBufferAttribute(at, index.getX(i))
      b.fromBufferAttribute(at, index.getX(i + 1))
      c.fromBufferAttribute(at, index.getX(i + 2))
      sum += a.dot(b.cross(c)) / 6
    }
  }
  return sum
}

describe('Shape', () => {
  it('has the twelve edges of a block, whatever its faces are parted into', () => {
    expect(lines(shapeOf(block(1, 2, 3)))).toBe(12)
    expect(lines(shapeOf(block(1, 1, 1), block(2, 2, 2)))).toBe(24)
  })

  it('is mirrored within its own extent, still looking outward', () => {
    const shape = shapeOf(block(1, 1, 1), block(3, 1, 1).translate(1, 0, 0))
    const { mirrored } = shape
    expect(volume(mirrored)).toBeCloseTo(volume(shape), 9)
    const box = mirrored.parts[0]!.geometry
    box.computeBoundingBox()
    // The first metre of four becomes the last.
    expect([box.boundingBox!.min.x, box.boundingBox!.max.x]).toEqual([3, 4])
    expect(shape.mirrored).toBe(mirrored)
  })

  it('is a box of its extent in place of itself', () => {
    const { box } = shapeOf(block(1, 1, 1), block(3, 2, 1).translate(1, 0, 0))
    expect(box.triangles).toBe(12)
    expect(volume(box)).toBeCloseTo(4 * 2 * 1, 9)
  })

  it('inks no edges of what is of very many triangles: to find them takes longer than all else', () => {
    const fine = new PlaneGeometry(1, 1, 250, 250)
    expect(lines(shapeOf(fine))).toBe(0)
    expect(lines(shapeOf(fine, block(1, 1, 1)))).toBe(12)
  })
})
