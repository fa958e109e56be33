import { describe, expect, it } from 'vitest'
import { readField } from './field'

describe('a volume of light', () => {
  it('is read as the server writes it', () => {
    const bytes = new ArrayBuffer(36 + 24 * 2 + 2)
    const head = new DataView(bytes)
    ;[0x31564248, 2, 1, 1].forEach((v, i) => head.setUint32(4 * i, v, true))
    ;[1, 2, 3, 0.5, 7].forEach((v, i) => head.setFloat32(16 + 4 * i, v, true))
    head.setUint16(36 + 16, 0x3c00, true)
    head.setUint8(36 + 48 + 1, 9)
    const field = readField(bytes)!
    expect(field).toMatchObject({ size: [2, 1, 1], from: [1, 2, 3], spacing: 0.5, unit: 7 })
    expect([...field.colours[1]]).toEqual([0x3c00, 0, 0, 0, 0, 0, 0, 0])
    expect([...field.walls]).toEqual([0, 9])
  })

  it('is nothing where there is none, and refused where it is something else', () => {
    expect(readField(new ArrayBuffer(0))).toBeUndefined()
    expect(() => readField(new ArrayBuffer(40))).toThrow('no volume of light')
  })
})
