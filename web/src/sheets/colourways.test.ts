import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { CoatWords, SiteView } from '../api/client'
import { useSite } from '../site/site'
import { stubServer } from '../test/stubServer'
import { useColourways } from './colourways'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))
vi.stubGlobal('sessionStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })

let coats: Record<string, CoatWords>
let usedId: number
let asked: ReturnType<typeof stubServer>
const one = (id: number) => ({
  id,
  name: `way ${id}`,
  used: usedId === id,
  coats: Object.entries(coats).map(([swatch, words]) => ({
    swatch,
    words,
    pixels: swatch === 'PAINT' ? 4096 : 1024,
    widthMm: 4000,
    sheet: `${id}-${words.roughness}`,
    fittedXMm: 125,
    fittedYMm: 125,
    units: true,
    joints: true,
  })),
})

beforeEach(() => {
  setActivePinia(createPinia())
  coats = { TILE: { roughness: 20 }, PAINT: { roughness: 45 } }
  usedId = 0
  useSite().site = { id: 1, revision: 4 } as SiteView
  asked = stubServer((method, path, body) => {
    if (path.includes('/news')) return { site: { id: 1, revision: 4 }, parts: [], chunks: [], gone: [], all: false }
    if (path.endsWith('/shared-sheets'))
      return [
        { material: 'SHARED', pixels: 1024, widthMm: 4000, cells: 16, free: 254, sheet: 'together', placed: [{ swatch: 'SHARED1', name: 'rail' }] },
        { material: 'SHARED_B', pixels: 512, widthMm: 2000, cells: 16, free: 255, sheet: 'more', placed: [{ swatch: 'SHARED_B1', name: 'sign' }] },
      ]
    if (path.endsWith('/colourways')) return [one(0), one(5)]
    if (path.endsWith('/colourway')) usedId = (body as { colourwayId: number }).colourwayId
    if (method === 'PATCH') {
      const told = (body as { coats: Record<string, CoatWords> }).coats
      for (const [swatch, words] of Object.entries(told)) {
        if (words.roughness! > 100)
          return new Response(JSON.stringify({ detail: 'refused', errors: [{ field: `coats.${swatch}.roughness`, message: 'from 0 to 100' }] }), {
            status: 400,
          })
        coats[swatch] = { ...coats[swatch], ...words }
      }
    }
    return undefined
  })
})

describe('colourways', () => {
  it('dresses swatches in the one in use, under the word of each sheet', async () => {
    const ways = useColourways()
    await vi.waitFor(() => expect(ways.coats).toHaveLength(4))
    expect(ways.coats[2]).toMatchObject({ colourwayId: 0, swatch: 'shared', sheet: 'together', pixels: 1024 })
    expect(ways.coats[3]!.url('COLOUR')).toBe('/api/sites/1/shared-sheets/SHARED_B/COLOUR.png?side=512&as=more')
    // The largest are looked at no larger than others.
    expect(ways.coats[1]!.url('COLOUR')).toContain('side=1024')
    expect(ways.coats[0]!.swatch).toBe('tile')
    expect(ways.coats[0]!.url('NORMAL')).toBe('/api/sites/1/colourways/0/TILE/NORMAL.png?side=512&as=0-20')
    await ways.use(5)
    expect(ways.used?.id).toBe(5)
    expect(ways.coats[0]!.url('COLOUR')).toContain('/colourways/5/TILE/COLOUR.png')
  })

  it('has those of rooms and placements beside the one in use', async () => {
    const ways = useColourways()
    useSite().looks = { all: [{ pieceId: 1, tint: '', wear: 0, onFloor: false, colourwayId: 5 }], dealt: [] }
    await vi.waitFor(() =>
      expect(ways.coats.map((c) => `${c.colourwayId} ${c.swatch}`)).toEqual(['0 tile', '0 paint', '5 tile', '5 paint', '0 shared', '0 shared b']),
    )
    expect(ways.coats[2]!.url('COLOUR')).toContain('/colourways/5/TILE/')
  })

  it('sends what is typed in the order in which it was typed, and shows it', async () => {
    const ways = useColourways()
    await Promise.all([ways.change(5, { TILE: { roughness: 80 } }), ways.change(5, { PAINT: { roughness: 81 } }), ways.change(5, { TILE: { roughness: 82 } })])
    expect(asked.filter((a) => a.method === 'PATCH').map((a) => a.body)).toEqual([
      { coats: { TILE: { roughness: 80 } } },
      { coats: { PAINT: { roughness: 81 } } },
      { coats: { TILE: { roughness: 82 } } },
    ])
    expect(ways.all[1]!.coats.map((c) => c.words.roughness)).toEqual([82, 81])
  })

  it('keeps why a value was refused beside it, until another is taken', async () => {
    const ways = useColourways()
    await ways.change(5, { TILE: { roughness: 300 } })
    expect(ways.refusal?.about('coats.TILE.roughness')).toBe('from 0 to 100')
    expect(ways.refusal?.about('coats.PAINT.roughness')).toBeUndefined()
    await ways.change(5, { TILE: { roughness: 30 } })
    expect(ways.refusal).toBeUndefined()
  })
})
