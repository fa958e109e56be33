import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { SiteView } from '../api/client'
import { useSite } from '../site/site'
import { stubServer } from '../test/stubServer'
import { useMaterials, wordOf } from './materials'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))
vi.stubGlobal('sessionStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })

let names: Record<string, string>
let asked: ReturnType<typeof stubServer>

beforeEach(() => {
  setActivePinia(createPinia())
  names = { PLASTER: 'plaster', OWN1: 'oak', SHARED: 'shared', SHARED_B: 'shared b' }
  useSite().site = { id: 1, revision: 4 } as SiteView
  asked = stubServer((method, path, body) => {
    if (path.includes('/news')) return { site: { id: 1, revision: 4 }, parts: [], chunks: [], gone: [], all: false }
    if (path.endsWith('/shared-sheets'))
      return [
        { material: 'SHARED', placed: [{ swatch: 'SHARED1', name: 'rail' }] },
        { material: 'SHARED_B', placed: [{ swatch: 'SHARED_B1', name: 'sign' }] },
      ]
    if (path.endsWith('/materials'))
      return Object.entries(names).map(([swatch, name]) => ({ swatch, name, named: swatch === 'OWN1', pixels: 1024, shared: swatch.startsWith('SHARED') }))
    if (method === 'PATCH') {
      const { name } = body as { name?: string }
      if (name && Object.values(names).includes(name))
        return new Response(JSON.stringify({ detail: 'refused', errors: [{ field: 'name', message: 'another is called so' }] }), { status: 400 })
      if (name) names[path.split('/').pop()!] = name
    }
    return undefined
  })
})

describe('materials', () => {
  it('are all that something can be made of, with what lies on shared sheets, but not those sheets themselves', async () => {
    const materials = useMaterials()
    await vi.waitFor(() => expect(materials.swatches.map((s) => s.label)).toEqual(['plaster', 'oak', 'rail', 'sign']))
    expect(materials.swatches[1]!.value).toBe('OWN1')
  })

  it('are called as the site says, and by their words before it has said so', async () => {
    const materials = useMaterials()
    expect(materials.called('SHARED_B')).toBe('shared b')
    await vi.waitFor(() => expect(materials.called('OWN1')).toBe('oak'))
    expect(materials.called('SHARED_B1')).toBe('sign')
    expect([materials.isNamed('OWN1'), materials.isNamed('PLASTER')]).toEqual([true, false])
    expect(wordOf('SHARED_B')).toBe('shared b')
  })

  it('are called otherwise at once; why a name was refused stays until another is taken', async () => {
    const materials = useMaterials()
    await materials.call('PLASTER', 'limewash')
    expect(materials.called('PLASTER')).toBe('limewash')
    await materials.call('SHARED_B', 'oak')
    expect(materials.refusal?.about('name')).toBe('another is called so')
    await materials.setPixels('OWN1', 2048)
    expect(materials.refusal).toBeUndefined()
    expect(asked.filter((a) => a.method === 'PATCH').map((a) => [a.path.replace('/api/sites/1', ''), a.body])).toEqual([
      ['/materials/PLASTER', { name: 'limewash' }],
      ['/materials/SHARED_B', { name: 'oak' }],
      ['/materials/OWN1', { pixels: 2048 }],
    ])
  })
})
