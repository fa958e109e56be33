import { describe, expect, it } from 'vitest'
import type { DressView } from '../api/client'
import { commonDress, UNTOLD } from './dressing'

const dress = (ids: string[], told: Partial<DressView>): DressView => ({ ids, roomIds: [], ...UNTOLD, ...told })
const of = (all: DressView[], ...ids: string[]) => commonDress(all, (d) => d.ids.filter((id) => ids.includes(id)).length, ids.length)

describe('the dress of several', () => {
  const all = [dress(['hand.1', 'hand.2'], { tint: '#aabbcc', wear: 30 }), dress(['hand.3'], { wear: 30, colourwayId: 9 })]

  it('is what they all have', () => {
    expect(of(all, 'hand.1', 'hand.2')).toMatchObject({ tint: '#aabbcc', wear: 30, colourwayId: 0 })
  })

  it('is various where they differ', () => {
    expect(of(all, 'hand.1', 'hand.3')).toMatchObject({ tint: undefined, wear: 30, colourwayId: undefined })
  })

  it('counts what nothing is told of', () => {
    expect(of(all, 'hand.3', 'hand.4')).toMatchObject({ tint: '', wear: undefined, colourwayId: undefined })
    expect(of(all, 'hand.4')).toEqual(UNTOLD)
  })
})
