import { describe, expect, it } from 'vitest'
import { inTurns } from './turns'

describe('things done in turn', () => {
  it('begin when the one before is done, in the order asked for', async () => {
    const { inTurn, isBusy } = inTurns()
    const log: string[] = []
    const slow = inTurn(async () => {
      await new Promise((r) => setTimeout(r, 20))
      log.push('slow')
    })
    const quick = inTurn(() => log.push('quick'))
    expect(isBusy()).toBe(true)
    await Promise.all([slow, quick])
    expect(log).toEqual(['slow', 'quick'])
    expect(isBusy()).toBe(false)
  })

  it('hold up nobody when they fail', async () => {
    const { inTurn } = inTurns()
    const failing = inTurn(() => Promise.reject(new Error('no')))
    const next = inTurn(() => 'done')
    await expect(failing).rejects.toThrow('no')
    expect(await next).toBe('done')
  })
})
