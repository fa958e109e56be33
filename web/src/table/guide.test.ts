import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { SiteView } from '../api/client'
import { useSite } from '../site/site'
import { BY_HAND, oneStanding } from '../test/standing'
import { useArrangement } from './arrangement'
import { useGuide } from './guide'
import { useTable } from './table'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))
vi.stubGlobal('sessionStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })
vi.stubGlobal('window', { innerHeight: 800, innerWidth: 1280, addEventListener: () => {}, removeEventListener: () => {} })

const site = (told: Partial<SiteView>) => ({ id: 1, revision: 4, undo: '', redo: '', stepMm: 100, ...told }) as SiteView

beforeEach(() => {
  setActivePinia(createPinia())
  useSite().site = site({})
  useSite().placements = oneStanding(BY_HAND)
})

describe('the walk round', () => {
  it('goes on when a step was done for real, and not before', async () => {
    const guide = useGuide()
    guide.start()
    await nextTick()
    expect(guide.at).toBe(0)
    useSite().select(['hand.9'])
    await nextTick()
    expect(guide.at).toBe(1)
    // Another edit than the one that is asked for.
    useSite().site = site({ revision: 5, undo: 'Turn PRP-BENCH' })
    await nextTick()
    expect(guide.at).toBe(1)
    useSite().site = site({ revision: 6, undo: 'Move PRP-BENCH' })
    await nextTick()
    expect(guide.at).toBe(2)
    useSite().site = site({ revision: 7, redo: 'Move PRP-BENCH' })
    await nextTick()
    expect(guide.at).toBe(3)
    useTable().walking = true
    await nextTick()
    expect(guide.at).toBe(4)
    useTable().walking = false
    await nextTick()
    expect(guide.at).toBe(5)
  })

  it('passes what is done already, can be skipped, and ends', async () => {
    const guide = useGuide()
    useSite().select(['hand.9'])
    guide.start()
    await nextTick()
    expect(guide.at).toBe(1)
    while (guide.step) {
      guide.skip()
      await nextTick()
    }
    expect(guide.isOver).toBe(true)
    guide.end()
    expect(guide.step).toBeUndefined()
    expect(guide.isOver).toBe(false)
    expect(useArrangement().stage).toBe('build')
  })
})
