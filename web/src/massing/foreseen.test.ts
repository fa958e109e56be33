import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useSite } from '../site/site'
import { stubServer } from '../test/stubServer'
import { kitWords, useForeseen, wordsOf } from './foreseen'

/** Answers every question with what a test has set. */
const asking = vi.hoisted(() => ({ agree: true, asked: [] as string[] }))
vi.mock('ant-design-vue', () => ({
  message: { error: vi.fn(), warning: vi.fn() },
  Modal: {
    confirm: (how: { content: string; onOk: () => void; onCancel: () => void }) => {
      asking.asked.push(how.content)
      if (asking.agree) how.onOk()
      else how.onCancel()
    },
  },
}))
vi.mock('../site/feed', () => ({ openFeed: () => () => {} }))

describe('what an edit does', () => {
  it('is told in pieces', () => {
    expect(wordsOf({ placed: 12, removed: 1, lost: 2 })).toBe('12 pieces placed, 1 piece taken away, 2 changed by hand without a place')
  })

  it('is told of the kit with what it was only where that changes', () => {
    const kit = { kindsBefore: 33, kinds: 34, placementsBefore: 412, placements: 412, fewestBefore: 30, fewest: 29 }
    expect(kitWords(kit)).toEqual(['33 → 34 kinds', '412 pieces', 'at the fewest 30 → 29 kinds'])
    expect(kitWords({ ...kit, fewest: null })).toEqual(['33 → 34 kinds', '412 pieces'])
  })

  it('is nothing where nothing that stands is touched', () => {
    expect(wordsOf({ placed: 0, removed: 0, lost: 0 })).toBe('')
  })
})

describe('an edit of the massing', () => {
  let lost = 0
  let kit: object | undefined
  let made: string[]

  beforeEach(() => {
    setActivePinia(createPinia())
    Object.assign(asking, { agree: true, asked: [] })
    lost = 0
    kit = {}
    stubServer((method, path) => (path.endsWith('?trial=true') ? { placed: 3, removed: 2, lost } : method))
    const site = useSite()
    made = []
    site.site = { id: 7, revision: 1, kit } as never
    site.make = ((label: string) => Promise.resolve(made.push(label))) as never
  })

  it('is made at once where nothing loses its place, and says what it did', async () => {
    const { make, did } = useForeseen()
    await make('Turn the room', 'POST', '/rooms/1/arrange', {})
    expect(made).toEqual(['Turn the room'])
    expect(asking.asked).toEqual([])
    expect(did.value).toBe('3 pieces placed, 2 pieces taken away')
  })

  it('is asked about where a hand’s change would lose its place, and left where that is not wanted', async () => {
    lost = 1
    asking.agree = false
    const { make } = useForeseen()
    await make('Remove the room', 'DELETE', '/rooms/1')
    expect(made).toEqual([])
    asking.agree = true
    await make('Remove the room', 'DELETE', '/rooms/1')
    expect(made).toEqual(['Remove the room'])
    expect(asking.asked).toHaveLength(2)
    expect(asking.asked[0]).toContain('1 changed by hand without a place')
  })

  it('is made without a question where no kit is built', async () => {
    const site = useSite()
    site.site = { id: 7, revision: 1 } as never
    lost = 5
    await useForeseen().make('Add a room', 'POST', '/rooms', {})
    expect(made).toEqual(['Add a room'])
    expect(asking.asked).toEqual([])
  })
})
