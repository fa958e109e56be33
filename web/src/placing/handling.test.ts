import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { PieceView, PlacementView, SiteView, VecMm } from '../api/client'
import { useSite } from '../site/site'
import { BY_HAND, oneStanding } from '../test/standing'
import { stubServer } from '../test/stubServer'
import { useHandling } from './handling'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))
vi.stubGlobal('sessionStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })

const bench = { id: 1, code: 'PRP-BENCH', sizeMm: { x: 1600, y: 450, z: 450 }, trait: { held: 'STANDS', looks: [], seed: 0 } } as unknown as PieceView
const standing: PlacementView = { ...BY_HAND, atMm: { x: 500, y: 700, z: 0 } }
let asked: ReturnType<typeof stubServer>
const bodies = (end: string) => asked.filter((a) => a.path.endsWith(end)).map((a) => a.body as Record<string, unknown>)
/** The server moves by whole metres. */
const whole = (v: VecMm) => ({ x: Math.round(v.x / 1000) * 1000, y: Math.round(v.y / 1000) * 1000, z: Math.round(v.z / 1000) * 1000 })

beforeEach(() => {
  setActivePinia(createPinia())
  const site = useSite()
  site.site = { id: 1, revision: 4, stepMm: 100 } as SiteView
  site.pieces = [bench]
  site.placements = oneStanding(standing)
  site.select(['hand.9'])
  asked = stubServer((_, path, body) => {
    if (path.endsWith('/arrange/preview')) return { byMm: whole((body as { byMm: VecMm }).byMm), clearances: [] }
    if (path.includes('/news')) return { site: { id: 1, revision: 4 }, parts: [], chunks: [], gone: [], all: false }
    return undefined
  })
})

describe('handles at what is selected', () => {
  it('stand at the pivot of one', () => {
    expect(useHandling().pivot).toEqual({ x: 500, y: 700, z: 0 })
  })

  it('move along their own axis alone, by what the server says', async () => {
    const handling = useHandling()
    handling.hold('X')
    handling.move({ x: 1700, y: 900, z: 400 })
    await handling.letGo()
    expect(bodies('/arrange/preview')[0]!.byMm).toEqual({ x: 1700, y: 0, z: 0 })
    expect(bodies('/arrange')[0]!.byMm).toEqual({ x: 2000, y: 0, z: 0 })
  })

  it('end where the last movement led, however fast it came', async () => {
    const handling = useHandling()
    handling.hold('level')
    for (const x of [1000, 2000, 3000]) handling.move({ x, y: -x, z: 0 })
    await handling.letGo()
    expect(bodies('/arrange')).toHaveLength(1)
    expect(bodies('/arrange')[0]!.byMm).toEqual({ x: 3000, y: -3000, z: 0 })
    expect(bodies('/arrange/preview').length).toBeLessThan(3)
  })

  it('take a typed value as it is, and what was dragged before it is forgotten', async () => {
    const handling = useHandling()
    handling.hold('Z')
    handling.move({ x: 0, y: 0, z: 2000 })
    handling.typing = true
    await handling.type(37.5)
    expect(bodies('/arrange')[0]!.byMm).toEqual({ x: 0, y: 0, z: 37.5 })
  })

  it('turn by quarters exactly, and freely by anything else', async () => {
    const handling = useHandling()
    handling.hold('turn')
    handling.turn(-87)
    await handling.letGo()
    handling.hold('turn')
    await handling.type(30)
    expect(bodies('/arrange').map((b) => [b.quarterTurns, b.freeDegrees])).toEqual([
      [-1, undefined],
      [undefined, 30],
    ])
  })

  it('change nothing where nothing was moved, or it was put back', async () => {
    const handling = useHandling()
    handling.hold('Y')
    await handling.letGo()
    handling.hold('Y')
    handling.move({ x: 0, y: 3000, z: 0 })
    handling.putBack()
    await handling.letGo()
    expect(bodies('/arrange')).toHaveLength(0)
  })
})
