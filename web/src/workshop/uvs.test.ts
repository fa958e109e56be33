import { BoxGeometry, BufferGeometry, Float32BufferAttribute } from 'three'
import { describe, expect, it } from 'vitest'
import { boundsOf, edgesOn } from './uvs'

function square(at: number) {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new Float32BufferAttribute([0, 0, 0, 1, 0, 0, 1, 1, 0, 0, 1, 0], 3))
  geometry.setAttribute('uv', new Float32BufferAttribute([at, 0, at + 1, 0, at + 1, 1, at, 1], 2))
  geometry.setIndex([0, 1, 2, 0, 2, 3])
  return geometry
}

describe('faces on a sheet', () => {
  it('leaves out what two triangles share there', () => {
    expect(edgesOn(square(0))).toHaveLength(4 * 4)
  })
  it('draws what lies on the same place twice no more than once, and hides its inner edge', () => {
    // Each of a box's six faces lies on the whole sheet: their outlines fall together.
    const box = new BoxGeometry(1, 1, 1)
    expect(edgesOn(box).length % 4).toBe(0)
    expect(boundsOf([edgesOn(square(2)), edgesOn(square(-1))])).toEqual({ x0: -1, y0: 0, x1: 3, y1: 1 })
  })
  it('has no bounds without faces', () => {
    expect(boundsOf([])).toBeUndefined()
    expect(boundsOf([new Float32Array()])).toBeUndefined()
  })
})
