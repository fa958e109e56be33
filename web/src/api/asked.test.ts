import { effectScope } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { stubServer } from '../test/stubServer'
import { useAsked } from './asked'

let asked: { method: string; path: string }[]
beforeEach(() => {
  vi.useFakeTimers()
  asked = stubServer((method) => (method === 'GET' ? { share: 0.5, soFar: '' } : undefined))
})
afterEach(() => vi.useRealTimers())

/** A question whose answer comes when it is let. */
function question() {
  let answer = (_: string) => {}
  let fail = (_: unknown) => {}
  const promise = new Promise<string>((resolve, reject) => {
    answer = resolve
    fail = reject
  })
  return { ask: () => promise, answer: (a: string) => answer(a), fail: (e: unknown) => fail(e) }
}

const calledOff = () => asked.filter((a) => a.method === 'DELETE').length

it('tells how far it is until it is answered', async () => {
  const failed = vi.fn()
  const { ask, share, working } = useAsked(failed)
  const one = question()
  const answer = ask(one.ask)
  await vi.advanceTimersByTimeAsync(500)
  expect(share.value).toBe(0.5)
  one.answer('found')
  expect(await answer).toBe('found')
  expect([working.value, failed.mock.calls.length, calledOff()]).toEqual([undefined, 0, 0])
})

it('calls the first off when another is asked, and takes no answer of it', async () => {
  const { ask } = useAsked(() => {})
  const [first, second] = [question(), question()]
  const answers = [ask(first.ask), ask(second.ask)]
  expect(calledOff()).toBe(1)
  first.answer('late')
  second.answer('new')
  expect(await Promise.all(answers)).toEqual([undefined, 'new'])
})

it('says why it failed, unless it was called off', async () => {
  const failed = vi.fn()
  const { ask, cancel } = useAsked(failed)
  const [one, two] = [question(), question()]
  const first = ask(one.ask)
  one.fail('broken')
  expect(await first).toBeUndefined()
  const second = ask(two.ask)
  cancel()
  two.fail('called off')
  expect(await second).toBeUndefined()
  expect(failed.mock.calls).toEqual([['broken']])
})

it('is called off when whoever asked goes away', () => {
  const scope = effectScope()
  scope.run(() => void useAsked(() => {}).ask(question().ask))
  scope.stop()
  expect(calledOff()).toBe(1)
})
