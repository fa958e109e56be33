import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { ItemView, SheetView, SiteView } from '../api/client'
import { useSite } from '../site/site'
import { stubServer } from '../test/stubServer'
import { lieOf, useBoard } from './board'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))
vi.stubGlobal('sessionStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })

const item = (id: number, change: Partial<ItemView> = {}) =>
  ({
    id,
    kind: 'PICTURE',
    name: `p${id}`,
    text: '',
    x: 0,
    y: 0,
    width: 10,
    height: 10,
    turn: 0,
    flipped: false,
    crop: [0, 0, 1, 1],
    groupId: 0,
    mediaId: id + 100,
    ...change,
  }) as ItemView
let items: ItemView[]
let asked: ReturnType<typeof stubServer>

beforeEach(() => {
  items = [item(1), item(2, { groupId: 9 }), item(3, { groupId: 9 }), item(4, { kind: 'NOTE' })]
  asked = stubServer((method, path) => {
    if (path.includes('/news')) return { site: { id: 1, revision: 4 }, changed: [], removed: [] }
    if (path.endsWith('/board') && method === 'GET') return { mostBytes: 9, items, planes: [], tags: [], marks: [] } as SheetView
    if (method === 'GET') return path.endsWith('/brief') ? { intent: 'calm' } : []
    return undefined
  })
  setActivePinia(createPinia())
  useSite().site = { id: 1, revision: 4 } as SiteView
})

async function opened() {
  const board = useBoard()
  await vi.waitFor(() => expect(board.sheet).toBeDefined())
  return board
}

describe('the board as the browser keeps it', () => {
  it('fetches board, list and brief, and again when the site says they changed', async () => {
    const board = await opened()
    expect(board.pictures.map((p) => p.id)).toEqual([1, 2, 3])
    expect(board.brief?.intent).toBe('calm')
    const before = asked.length
    useSite().boards++
    await vi.waitFor(() => expect(asked.length).toBe(before + 3))
  })

  it('lets go of what is no longer there, and of its pin', async () => {
    const board = await opened()
    board.select([1, 4])
    board.pinned = 1
    items = items.slice(1)
    await board.fetchAll()
    expect([...board.selection]).toEqual([4])
    expect(board.pinned).toBeUndefined()
  })

  it('takes a grouped item with its group', async () => {
    const board = await opened()
    expect(board.withGroup(items[1]!).map((i) => i.id)).toEqual([2, 3])
    expect(board.withGroup(items[0]!).map((i) => i.id)).toEqual([1])
  })

  it('sends changes of several things as one edit, and none for nothing', async () => {
    const board = await opened()
    await board.change('Move', [
      { id: 1, lie: lieOf(items[0]!) },
      { id: 4, grey: true },
    ])
    const sent = asked.find((a) => a.method === 'PATCH')!
    expect(sent.path).toBe('/api/sites/1/board/items')
    expect(sent.body).toMatchObject({
      does: 'Move',
      items: [
        { id: 1, lie: { width: 10, crop: [0, 0, 1, 1] } },
        { id: 4, grey: true },
      ],
    })
    const before = asked.length
    await board.change('Move', [])
    expect(asked).toHaveLength(before)
  })

  it('starts anew with another site', async () => {
    const board = await opened()
    board.select([1])
    useSite().site = { id: 2, revision: 1 } as SiteView
    await nextTick()
    expect(board.selection.size).toBe(0)
    await vi.waitFor(() => expect(asked.some((a) => a.path === '/api/sites/2/board')).toBe(true))
    expect(board.preview(items[0]!)).toBe('/api/sites/2/media/101/preview')
  })
})
