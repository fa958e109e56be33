import { beforeEach, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { keepForSite } from './kept'

let stored: Record<string, string>
beforeEach(() => {
  stored = {}
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => stored[key] ?? null,
    setItem: (key: string, text: string) => {
      if (text.length > 100) throw new Error('full')
      stored[key] = text
    },
  })
})

function looking() {
  const siteId = ref<number>()
  const values = { cut: ref(true), height: ref(2000), note: ref('') }
  keepForSite('sight', () => siteId.value, values)
  return { siteId, ...values }
}

it('stands again when the site is opened again, and another begins as usual', async () => {
  const { siteId, cut, height } = looking()
  siteId.value = 1
  cut.value = false
  height.value = 1500
  await nextTick()
  siteId.value = 2
  expect([cut.value, height.value]).toEqual([true, 2000])
  siteId.value = 1
  expect([cut.value, height.value]).toEqual([false, 1500])
  const later = looking()
  later.siteId.value = 1
  expect(later.height.value).toBe(1500)
})

it('keeps nothing while no site is open, and nothing of one under another', async () => {
  const { siteId, height } = looking()
  height.value = 900
  await nextTick()
  expect(stored).toEqual({})
  siteId.value = 1
  expect(height.value).toBe(2000)
  siteId.value = undefined
  height.value = 700
  await nextTick()
  siteId.value = 1
  expect(height.value).toBe(2000)
})

it('what cannot be read or written is only forgotten', async () => {
  stored['hausbau.sight.1'] = '{ no JSON'
  const { siteId, height, note } = looking()
  siteId.value = 1
  expect(height.value).toBe(2000)
  note.value = 'x'.repeat(200)
  await nextTick()
  expect(note.value).toHaveLength(200)
})
