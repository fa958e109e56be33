import { describe, expect, it } from 'vitest'
import type { OpeningView } from '../api/client'
import { asked } from './typed'

const openings = [
  { id: 1, roomId: 4, edge: 0, atMm: 1000, widthMm: 900 },
  { id: 2, roomId: 4, edge: 0, atMm: 3000, widthMm: 1200 },
  { id: 3, roomId: 4, edge: 1, atMm: 1000, widthMm: 900 },
] as OpeningView[]
const written = (fromMm: number, toMm: number) => ({ x: 0, y: 0, roomId: 4, edge: 0, fromMm, toMm, wholeMm: 5000 })

describe('a length typed into a chain', () => {
  it('is the length of the wall where it is the whole chain', () => {
    expect(asked(written(0, 5000), 6200, openings)).toEqual({ method: 'POST', path: '/rooms/4/edges/0/length', body: { lengthMm: 6200 } })
  })

  it('is the width of an opening, of the wall it is asked on', () => {
    expect(asked(written(1000, 1900), 800, openings)).toEqual({ method: 'PATCH', path: '/openings/1', body: { widthMm: 800 } })
  })

  it('sets the opening that follows so far from what comes before it', () => {
    expect(asked(written(0, 1000), 700, openings)).toEqual({ method: 'PATCH', path: '/openings/1', body: { atMm: 700 } })
    expect(asked(written(1900, 3000), 500, openings)).toEqual({ method: 'PATCH', path: '/openings/2', body: { atMm: 2400 } })
  })

  it('sets the last opening so far from the right end', () => {
    expect(asked(written(4200, 5000), 300, openings)).toEqual({ method: 'PATCH', path: '/openings/2', body: { fromRightMm: 300 } })
    expect(asked({ ...written(1, 2), edge: 3 }, 300, openings)).toBeUndefined()
  })
})
