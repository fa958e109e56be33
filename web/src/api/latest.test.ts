import { expect, it } from 'vitest'
import { latest } from './latest'

function answering<T>() {
  let answer!: (value: T) => void
  let fail!: (reason: unknown) => void
  const question = new Promise<T>((resolve, reject) => {
    answer = resolve
    fail = reject
  })
  return { question, answer, fail }
}

it('drops an answer that a later question overtook', async () => {
  const ask = latest()
  const [first, second] = [answering<string>(), answering<string>()]
  const answers = [ask(first.question), ask(second.question)]
  second.answer('new')
  first.answer('old')
  expect(await Promise.all(answers)).toEqual([undefined, 'new'])
})

it('drops a failure that was overtaken, and throws the latest one', async () => {
  const ask = latest()
  const [first, second] = [answering<string>(), answering<string>()]
  const [old, current] = [ask(first.question), ask(second.question)]
  first.fail(new Error('old'))
  second.fail(new Error('new'))
  expect(await old).toBeUndefined()
  await expect(current).rejects.toThrow('new')
})
