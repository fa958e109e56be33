import { expect, it } from 'vitest'
import { Awaited } from './awaited'

it('shows the last of three answers alone', () => {
  const awaited = new Awaited<number>()
  for (const asked of [5, 7, 12]) awaited.ask(asked)
  expect(awaited.last).toBe(12)
  expect(awaited.answered(5)).toBe(false)
  expect(awaited.answered(7)).toBe(false)
  expect(awaited.answered(12)).toBe(true)
  expect(awaited.last).toBeUndefined()
})

it('takes an answer for all that were asked before it', () => {
  const awaited = new Awaited<number>()
  awaited.ask(5)
  awaited.ask(7)
  expect(awaited.answered(7)).toBe(true)
  expect(awaited.last).toBeUndefined()
})

it('shows what somebody else has set, and what stands after a refusal', () => {
  const awaited = new Awaited<number>()
  awaited.ask(5)
  expect(awaited.answered(8)).toBe(true)
  awaited.ask(5)
  expect(awaited.answered()).toBe(true)
  expect(awaited.last).toBeUndefined()
})
