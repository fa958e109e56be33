import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { useDeeds } from './deeds'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() }, Modal: {} }))
vi.mock('../site/feed', () => ({ openFeed: () => () => {} }))

const room = {
  id: 4,
  name: 'Hall',
  levelId: 0,
  cornerMm: { x: 0, y: 0, z: 0 },
  outlineMm: [
    [
      { edge: 0, x: 0, y: 4000 },
      { edge: 1, x: 5000, y: 4000 },
      { edge: 2, x: 5000, y: 0 },
      { edge: 3, x: 0, y: 0 },
    ],
  ],
}

describe('what a hand did', () => {
  let made: [string, string, unknown][]
  let table: ReturnType<typeof useTable>
  let site: ReturnType<typeof useSite>
  const settled = () => site.inTurn(() => Promise.resolve())

  beforeEach(() => {
    setActivePinia(createPinia())
    site = useSite()
    table = useTable()
    made = []
    site.site = { id: 7, revision: 1 } as never
    site.massing = {
      ...site.massing,
      levels: [{ id: 0, name: 'Ground', floorMm: 0, storeyMm: 3200 }],
      rooms: [room],
      openings: [{ id: 9, roomId: 4, edge: 1, atMm: 1000 }],
    } as never
    site.make = ((_label: string, method: string, path: string, body: unknown) => {
      made.push([method, path, body])
      return Promise.resolve({ id: 70 + made.length })
    }) as never
  })

  it('becomes a room, which is chosen, and the tool is put away', async () => {
    table.drawing = 'room'
    useDeeds().finish({ what: 'ground', from: { x: 0, y: 0 }, to: { x: 2000, y: 1000 } })
    expect(table.drawing).toBe('')
    await settled()
    expect(made).toEqual([['POST', '/rooms/drawn', { name: 'Room 1', levelId: 0, fromMm: { x: 0, y: 0, z: 0 }, toMm: { x: 2000, y: 1000, z: 0 } }]])
    expect(table.chosenRoom).toBe(71)
  })

  it('goes to the chosen room, or from it, or becomes a solid, as the tool says', async () => {
    for (const [drawing, path] of [
      ['join', '/rooms/4/join'],
      ['cut', '/rooms/4/cut'],
      ['solid', '/solids/drawn'],
    ] as const) {
      table.choose({ room: 4 })
      table.drawing = drawing
      useDeeds().finish({ what: 'ground', from: { x: 0, y: 0 }, to: { x: 100, y: 100 } })
      await settled()
      expect(made.at(-1)![1]).toBe(path)
    }
    expect(table.chosenSolid).toBe(73)
  })

  it('becomes stairs where a line was drawn, or a section, which asks the server for nothing', async () => {
    table.drawing = 'stair'
    const line = { what: 'line', from: { x: 0, y: 0 }, to: { x: 0, y: 4000 } } as const
    useDeeds().finish(line)
    await settled()
    expect(made).toEqual([['POST', '/stairs/drawn', { levelId: 0, fromMm: { x: 0, y: 0, z: 0 }, toMm: { x: 0, y: 4000, z: 0 } }]])
    expect(table.chosenStair).toBe(71)
    table.drawing = 'section'
    useDeeds().finish(line)
    await settled()
    expect(made).toHaveLength(1)
    expect(table.section).toEqual({ from: line.from, to: line.to })
    expect(table.drawn).toBe('section')
  })

  it('moves an opening along its wall: down on the plan is rightward in an east wall', async () => {
    useDeeds().finish({ what: 'opening', id: 9, by: { x: 0, y: -700 } })
    await settled()
    expect(made).toEqual([['PATCH', '/openings/9', { atMm: 1700 }]])
  })

  it('moves an edge, a room, stairs and a solid', async () => {
    const deeds = useDeeds()
    deeds.finish({ what: 'edge', edge: 1, outwardMm: 300 })
    deeds.finish({ what: 'body', body: { room: room as never }, by: { x: 100, y: 200 } })
    deeds.finish({ what: 'body', body: { stair: { id: 5, footMm: { x: 1, y: 2, z: 3 } } as never }, by: { x: 100, y: 200 } })
    deeds.finish({ what: 'body', body: { solid: { id: 6, boxMm: { min: { x: 1, y: 2, z: 3 } } } as never }, by: { x: -1, y: -2 } })
    await settled()
    expect(made).toEqual([
      ['POST', '/rooms/4/edges/1/move', { outwardMm: 300 }],
      ['POST', '/rooms/4/arrange', { byMm: { x: 100, y: 200, z: 0 } }],
      ['PATCH', '/stairs/5', { footMm: { x: 101, y: 202, z: 3 } }],
      ['PATCH', '/solids/6', { cornerMm: { x: 0, y: 0, z: 3 } }],
    ])
  })
})
