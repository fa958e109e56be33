import { describe, expect, it } from 'vitest'
import type { RoomView, RuleWords } from '../api/client'
import { turnedBox } from './assembling'
import { brushedWith, dragged, handles, laid, placedBy, stroked, usualPoints, wallAlong } from './rules'

const room = (id: number, x: number, y: number, w: number, d: number): RoomView => ({
  id,
  name: `Room ${id}`,
  levelId: 0,
  cornerMm: { x, y, z: 0 },
  widthMm: w,
  depthMm: d,
  heightMm: 3000,
  areaM2: (w * d) / 1e6,
  openToSky: false,
  wholeWalls: false,
  patternId: 0,
  outlineMm: [
    [
      { edge: 0, x, y: y + d },
      { edge: 1, x: x + w, y: y + d },
      { edge: 2, x: x + w, y },
      { edge: 3, x, y },
    ],
  ],
})
const hall = room(1, 0, 0, 5000, 4000)
const basin = room(2, 1000, 1000, 2000, 2000)

describe('what a drag lays', () => {
  it('takes a line along a wall for the whole wall, and no other', () => {
    expect(wallAlong([hall], { x: 600, y: 3700 }, { x: 4000, y: 3600 })).toEqual({ roomId: 1, hold: 'WALL', edge: 0 })
    expect(wallAlong([hall], { x: 600, y: 3700 }, { x: 4000, y: 2000 })).toBeUndefined()
    expect(wallAlong([hall], { x: 600, y: 3700 }, { x: 9000, y: 3700 })).toBeUndefined()
    const course = laid(
      'COURSE',
      [
        { x: 600, y: 3700 },
        { x: 4000, y: 3700 },
      ],
      0,
      100,
      [hall],
      { count: 5 },
    )
    expect(course).toMatchObject({ rule: { what: 'COURSE', halfEnds: true, along: true }, following: { hold: 'WALL' } })
    const free = laid(
      'COURSE',
      [
        { x: 600, y: 2000 },
        { x: 4000, y: 2000 },
      ],
      0,
      100,
      [hall],
      {},
    )
    expect(free).toMatchObject({ rule: { fromMm: { x: 600, y: 2000, z: 0 } }, following: { roomId: 1, hold: 'ROOM' } })
  })

  it('takes the middle of the nearest room for a ring’s centre, and the radius to the step', () => {
    const ring = laid(
      'RING',
      [
        { x: 2100, y: 1900 },
        { x: 2990, y: 2000 },
      ],
      -1400,
      100,
      [hall, basin],
      {},
    )
    expect(ring).toMatchObject({ rule: { fromMm: { x: 2000, y: 2000, z: -1400 }, radiusMm: 1000 }, following: { roomId: 2 } })
    expect(
      laid(
        'RING',
        [
          { x: 100, y: 100 },
          { x: 120, y: 100 },
        ],
        0,
        100,
        [hall],
        {},
      ),
    ).toBeUndefined()
  })

  it('takes an area from whichever corner it is drawn, and refuses none', () => {
    expect(
      laid(
        'FIELD',
        [
          { x: 900, y: 800 },
          { x: 100, y: 2000 },
        ],
        50,
        100,
        [hall],
        {},
      )?.rule,
    ).toMatchObject({ areaMm: [{ x0: 100, y0: 800, x1: 900, y1: 2000 }], baseMm: 50 })
    expect(
      laid(
        'SCATTER',
        [
          { x: 900, y: 800 },
          { x: 900, y: 2000 },
        ],
        0,
        100,
        [hall],
        {},
      ),
    ).toBeUndefined()
    expect(laid('TRAIL', [{ x: 900, y: 800 }], 0, 100, [hall], {})).toBeUndefined()
  })
})

describe('without the mouse', () => {
  it('lays in the middle of a room, within it', () => {
    for (const what of ['COURSE', 'FIELD', 'RING', 'TRAIL', 'STACK', 'SCATTER'] as const) {
      const points = usualPoints(what, basin, 100)
      expect(laid(what, points, 0, 100, [hall, basin], {})?.following?.roomId).toBe(2)
      for (const p of points) expect(p.x > 1000 && p.x < 3000 && p.y > 1000 && p.y < 3000).toBe(true)
    }
  })

  it('an area is moved by its corner and sized by its width', () => {
    const field: RuleWords = { what: 'FIELD', areaMm: [{ x0: 100, y0: 0, x1: 1100, y1: 2000 }], baseMm: 5 }
    const told = (label: string, mm: number) =>
      placedBy(field)
        .find((p) => p.label === label)!
        .told(mm)
    expect(told('Corner X', 300)).toEqual({ areaMm: [{ x0: 300, y0: 0, x1: 1300, y1: 2000 }] })
    expect(told('Width', 500)).toEqual({ areaMm: [{ x0: 100, y0: 0, x1: 600, y1: 2000 }] })
    expect(told('Lies at Z', 40)).toEqual({ baseMm: 40 })
    const course: RuleWords = { what: 'COURSE', fromMm: { x: 1, y: 2, z: 3 }, toMm: { x: 4, y: 5, z: 6 } }
    expect(placedBy(course).map((p) => p.mm)).toEqual([1, 2, 3, 4, 5, 6])
    expect(placedBy(course)[4]!.told(9)).toEqual({ toMm: { x: 4, y: 9, z: 6 } })
  })
})

describe('handles', () => {
  const field: RuleWords = { what: 'FIELD', areaMm: [{ x0: 0, y0: 0, x1: 1000, y1: 2000 }] }

  it('lie where the rule says', () => {
    expect(handles(field).map((h) => [h.key, h.x, h.y])).toEqual([
      ['low', 0, 0],
      ['high', 1000, 2000],
    ])
    expect(handles({ what: 'RING', fromMm: { x: 5, y: 6, z: 0 }, radiusMm: 100 })[1]).toEqual({ key: 'radius', x: 105, y: 6 })
    expect(
      handles({
        what: 'TRAIL',
        pathMm: [
          { x: 1, y: 2, z: 0 },
          { x: 3, y: 4, z: 0 },
        ],
      }),
    ).toHaveLength(2)
  })

  it('dragged, an area keeps at least a step', () => {
    expect(dragged(field, 'low', { x: 5000, y: 500 }, 100).areaMm).toEqual([{ x0: 900, y0: 500, x1: 1000, y1: 2000 }])
    expect(dragged({ what: 'RING', fromMm: { x: 0, y: 0, z: 0 }, radiusMm: 500 }, 'radius', { x: 30, y: 40 }, 100)).toEqual({ radiusMm: 100 })
    expect(dragged({ what: 'COURSE', fromMm: { x: 0, y: 0, z: 7 }, toMm: { x: 9, y: 0, z: 8 } }, 'to', { x: 1, y: 1 }, 100)).toEqual({
      toMm: { x: 1, y: 1, z: 8 },
    })
    expect(
      dragged(
        {
          what: 'TRAIL',
          pathMm: [
            { x: 1, y: 2, z: 3 },
            { x: 3, y: 4, z: 5 },
          ],
        },
        '1',
        { x: 9, y: 9 },
        100,
      ).pathMm,
    ).toEqual([
      { x: 1, y: 2, z: 3 },
      { x: 9, y: 9, z: 5 },
    ])
  })
})

it('a box about a pivot turns with it', () => {
  const box = { min: { x: -100, y: 0, z: 0 }, max: { x: 300, y: 50, z: 10 } }
  expect(turnedBox(box, 1, { x: 1000, y: 0, z: 5 })).toEqual({ min: { x: 950, y: -100, z: 5 }, max: { x: 1000, y: 300, z: 15 } })
  expect(turnedBox(box, 2, { x: 0, y: 0, z: 0 })).toEqual({ min: { x: -300, y: -50, z: 0 }, max: { x: 100, y: 0, z: 10 } })
})

describe('a brush', () => {
  it('touches a third of its radius apart', () => {
    let stroke = stroked([], { x: 0, y: 0 }, 900, 40)
    for (let x = 100; x <= 1200; x += 100) stroke = stroked(stroke, { x, y: 0 }, 900, 40)
    expect(stroke.map((t) => t.x)).toEqual([0, 300, 600, 900, 1200])
  })

  it('adds the ground that it reaches, and rubbing out adds none', () => {
    const rule = { areaMm: [{ x0: 0, y0: 0, x1: 1000, y1: 1000 }] }
    const touch = { x: 900, y: 500, radius: 300, strength: 40 }
    expect(brushedWith(rule, [touch], false).areaMm).toEqual([rule.areaMm[0], { x0: 600, y0: 200, x1: 1200, y1: 800 }])
    expect(brushedWith(rule, [{ ...touch, x: 500 }], false)).toEqual({ brushedMm: [{ ...touch, x: 500 }] })
    expect(brushedWith(rule, [{ ...touch, strength: -40 }], false).areaMm).toBeUndefined()
    expect(brushedWith(rule, [touch], true).areaMm).toBeUndefined()
  })
})
