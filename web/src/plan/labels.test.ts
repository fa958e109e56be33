import { expect, it } from 'vitest'
import { Labels } from './labels'

it('takes a place once, and one that only touches it', () => {
  const labels = new Labels()
  expect(labels.take(100, 50, 40, 14)).toBe(true)
  expect(labels.take(130, 55, 30, 14)).toBe(false)
  // From 120 on, where the first ends.
  expect(labels.take(135, 50, 30, 14)).toBe(true)
  expect(labels.take(100, 64, 40, 14)).toBe(true)
})

it('keeps words off what is drawn dark', () => {
  const labels = new Labels()
  labels.occupy(0, 0, 10, 10)
  labels.occupy(2, 2, 10, 10)
  expect(labels.take(4, 4, 2, 2)).toBe(false)
  expect(labels.take(9, 9, 2, 2)).toBe(true)
})
