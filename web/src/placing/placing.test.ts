import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { PieceView, PlacementView, SiteView, VecMm } from '../api/client'
import { useSite } from '../site/site'
import { stubServer } from '../test/stubServer'
import { BY_HAND, oneStanding } from '../test/standing'
import { minus, plus } from '../measure/length'
import { usePlacing } from './placing'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))
vi.stubGlobal('sessionStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })

const bench = { id: 1, code: 'PRP-BENCH', sizeMm: { x: 1600, y: 450, z: 450 }, trait: { held: 'STANDS', looks: [], seed: 0 } } as unknown as PieceView
const standing: PlacementView = { ...BY_HAND, quarterTurns: 1 }
let asked: ReturnType<typeof stubServer>
let next: number

/** The server puts everything on the metre. */
const snapped = (at: VecMm) => ({ x: Math.round(at.x / 1000) * 1000, y: Math.round(at.y / 1000) * 1000, z: 0 })

beforeEach(() => {
  next = 100
  setActivePinia(createPinia())
  const site = useSite()
  site.site = { id: 1, revision: 4, stepMm: 100 } as SiteView
  site.pieces = [bench]
  site.placements = oneStanding(standing)
  asked = stubServer((method, path, body) => {
    if (path.endsWith('/preview')) {
      const place = (body as { place: { atMm: VecMm } }).place
      return { atMm: snapped(place.atMm), quarterTurns: 0, mirrored: false, freeDegrees: 0, holds: [] }
    }
    if (path.includes('/news')) return { site: { id: 1, revision: 4 }, parts: [], chunks: [], gone: [], all: false }
    if (path.endsWith('/copies')) return ['hand.77']
    if (path.endsWith('/placements') && method === 'POST') {
      const told = body as { atMm: VecMm; quarterTurns?: number; pieceId: number }
      return { ...standing, id: `hand.${next++}`, pieceId: told.pieceId, atMm: snapped(told.atMm), quarterTurns: told.quarterTurns ?? 0 }
    }
    return undefined
  })
})

const bodies = (end: string) => asked.filter((a) => a.path.endsWith(end)).map((a) => a.body as Record<string, never>)

describe('placing by hand', () => {
  it('shows the ghost where the server says, and asks again only for the latest place', async () => {
    const placing = usePlacing()
    placing.take(1, { x: 0, y: 0, z: 0 })
    for (let x = 0; x <= 3000; x += 10) placing.point({ x, y: 0, z: 0 })
    await vi.waitFor(() => expect(placing.ghost?.atMm.x).toBe(3000))
    expect(bodies('/preview').length).toBeLessThan(5)
  })

  it('sets a piece down where it was pointed at last and keeps it in the hand', async () => {
    const placing = usePlacing()
    placing.take(1)
    placing.turn(1)
    placing.turn(1)
    placing.mirror()
    await placing.setDown({ x: 2100.04, y: 960, z: 0 })
    expect(bodies('/placements')[0]).toMatchObject({ pieceId: 1, quarterTurns: 2, mirrored: true, snap: true, atMm: { x: 2100, y: 960, z: 0 } })
    expect(placing.held).toBeDefined()
    expect([...useSite().selection]).toEqual(['hand.100'])
  })

  it('repeats by the piece’s own length, then by the offset of the last two', async () => {
    const placing = usePlacing()
    placing.take(1)
    await placing.setDown({ x: 0, y: 0, z: 0 })
    await placing.repeat()
    expect(bodies('/placements')[1]).toMatchObject({ atMm: { x: 1600, y: 0, z: 0 } })
    await placing.setDown({ x: 5000, y: 0, z: 0 })
    await placing.repeat()
    // From 2000 to 5000: 3000 further.
    expect(bodies('/placements')[3]).toMatchObject({ atMm: { x: 8000, y: 0, z: 0 } })
  })

  it('moves what it picked up to where the server would snap it, even if the ghost has not got there', async () => {
    const placing = usePlacing()
    useSite().select(['hand.9'])
    placing.pickUp()
    await placing.setDown({ x: 3900, y: 100, z: 0 })
    expect(bodies('/preview').pop()).toMatchObject({ without: ['hand.9'] })
    expect(bodies('/arrange')[0]).toEqual({ ids: ['hand.9'], byMm: { x: 3500, y: -500, z: 0 } })
    expect(placing.held).toBeUndefined()
    await placing.repeat()
    expect(bodies('/arrange')[1]).toEqual({ ids: ['hand.9'], byMm: { x: 3500, y: -500, z: 0 } })
  })

  it('pastes a copy beside the first and leaves the first where it is', async () => {
    const placing = usePlacing()
    const site = useSite()
    site.select(['hand.9'])
    placing.copyToClipboard()
    site.select([])
    placing.paste()
    await placing.setDown({ x: 2000, y: 0, z: 0 })
    expect(bodies('/preview').pop()).toMatchObject({ without: [] })
    expect(bodies('/copies')[0]).toEqual({ ids: ['hand.9'], byMm: { x: 1500, y: -500, z: 0 } })
    expect(bodies('/arrange')).toHaveLength(0)
  })

  it('counts what is pasted as held while it waits for its turn, so that a click meanwhile sets it down', async () => {
    const placing = usePlacing()
    const site = useSite()
    site.select(['hand.9'])
    placing.copyToClipboard()
    let done = () => {}
    const before = new Promise<void>((resolve) => (done = resolve))
    void site.inTurn(() => before)
    const pasted = placing.taking(() => placing.paste())
    expect(placing.holds).toBe(true)
    expect(placing.held).toBeUndefined()
    const set = site.inTurn(() => placing.setDown({ x: 3100, y: 2000, z: 0 }))
    done()
    await Promise.all([pasted, set])
    expect(bodies('/copies')).toHaveLength(1)
    expect(placing.holds).toBe(false)
  })

  it('does nothing with empty hands', async () => {
    const placing = usePlacing()
    await placing.setDown({ x: 0, y: 0, z: 0 })
    await placing.repeat()
    placing.pickUp()
    placing.paste()
    expect(asked).toHaveLength(0)
    expect(placing.held).toBeUndefined()
  })

  it('adds and takes places', () => {
    expect(minus(plus({ x: 1, y: 2, z: 3 }, { x: 4, y: 5, z: 6 }), { x: 4, y: 5, z: 6 })).toEqual({ x: 1, y: 2, z: 3 })
  })
})
