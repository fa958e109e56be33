import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, watch } from 'vue'
import type { BenchView, PartWords, SiteView } from '../api/client'
import { useSite } from '../site/site'
import { stubServer } from '../test/stubServer'
import { useBench } from './bench'
import { usePatterns } from '../site/patterns'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))
vi.stubGlobal('sessionStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })

let parts: PartWords[]
let bands: { name: string; heightMm: number; proudMm: number }[]
let asked: ReturnType<typeof stubServer>
/** What happens before a new part is answered. */
let early: () => unknown

const bench = () => ({ id: 7, code: 'PRP-X', parts: parts.map((words) => ({ words, boxesMm: [] })) }) as unknown as BenchView
const patterns = () => [{ id: 3, name: 'tiled', used: false, words: { leastMm: 0, bands, trims: [], uprights: [] }, seams: [] }]

beforeEach(() => {
  setActivePinia(createPinia())
  early = () => {}
  parts = [{ name: 'block', form: 'BLOCK', swatch: 'STONE', atMm: { x: 0, y: 0, z: 0 }, sizeMm: { x: 400, y: 400, z: 400 } }]
  bands = [{ name: 'wall', heightMm: 0, proudMm: 0 }]
  useSite().site = { id: 1, revision: 4 } as SiteView
  asked = stubServer((method, path, body) => {
    if (path.includes('/news')) return { site: { id: 1, revision: 4 }, parts: [], chunks: [], gone: [], all: false }
    if (path.endsWith('/patterns')) return patterns()
    if (method === 'PATCH' && path.endsWith('/patterns/3')) {
      bands = (body as { words: { bands: typeof bands } }).words.bands
      return patterns()[0]
    }
    const part = /parts\/(\d+)$/.exec(path)
    if (method === 'PATCH' && part) parts[Number(part[1])] = { ...parts[Number(part[1])], ...(body as PartWords) }
    if (method === 'PATCH' && path.endsWith('/parts'))
      for (const { number, words } of (body as { parts: { number: number; words: PartWords }[] }).parts) parts[number] = { ...parts[number], ...words }
    if (method === 'DELETE' && part) parts.splice(Number(part[1]), 1)
    if (method === 'POST' && path.endsWith('/parts')) {
      parts.push({ ...(body as PartWords), atMm: { x: 0, y: 0, z: 0 } })
      early()
      return parts.length - 1
    }
    return bench()
  })
})

const bodies = (method: string, end: string) => asked.filter((a) => a.method === method && a.path.endsWith(end)).map((a) => a.body)

describe('several parts at once', () => {
  const three = async () => {
    parts = [
      { form: 'BLOCK', swatch: 'STONE', atMm: { x: 0, y: 0, z: 0 }, sizeMm: { x: 10, y: 20, z: 30 } },
      { form: 'BLOCK', swatch: 'STONE', atMm: { x: 5, y: 0, z: 0 }, sizeMm: { x: 40, y: 50, z: 60 } },
      { form: 'TURNED', swatch: 'STONE', atMm: { x: 9, y: 0, z: 0 }, stations: [] },
    ]
    const work = useBench()
    work.open(7)
    await vi.waitFor(() => expect(work.bench).toBeDefined())
    return work
  }

  it('are told alike in one edit, each from what it is', async () => {
    const work = await three()
    work.take(1, true)
    work.take(2, true)
    expect([0, 1, 2].map(work.isTaken)).toEqual([true, true, true])
    await work.changePart((w) => ({ atMm: { ...w.atMm!, z: 70 } }))
    expect(bodies('PATCH', '/parts')).toEqual([
      {
        parts: [
          { number: 2, words: { atMm: { x: 9, y: 0, z: 70 } } },
          { number: 0, words: { atMm: { x: 0, y: 0, z: 70 } } },
          { number: 1, words: { atMm: { x: 5, y: 0, z: 70 } } },
        ],
      },
    ])
  })

  it('leave out those that have no such value', async () => {
    const work = await three()
    work.take(2, true)
    work.take(0, true)
    work.take(1, true)
    expect(work.isTaken(0)).toBe(false)
    work.take(0, true)
    await work.changePart((w) => ({ sizeMm: { ...w.sizeMm!, y: 7 } }))
    expect(bodies('PATCH', '/parts')).toEqual([
      {
        parts: [
          { number: 0, words: { sizeMm: { x: 10, y: 7, z: 30 } } },
          { number: 1, words: { sizeMm: { x: 40, y: 7, z: 60 } } },
        ],
      },
    ])
  })

  it('are one again after a plain click, or when a part is gone', async () => {
    const work = await three()
    work.take(1, true)
    work.take(2)
    expect([0, 1, 2].map(work.isTaken)).toEqual([false, false, true])
    work.take(1, true)
    await work.removePart(0)
    expect(work.also.size).toBe(0)
  })
})

describe('the bench', () => {
  it('works out each edit from what the one before it left, however fast they come', async () => {
    const work = useBench()
    work.open(7)
    await vi.waitFor(() => expect(work.bench).toBeDefined())
    const size = (axis: 'x' | 'y' | 'z', mm: number) => work.changePart((w) => ({ sizeMm: { ...w.sizeMm!, [axis]: mm } }))
    await Promise.all([size('x', 1200), size('y', 600), size('z', 40)])
    expect(bodies('PATCH', '/parts/0')).toEqual([
      { sizeMm: { x: 1200, y: 400, z: 400 } },
      { sizeMm: { x: 1200, y: 600, z: 400 } },
      { sizeMm: { x: 1200, y: 600, z: 40 } },
    ])
    expect(work.part?.sizeMm).toEqual({ x: 1200, y: 600, z: 40 })
  })

  it('gives what was typed about a part to that part, though another was taken before it was read', async () => {
    const work = useBench()
    work.open(7)
    await vi.waitFor(() => expect(work.bench).toBeDefined())
    const typedAt = work.spot()
    await work.addPart('TURNED')
    expect(work.chosen).toBe(1)
    await work.changePart((w) => ({ atMm: { ...w.atMm!, z: 700 } }), typedAt)
    expect(bodies('PATCH', '/parts/1')).toEqual([])
    expect(parts.map((p) => p.atMm!.z)).toEqual([700, 0])
    work.open(8)
    await work.changePart(() => ({ name: 'still of the first' }), typedAt)
    expect(asked.at(-1)!.path).toContain('/pieces/7/parts/0')
  })

  it('works on the part that was added, and on one that is there once one was taken out', async () => {
    const work = useBench()
    work.open(7)
    await vi.waitFor(() => expect(work.bench).toBeDefined())
    await work.addPart('TURNED')
    expect(work.chosen).toBe(1)
    await work.removePart(1)
    expect(work.chosen).toBe(0)
    expect(work.bench?.parts).toHaveLength(1)
  })

  it('never shows a new part while the fields are still another’s, though the news of it come before the answer', async () => {
    const work = useBench()
    work.open(7)
    await vi.waitFor(() => expect(work.bench).toBeDefined())
    const seen: string[] = []
    watch(
      () => `${work.bench?.parts.length} parts, at ${work.chosen}`,
      (now) => seen.push(now),
    )
    early = () => (useSite().site = { id: 1, revision: 5 } as SiteView)
    await work.addPart('TURNED')
    await nextTick()
    expect(seen).toEqual(['2 parts, at 1'])
  })

  it('copies parts from the piece they were taken of, whatever lies on the bench then', async () => {
    const work = useBench()
    work.open(7)
    await vi.waitFor(() => expect(work.bench).toBeDefined())
    work.copyPart(0)
    work.open(8)
    await work.putCopies()
    expect(asked.find((a) => a.path.endsWith('/pieces/8/parts/copies'))?.body).toEqual({ fromPieceId: 7, parts: [0] })
  })
})

describe('patterns', () => {
  it('are changed from what the change before left', async () => {
    const all = usePatterns()
    await vi.waitFor(() => expect(all.all).toHaveLength(1))
    await Promise.all([
      all.change(3, (w) => ({ ...w, bands: [{ name: 'plinth', swatch: 'STONE', heightMm: 200, proudMm: 30 }, ...w.bands] })),
      all.change(3, (w) => ({ ...w, bands: w.bands.map((b) => ({ ...b, proudMm: b.proudMm + 5 })) })),
    ])
    expect(bands.map((b) => [b.name, b.proudMm])).toEqual([
      ['plinth', 35],
      ['wall', 5],
    ])
  })

  it('are used with one edit', async () => {
    const all = usePatterns()
    await all.use(3)
    expect(bodies('PUT', '/pattern')).toEqual([{ patternId: 3 }])
  })
})
