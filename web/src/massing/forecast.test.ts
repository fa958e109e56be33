import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, shallowRef, type EffectScope } from 'vue'
import type { Deed } from './hand'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { useForecast } from './forecast'

/** Questions that the test answers when it likes. */
const server = vi.hoisted(() => ({ asked: [] as { body: unknown; answer: (v: unknown) => void }[] }))
vi.mock('../api/client', async (original) => ({
  ...(await original<object>()),
  send: (_method: string, _path: string, body: unknown) => new Promise((answer) => server.asked.push({ body, answer })),
}))
vi.mock('../site/feed', () => ({ openFeed: () => () => {} }))

const to = (outwardMm: number): Deed => ({ what: 'edge', edge: 1, outwardMm })
const kit = (kinds: number) => ({ kit: { kindsBefore: 3, kinds, placementsBefore: 9, placements: 9, fewestBefore: null, fewest: null } })
const settled = () => new Promise((done) => setTimeout(done))

describe('what becomes of the kit while a wall is dragged', () => {
  const held = shallowRef<Deed>()
  let scope: EffectScope
  let forecast: ReturnType<typeof useForecast>

  beforeEach(() => {
    setActivePinia(createPinia())
    server.asked.length = 0
    held.value = undefined
    useSite().site = { id: 7, revision: 1, kit: {} } as never
    useSite().massing.rooms = [{ id: 4 }] as never
    useTable().choose({ room: 4 })
    scope = effectScope()
    scope.run(() => (forecast = useForecast(() => held.value)))
  })

  afterEach(() => scope.stop())

  it('is asked one question at a time, and the latest of those that came meanwhile', async () => {
    for (const mm of [100, 200, 300]) {
      held.value = to(mm)
      await nextTick()
    }
    expect(server.asked.map((q) => q.body)).toEqual([{ outwardMm: 100 }])
    server.asked[0]!.answer(kit(4))
    await settled()
    expect(server.asked.map((q) => q.body)).toEqual([{ outwardMm: 100 }, { outwardMm: 300 }])
    server.asked[1]!.answer(kit(5))
    await settled()
    expect(forecast.value?.kinds).toBe(5)
  })

  it('is gone when the hand lets go, and stays gone when the answer comes after that', async () => {
    held.value = to(100)
    await nextTick()
    held.value = undefined
    await nextTick()
    server.asked[0]!.answer(kit(4))
    await settled()
    expect(forecast.value).toBeUndefined()
  })

  it('is not asked for a site without a kit', async () => {
    useSite().site = { id: 7, revision: 1 } as never
    held.value = to(100)
    await nextTick()
    expect(server.asked).toHaveLength(0)
  })
})
