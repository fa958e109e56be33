import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { BY_HAND, chunkOf } from '../test/standing'
import { useSite } from './site'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))
const fed = vi.hoisted(() => ({ heard: (_revision?: number) => {} }))
vi.mock('./feed', () => ({
  openFeed: (_: number, heard: (revision?: number) => void) => {
    fed.heard = heard
    return () => {}
  },
}))
vi.stubGlobal('sessionStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })

/** A server of one site whose only chunk stands at its revision, in metres. */
let revision: number
let failing: string | undefined
/** What happens elsewhere once a chunk was sent. */
let meanwhile: (() => void) | undefined
const asked: string[] = []
const digest = (r: number) => `digest-${r}`
const stands = (r: number) => chunkOf({ ...BY_HAND, id: 'hand.1', pieceId: 3, atMm: { x: r * 1000, y: 0, z: 0 } })

function answer(path: string): Response {
  asked.push(path)
  if (failing && path.includes(failing)) throw new TypeError('connection refused')
  if (path.includes('/chunks/')) {
    const wanted = Number(path.split('digest-')[1])
    queueMicrotask(() => meanwhile?.())
    return wanted === revision ? new Response(stands(wanted)) : new Response(JSON.stringify({ detail: 'no such chunk any more' }), { status: 404 })
  }
  const site = { id: 7, revision, leftOut: 0, lost: 0 }
  if (path.includes('/news')) {
    const since = path.includes('since=') ? Number(path.split('since=')[1]) : undefined
    return Response.json({
      site,
      parts: since === revision ? [] : ['SET'],
      chunks: since === revision ? [] : [{ name: 'hands.0.0', digest: digest(revision), count: 1 }],
      gone: [],
      all: since === undefined,
      ...unchanged,
    })
  }
  return Response.json([])
}

const unchanged = { pieces: [], looks: { all: [], dealt: [] } }

beforeEach(() => {
  setActivePinia(createPinia())
  revision = 1
  failing = undefined
  meanwhile = undefined
  asked.length = 0
  vi.stubGlobal('fetch', (path: string) => Promise.resolve().then(() => answer(path)))
})

const shown = () => useSite().placements.get('hand.1')?.atMm.x

describe('catching up with the server', () => {
  it('shows the set as it stands', async () => {
    await useSite().open(7)
    expect(shown()).toBe(1000)
  })

  it('shows all of a site that stands at its first revision, as a copy does', async () => {
    revision = 0
    await useSite().open(7)
    expect(shown()).toBe(0)
  })

  it('loses nothing when one request fails: the next begins where this one began', async () => {
    const site = useSite()
    await site.open(7)
    revision = 2
    failing = '/chunks/'
    await expect(site.catchUp()).rejects.toThrow()
    expect(site.site!.revision).toBe(1)
    expect(shown()).toBe(1000)
    failing = undefined
    await site.catchUp()
    expect(site.site!.revision).toBe(2)
    expect(shown()).toBe(2000)
  })

  it('never goes backwards, however often it is told', async () => {
    const site = useSite()
    await site.open(7)
    revision = 3
    await Promise.all([site.catchUp(), site.catchUp(), site.catchUp()])
    expect(shown()).toBe(3000)
    revision = 2
    await site.catchUp()
    expect(site.site!.revision).toBe(3)
    expect(shown()).toBe(3000)
  })

  it('a chunk that an edit overtook is no missing site: there are newer news', async () => {
    const site = useSite()
    await site.open(7)
    revision = 2
    // The news say that there is a chunk of revision 2; by the time it is asked for, there is one of revision 3.
    const answered = vi.fn(answer)
    vi.stubGlobal('fetch', (path: string) =>
      Promise.resolve().then(() => {
        if (path.includes('digest-2')) revision = 3
        return answered(path)
      }),
    )
    await site.catchUp()
    expect(shown()).toBe(3000)
    expect(site.missing).toBe(false)
  })

  it('says while a selection is on its way, from when it was asked for', async () => {
    const site = useSite()
    await site.open(7)
    const before = site.inTurn(() => Promise.resolve())
    const selected = site.selecting(() => site.select(['hand.1']))
    expect([site.isSelecting(), site.selection.size]).toEqual([true, 0])
    await before
    await selected
    expect([site.isSelecting(), site.selection.size]).toEqual([false, 1])
  })

  it('fetches no chunk twice that is alike', async () => {
    const site = useSite()
    await site.open(7)
    asked.length = 0
    await site.catchUp()
    expect(asked.filter((p) => p.includes('/chunks/'))).toHaveLength(0)
  })

  it('is caught up for everyone who waits, though another asked for one more first', async () => {
    const site = useSite()
    await site.open(7)
    revision = 2
    meanwhile = () => (revision = 3)
    const first = site.catchUp()
    const seen: number[] = []
    const waiting = [site.catchUp(), site.catchUp()].map((w) => w.then(() => seen.push(site.site!.revision)))
    await Promise.all([first, ...waiting])
    expect(seen).toEqual([3, 3])
  })
})

/** The chunk in the news, as JSON carries it. */
const along = (r: number) => ({ name: 'hands.0.0', digest: digest(r), count: 1, columns: btoa(String.fromCharCode(...new Uint8Array(stands(r)))) })

describe('an edit of one’s own', () => {
  const made = (r: number, since: string) =>
    Response.json(
      { made: 'done', news: { site: { id: 7, revision: r, leftOut: 0, lost: 0 }, parts: ['SET'], chunks: [along(r)], gone: [], all: false, ...unchanged } },
      { headers: { 'Hausbau-Since': since } },
    )

  it('is one request and one answer, though the feed tells of it meanwhile', async () => {
    const site = useSite()
    await site.open(7)
    asked.length = 0
    vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
      if (init.method !== 'PATCH') return Promise.resolve().then(() => answer(path))
      asked.push(`edit since ${new Headers(init.headers).get('Hausbau-Since')}`)
      revision = 2
      fed.heard(2)
      return Promise.resolve(made(2, '1'))
    })
    expect(await site.make('Move', 'PATCH', '/placements/hand.1')).toBe('done')
    await Promise.resolve()
    expect(shown()).toBe(2000)
    expect(asked).toEqual(['edit since 1'])
  })

  it('made by another is fetched as the feed tells of it', async () => {
    const site = useSite()
    await site.open(7)
    revision = 4
    fed.heard(4)
    await vi.waitFor(() => expect(shown()).toBe(4000))
  })

  it('whose answer tells no news is followed by asking for them', async () => {
    const site = useSite()
    await site.open(7)
    vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
      if (init.method !== 'PATCH') return Promise.resolve().then(() => answer(path))
      revision = 2
      return Promise.resolve(Response.json('done'))
    })
    expect(await site.make('Move', 'PATCH', '/placements/hand.1')).toBe('done')
    expect(shown()).toBe(2000)
  })
})
