import { describe, expect, it } from 'vitest'
import { wordsOf } from './foreseen'

describe('what an edit does', () => {
  it('is told in pieces', () => {
    expect(wordsOf({ placed: 12, removed: 1, lost: 2 })).toBe('12 pieces placed, 1 piece taken away, 2 changed by hand without a place')
  })

  it('is nothing where nothing that stands is touched', () => {
    expect(wordsOf({ placed: 0, removed: 0, lost: 0 })).toBe('')
  })
})
