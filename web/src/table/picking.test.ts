import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { useSite } from '../site/site'
import { usePicking } from './picking'

beforeEach(() => setActivePinia(createPinia()))
const selected = () => [...useSite().selection]

it('takes what is seen, at the same place again what lies beneath, and then what is seen', () => {
  const picking = usePicking()
  const beneath = ['table', 'rug', 'floor']
  picking.click(100, 100, beneath, false)
  expect(selected()).toEqual(['table'])
  picking.click(102, 101, beneath, false)
  expect(selected()).toEqual(['rug'])
  picking.click(100, 100, beneath, false)
  picking.click(100, 100, beneath, false)
  expect(selected()).toEqual(['table'])
})

it('begins anew elsewhere, and where something else lies there', () => {
  const picking = usePicking()
  picking.click(100, 100, ['table', 'floor'], false)
  picking.click(140, 100, ['table', 'floor'], false)
  expect(selected()).toEqual(['table'])
  picking.click(140, 100, ['lamp', 'table', 'floor'], false)
  expect(selected()).toEqual(['lamp'])
})

it('adds to the selection, and lets go where nothing lies', () => {
  const picking = usePicking()
  picking.click(0, 0, ['a', 'floor'], false)
  picking.click(50, 0, ['b'], true)
  expect(selected()).toEqual(['a', 'b'])
  picking.click(50, 0, ['b'], true)
  expect(selected()).toEqual(['a'])
  picking.click(200, 200, [], false)
  expect(selected()).toEqual([])
})

it('offers what lies there while one of it is what is selected', async () => {
  const picking = usePicking()
  picking.click(0, 0, ['a', 'b'], false)
  expect(picking.last?.ids).toEqual(['a', 'b'])
  picking.choose(1)
  await nextTick()
  expect(selected()).toEqual(['b'])
  expect(picking.last?.at).toBe(1)
  useSite().select(['c'])
  await nextTick()
  expect(picking.last).toBeUndefined()
  picking.click(0, 0, ['a'], false)
  expect(picking.last).toBeUndefined()
})
