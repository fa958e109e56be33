import { beforeEach, describe, expect, it } from 'vitest'
import type { OutlineView } from '../api/client'
import { stubServer } from '../test/stubServer'
import { useBringIn, widthOf, withOutlines } from './bringIn'

const outline = (...xs: number[]): OutlineView => ({ name: 'Hall', loops: [xs.map((x) => ({ x, y: 0 }))] })

describe('a drawing that is brought in', () => {
  let asked: ReturnType<typeof stubServer>
  beforeEach(() => {
    asked = stubServer(() => ({ outlines: [outline(0, 5000)], reports: [] }))
    useBringIn().putAway()
  })

  it('is as wide as all its outlines together', () => {
    expect(widthOf([outline(-1000, 2000), outline(4000, 5000)])).toBe(6000)
    expect(widthOf([])).toBe(0)
  })

  it('is read with its unit times its scale, to the micrometre', async () => {
    const { read, drawn } = useBringIn()
    await read('plan.svg', '<svg/>', 25.4 / 96, 50)
    expect(asked).toEqual([{ method: 'POST', path: '/api/outlines/read', body: { svg: '<svg/>', unitMm: 13.229 } }])
    expect(drawn.value).toMatchObject({ file: 'plan.svg', scale: 50, read: { outlines: [{ name: 'Hall' }] } })
  })

  it('stays as it was read when another unit is refused, and goes when it is put away', async () => {
    const { read, drawn, putAway } = useBringIn()
    await read('plan.svg', '<svg/>', 1, 1)
    stubServer(() => new Response(JSON.stringify({ detail: 'wider than 1000 km' }), { status: 400 }))
    await expect(read('plan.svg', '<svg/>', 1000, 1e6)).rejects.toThrow('wider than 1000 km')
    expect(drawn.value?.unitMm).toBe(1)
    putAway()
    expect(drawn.value).toBeUndefined()
  })

  it('is framed together with what stands, or alone', () => {
    const whole = { min: { x: 0, y: -500, z: 0 }, max: { x: 4000, y: 3000, z: 9 } }
    expect(withOutlines(whole, [outline(-1000, 2000)])).toEqual({ min: { x: -1000, y: -500, z: 0 }, max: { x: 4000, y: 3000, z: 0 } })
    expect(withOutlines(undefined, [outline(-1000, 2000)])).toEqual({ min: { x: -1000, y: 0, z: 0 }, max: { x: 2000, y: 0, z: 0 } })
    expect(withOutlines(whole, [])).toBe(whole)
  })
})
