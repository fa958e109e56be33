import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import type { ItemView, SheetView, SiteView } from '../api/client'
import { useSite } from '../site/site'
import { stubServer } from '../test/stubServer'
import { useBoard } from '../board/board'
import { flat, paired, useTakeoff } from './takeoff'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))
vi.stubGlobal('sessionStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })

const picture = { id: 5, kind: 'PICTURE', pixelsX: 1000, pixelsY: 800 } as ItemView
const plane = {
  id: 8,
  pictureId: 5,
  name: 'wall',
  kind: 'PERSPECTIVE' as const,
  points: [0, 9, 9, 9, 9, 0, 0, 0],
  widthMm: 1000,
  heightMm: 1000,
  pickErrorPx: 1,
}
const tag = { id: 3, letter: 'A', name: 'window', role: 'WINDOW' as const, seen: 0, estimated: 0 }
let sheet: SheetView
let asked: ReturnType<typeof stubServer>

function open() {
  setActivePinia(createPinia())
  const site = useSite()
  site.site = { id: 1, revision: 4, unit: 'METRE', stepMm: 100 } as SiteView
  const board = useBoard()
  board.sheet = sheet
  return useTakeoff(ref<ItemView | undefined>(picture))
}

beforeEach(() => {
  sheet = { mostBytes: 1, items: [picture], planes: [plane], tags: [tag], marks: [] } as SheetView
  asked = stubServer((method, path) => {
    if (path.endsWith('/grid')) return { pitchMm: 100, lines: [] }
    if (path.endsWith('/measurements')) return { value: 1500, deviation: 12 }
    if (path.includes('/news')) return { site: { id: 1, revision: 4 }, changed: [], removed: [] }
    if (path.endsWith('/board')) return sheet
    if (method === 'GET') return []
    return { id: 42 }
  })
})

const posts = (end: string) => asked.filter((a) => a.method === 'POST' && a.path.endsWith(end))

describe('the takeoff of one picture', () => {
  it('keeps points as numbers by turns and gives them back', () => {
    const points = [
      { x: 1, y: 2 },
      { x: 3, y: 4 },
    ]
    expect(paired(flat(points))).toEqual(points)
  })

  it('makes a draft of four picks and asks for its grid', async () => {
    const t = open()
    t.tool.value = 'perspective'
    await nextTick()
    for (const [x, y] of [
      [10, 90],
      [90, 90],
      [90, 10],
    ])
      await t.pick({ x: x!, y: y! })
    expect(t.draft.value).toBeUndefined()
    await t.pick({ x: 10, y: 10 })
    expect(t.draft.value).toMatchObject({ kind: 'PERSPECTIVE', name: 'plane 2', pickErrorPx: 1 })
    await vi.waitFor(() =>
      expect(posts('/planes/grid').pop()?.body).toMatchObject({ pixelsX: 1000, calibration: { points: [10, 90, 90, 90, 90, 10, 10, 10] } }),
    )
    expect(t.picks.value).toEqual([])
  })

  it('measures what two picks span, on the chosen plane', async () => {
    const t = open()
    t.tool.value = 'measure'
    await nextTick()
    await t.pick({ x: 1, y: 1 })
    expect(posts('/measurements')).toHaveLength(0)
    await t.pick({ x: 5, y: 1 })
    expect(posts('/measurements')[0]!.body).toEqual({ planeId: 8, quantity: 'LENGTH', points: [1, 1, 5, 1] })
    expect(t.say(t.readings.value[0]!.values[0]!)).toBe('1.5 m ± 0.012 m')
  })

  it('measures a rectangle both ways', async () => {
    const t = open()
    t.tool.value = 'measure'
    t.quantity.value = 'RECTANGLE'
    await nextTick()
    await t.pick({ x: 1, y: 1 })
    await t.pick({ x: 5, y: 7 })
    expect(posts('/measurements').map((m) => (m.body as { quantity: string }).quantity)).toEqual(['WIDTH', 'HEIGHT'])
    expect(t.readings.value[0]!.values).toHaveLength(2)
  })

  it('says what is missing instead of measuring on nothing', async () => {
    sheet.planes = []
    const t = open()
    t.tool.value = 'measure'
    await nextTick()
    await t.pick({ x: 1, y: 1 })
    await t.pick({ x: 5, y: 7 })
    expect(t.fault.value).toContain('Calibrate the picture first')
    expect(posts('/measurements')).toHaveLength(0)
  })

  it('closes an outline on its first point', async () => {
    const t = open()
    t.tool.value = 'mark'
    t.shape.value = 'POLYGON'
    await nextTick()
    for (const [x, y] of [
      [0, 0],
      [50, 0],
      [50, 50],
    ])
      await t.pick({ x: x!, y: y! })
    await t.pick({ x: 3, y: 2 })
    expect(posts('/marks')[0]!.body).toMatchObject({ kind: 'POLYGON', tagId: 3, points: [0, 0, 50, 0, 50, 50] })
    expect(t.chosenMark.value).toBe(42)
  })

  it('tells why the server refused a plane, and keeps the draft to be mended', async () => {
    asked = stubServer((_, path) => (path.endsWith('/grid') ? new Response(JSON.stringify({ detail: 'The sides cross each other.' }), { status: 400 }) : {}))
    const t = open()
    t.tool.value = 'perspective'
    await nextTick()
    for (const [x, y] of [
      [10, 90],
      [90, 10],
      [90, 90],
      [10, 10],
    ])
      await t.pick({ x: x!, y: y! })
    await vi.waitFor(() => expect(t.fault.value).toBe('The sides cross each other.'))
    expect(t.draft.value).toBeDefined()
  })

  it('is no longer changed by hand once it is on its way to be kept, and is again when that is refused', async () => {
    asked = stubServer((_, path) => (path.endsWith('/planes') ? new Response(JSON.stringify({ detail: 'No.' }), { status: 400 }) : {}))
    const t = open()
    t.tool.value = 'flat'
    await nextTick()
    await t.pick({ x: 10, y: 10 })
    await t.pick({ x: 90, y: 10 })
    const kept = t.saveDraft()
    expect(t.keeping.value).toBe(true)
    await kept
    expect(t.keeping.value).toBe(false)
    expect(t.draft.value).toBeDefined()
    expect(posts('/planes')).toHaveLength(1)
  })

  it('writes angles and areas in their own units', () => {
    const t = open()
    expect(t.say({ value: 89.96, deviation: 0.31 }, 'ANGLE')).toBe('90.0° ± 0.3°')
    expect(t.say({ value: 2_500_000, deviation: 12_000 }, 'AREA')).toBe('2.500 m² ± 0.012')
    expect(t.say({ value: 1000.04, deviation: 0.26 })).toBe('1 m ± 0.0003 m')
  })
})
