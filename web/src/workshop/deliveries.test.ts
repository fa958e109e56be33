import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { DeliveryView, SiteView } from '../api/client'
import { useSite } from '../site/site'
import { stubServer } from '../test/stubServer'
import { useDeliveries } from './deliveries'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))

type Choices = DeliveryView['choices']
const thing = (number: number) => ({ number, name: `thing ${number}`, laidOut: false, materials: [] }) as unknown as DeliveryView['things'][number]
const delivery = (id: string, choices: Partial<Choices>, things = 2) =>
  ({
    id,
    name: id,
    choices: { millimetres: 1000, up: 'Y', whole: false, fixes: [], ...choices },
    materials: [],
    textures: [],
    missing: [],
    leftOut: [],
    sized: false,
    things: Array.from({ length: things }, (_, i) => thing(i)),
    thing: 1,
  }) as unknown as DeliveryView

let asked: string[] = []

beforeEach(() => {
  asked = []
  stubServer((method, path) => {
    asked.push(`${method} ${path}`)
    const told = new URLSearchParams(path.split('?')[1] ?? '')
    return delivery('urn', {
      millimetres: Number(told.get('millimetres')),
      up: told.get('up') as 'Y',
      fixes: (told.get('fixes')?.split(',') ?? []) as Choices['fixes'],
    })
  })
  setActivePinia(createPinia())
  useSite().site = { id: 1, revision: 4 } as SiteView
})

describe('a delivery that is looked at', () => {
  it('takes all of its things as new pieces, and the one that was taken before in place of a piece', () => {
    const work = useDeliveries()
    work.all = [delivery('urn', {})]
    work.take(0)
    expect([...work.taken]).toEqual([0, 1])
    work.pieceId = 7
    work.take(0)
    expect([...work.taken]).toEqual([1])
    expect(work.meshUrl).toContain('/things/1/mesh.glb?millimetres=1000&up=Y&whole=false&pieceId=7')
  })

  it('is asked for with all that was chosen before the first answer came', async () => {
    const work = useDeliveries()
    work.all = [delivery('urn', {})]
    work.take(0)
    await Promise.all([work.choose({ millimetres: 25.4 }), work.choose({ up: 'Z' }), work.choose({ fixes: ['WELD'] })])
    expect(asked.at(-1)).toContain('millimetres=25.4&up=Z&whole=false&fixes=WELD')
    expect(work.delivery!.choices).toMatchObject({ millimetres: 25.4, up: 'Z', fixes: ['WELD'] })
  })

  it('is set right in two ways though the first has not been answered, and one of them is left again', async () => {
    const work = useDeliveries()
    work.all = [delivery('urn', {})]
    work.take(0)
    await Promise.all([work.fix('OUTWARD', true), work.fix('WELD', true)])
    expect(work.delivery!.choices.fixes).toEqual(['OUTWARD', 'WELD'])
    await work.fix('OUTWARD', false)
    expect(work.delivery!.choices.fixes).toEqual(['WELD'])
  })

  it('is let go of one by one, and all at once', () => {
    const work = useDeliveries()
    work.all = [delivery('urn', {}), delivery('jug', {})]
    work.take(0)
    work.done()
    expect(work.delivery!.name).toBe('jug')
    work.leave()
    expect(work.isOpen).toBe(false)
    expect(asked).toEqual(['DELETE /api/sites/1/deliveries/urn', 'DELETE /api/sites/1/deliveries/jug'])
  })
})
