import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createSSRApp, nextTick, ref, type Ref } from 'vue'
import type { SiteView } from '../api/client'
import { useSite } from '../site/site'
import { stubServer } from '../test/stubServer'
import type { StageName } from './stages'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))
const hooks: { mounted?: () => void; unmount?: () => void } = {}
vi.mock('vue', async (original) => ({
  ...(await original<typeof import('vue')>()),
  onMounted: (f: () => void) => (hooks.mounted = f),
  onBeforeUnmount: (f: () => void) => (hooks.unmount = f),
}))
const { useStageClock } = await import('./clock')

let listeners: Record<string, () => void>
let asked: ReturnType<typeof stubServer>
let stage: Ref<StageName>
const page = { hidden: false }

beforeEach(() => {
  vi.useFakeTimers()
  listeners = {}
  page.hidden = false
  vi.stubGlobal('document', page)
  vi.stubGlobal('window', {
    addEventListener: (n: string, f: () => void) => (listeners[n] = f),
    removeEventListener: (n: string) => delete listeners[n],
    devicePixelRatio: 1,
  })
  asked = stubServer((method) => (method === 'GET' ? [] : undefined))
  createSSRApp({})
  setActivePinia(createPinia())
  useSite().site = { id: 1, revision: 4 } as SiteView
  stage = ref<StageName>('massing')
  useStageClock(stage)
  hooks.mounted!()
})
afterEach(() => {
  hooks.unmount!()
  vi.useRealTimers()
})

const spent = () => asked.filter((a) => a.path.endsWith('/brief/spent')).map((a) => a.body)

describe('the clock of a stage', () => {
  it('reports now and then while the stage is in use', async () => {
    for (let i = 0; i < 14; i++) {
      listeners.pointermove!()
      await vi.advanceTimersByTimeAsync(5000)
    }
    const seconds = spent().reduce<number>((sum, s) => sum + (s as { seconds: number }).seconds, 0)
    expect(spent().length).toBeGreaterThan(0)
    expect(spent()[0]).toMatchObject({ stage: 1 })
    expect(seconds).toBeGreaterThanOrEqual(35)
    expect(seconds).toBeLessThanOrEqual(70)
  })

  it('reports to the stage that is left', async () => {
    await vi.advanceTimersByTimeAsync(10_000)
    stage.value = 'kit'
    await nextTick()
    expect(spent()).toEqual([{ stage: 1, seconds: 10 }])
  })

  it('stands still while the hand does', async () => {
    await vi.advanceTimersByTimeAsync(600_000)
    stage.value = 'kit'
    await nextTick()
    const seconds = spent().reduce<number>((sum, s) => sum + (s as { seconds: number }).seconds, 0)
    expect(seconds).toBeLessThanOrEqual(125)
  })

  it('stands still while the page is out of sight', async () => {
    page.hidden = true
    await vi.advanceTimersByTimeAsync(60_000)
    stage.value = 'kit'
    await nextTick()
    expect(spent()).toEqual([])
  })

  it('listens no longer once the site is left', () => {
    hooks.unmount!()
    expect(listeners).toEqual({})
  })
})
