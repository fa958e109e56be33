import { describe, expect, it } from 'vitest'
import type { GapView, MassingView, RoomView, StairView } from '../api/client'
import { useHand, type Deed } from './hand'

const room: RoomView = {
  id: 1,
  name: 'Hall',
  levelId: 0,
  cornerMm: { x: 0, y: 0, z: 0 },
  widthMm: 5000,
  depthMm: 4000,
  heightMm: 3000,
  areaM2: 20,
  openToSky: false,
  wholeWalls: false,
  patternId: 0,
  outlineMm: [
    [
      { edge: 0, x: 0, y: 4000 },
      { edge: 1, x: 5000, y: 4000 },
      { edge: 2, x: 5000, y: 0 },
      { edge: 3, x: 0, y: 0 },
    ],
  ],
}
const gap: GapView = { openingId: 7, kind: 'DOOR', side: 'NORTH', box: { min: { x: 2000, y: 4000, z: 0 }, max: { x: 3000, y: 4200, z: 2100 } } }
const stair = {
  id: 3,
  levelId: 0,
  footMm: { x: 1000, y: 1000, z: 0 },
  riseMm: 3200,
  treadsMm: [{ min: { x: 1000, y: 1000, z: 170 }, max: { x: 1290, y: 2200, z: 170 } }],
} as StairView
const massing = {
  cutMm: 1000,
  levels: [{ id: 0, name: 'Ground', floorMm: 0, storeyMm: 3200 }],
  rooms: [room],
  openings: [],
  walls: [],
  over: [],
  floors: [],
  gaps: [gap],
  chains: [],
  remarks: [],
  stairs: [stair],
  solids: [{ id: 5, name: 'Pier', levelId: 0, boxMm: { min: { x: 4000, y: 500, z: 0 }, max: { x: 4500, y: 1000, z: 3000 } } }],
  guards: [],
  runs: [],
} as MassingView

function hands(chosen: { room?: RoomView; stair?: StairView } = { room }) {
  const deeds: Deed[] = []
  const hand = useHand(
    () => ({ massing, level: massing.levels[0], stepMm: 100, wallMm: 200, scale: 0.1, ...chosen }),
    (d) => deeds.push(d),
  )
  return { hand, deeds }
}

/** Presses, drags there and lets go. */
function drag(hand: ReturnType<typeof useHand>, drawing: '' | 'ground' | 'line', from: [number, number], ...to: [number, number][]) {
  const taken = hand.take({ x: from[0], y: from[1] }, drawing)
  for (const [x, y] of to) hand.drag({ x, y })
  return { taken, moved: hand.letGo() }
}

describe('a hand on the plan', () => {
  it('draws ground between the nearest steps, and none where it did not move', () => {
    const { hand, deeds } = hands()
    drag(hand, 'ground', [33, 22], [900, 900], [2049, 1951])
    expect(deeds).toEqual([{ what: 'ground', from: { x: 0, y: 0 }, to: { x: 2000, y: 2000 } }])
    drag(hand, 'ground', [0, 0], [30, 3000])
    expect(deeds).toHaveLength(1)
    expect(hand.room.value).toBeUndefined()
  })

  it('draws a line as it went, if it is as long as a step', () => {
    const { hand, deeds } = hands()
    drag(hand, 'line', [10, 20], [3010, 40])
    expect(deeds).toEqual([{ what: 'line', from: { x: 10, y: 20 }, to: { x: 3010, y: 40 } }])
    drag(hand, 'line', [10, 20], [40, 40])
    expect(deeds).toHaveLength(1)
  })

  it('takes a wall that it points at, and moves it outward by steps, wherever it went meanwhile', () => {
    const { hand, deeds } = hands()
    hand.point({ x: 5030, y: 2000 }, false)
    expect(hand.edge.value?.edge.edge).toBe(1)
    drag(hand, '', [5030, 2000], [9000, 0], [1000, 100], [6020, 2600])
    expect(deeds).toEqual([{ what: 'edge', edge: 1, outwardMm: 1000 }])
    hand.point({ x: 2500, y: 2000 }, false)
    expect(hand.edge.value).toBeUndefined()
  })

  it('takes an opening before the wall that it is in, and moves it along the wall alone', () => {
    const { hand, deeds } = hands()
    hand.point({ x: 2500, y: 4050 }, false)
    expect(hand.opening.value?.gap.openingId).toBe(7)
    expect(hand.edge.value).toBeUndefined()
    drag(hand, '', [2500, 4050], [3060, 9000])
    expect(deeds).toEqual([{ what: 'opening', id: 7, by: { x: 600, y: 0 } }])
  })

  it('moves the room that is chosen, and is a click where it did not move', () => {
    const { hand, deeds } = hands()
    expect(drag(hand, '', [2500, 3000], [2760, 2900])).toEqual({ taken: true, moved: true })
    expect(deeds).toEqual([{ what: 'body', body: { room }, by: { x: 300, y: -100 } }])
    expect(drag(hand, '', [2500, 3000], [2520, 3010]).moved).toBe(false)
    expect(deeds).toHaveLength(1)
    // Beside every room there is nothing to take.
    expect(drag(hand, '', [9000, 9000], [9500, 9500])).toEqual({ taken: false, moved: false })
  })

  it('moves the stairs that are chosen, and not the room under them', () => {
    const { hand, deeds } = hands({ room, stair })
    drag(hand, '', [1100, 1500], [1400, 1500])
    expect(deeds).toEqual([{ what: 'body', body: { stair }, by: { x: 300, y: 0 } }])
    expect(drag(hand, '', [3000, 3000], [3400, 3000]).taken).toBe(false)
  })

  it('points at nothing while something is drawn', () => {
    const { hand } = hands()
    hand.point({ x: 5030, y: 2000 }, true)
    expect(hand.edge.value).toBeUndefined()
    hand.point({ x: 2500, y: 4050 }, true)
    expect(hand.opening.value).toBeUndefined()
  })

  it('finds the topmost body: a solid before stairs, stairs before their room', () => {
    const { hand } = hands()
    expect(hand.bodyAt({ x: 4200, y: 700 })).toMatchObject({ solid: { id: 5 } })
    expect(hand.bodyAt({ x: 1100, y: 1500 })).toMatchObject({ stair: { id: 3 } })
    expect(hand.bodyAt({ x: 2500, y: 2500 })).toMatchObject({ room: { id: 1 } })
    expect(hand.bodyAt({ x: -500, y: 2500 })).toBeUndefined()
  })

  it('takes a corner before the walls that meet there, and moves it both ways by the step', () => {
    const { hand, deeds } = hands()
    hand.point({ x: 4970, y: 3960 }, false)
    expect(hand.corner.value?.edge.edge).toBe(1)
    expect(hand.edge.value).toBeUndefined()
    drag(hand, '', [4970, 3960], [5980, 4340])
    expect(deeds).toEqual([{ what: 'corner', edge: 1, by: { x: 1000, y: 400 } }])
    hand.point({ x: 4970, y: 3960 }, true)
    expect(hand.corner.value).toBeUndefined()
  })
})

describe('ground beside a room', () => {
  /** With a step of 1 m and a pointer that misses by 40 mm, 4 pixels. */
  function drawn(from: [number, number], to: [number, number]) {
    const deeds: Deed[] = []
    const hand = useHand(
      () => ({ massing, level: massing.levels[0], stepMm: 1000, wallMm: 200, scale: 0.1 }),
      (d) => deeds.push(d),
    )
    hand.take({ x: from[0], y: from[1] }, 'ground')
    hand.drag({ x: to[0], y: to[1] })
    hand.letGo()
    return deeds[0]
  }

  it('begins on the other side of its wall, and ends in line with its other one', () => {
    expect(drawn([5240, 40], [9100, 3970])).toEqual({ what: 'ground', from: { x: 5200, y: 0 }, to: { x: 9000, y: 4000 } })
  })

  it('above it, beyond its north wall', () => {
    expect(drawn([-30, 4240], [4960, 7400])).toEqual({ what: 'ground', from: { x: 0, y: 4200 }, to: { x: 5000, y: 7000 } })
  })

  it('lies on the step where no wall is near', () => {
    expect(drawn([6400, 900], [8600, 2600])).toEqual({ what: 'ground', from: { x: 6000, y: 1000 }, to: { x: 9000, y: 3000 } })
  })
})
