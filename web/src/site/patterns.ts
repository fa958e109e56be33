import { defineStore } from 'pinia'
import type { PatternView, PatternWords } from '../api/client'
import { useListed } from './listed'

/** The patterns of the site: how its walls look at any size. */
export const usePatterns = defineStore('patterns', () => {
  const { all, refusal, edit } = useListed<PatternView>('/patterns')
  const find = (id: number) => all.value.find((one) => one.id === id)!

  const create = (copyOfId?: number) => edit<PatternView>('Make a pattern', 'POST', '/patterns', () => ({ copyOfId }))
  /** One for a room alone, as its walls are now. */
  const createFor = (roomId: number) => edit<PatternView>('Make a pattern', 'POST', `/rooms/${roomId}/pattern`, () => ({}))
  const rename = (id: number, name: string) => edit('Change a pattern', 'PATCH', `/patterns/${id}`, () => ({ name }))
  /** @param tell what the pattern is then, from what it is when the edit's turn comes */
  const change = (id: number, tell: (words: PatternWords) => PatternWords) =>
    edit('Change a pattern', 'PATCH', `/patterns/${id}`, () => ({ words: tell(structuredClone(find(id).words)) }))
  const use = (patternId?: number) => edit('Use a pattern', 'PUT', '/pattern', () => ({ patternId }))
  /** Which sides of walls are dressed: both, and with what where they look outside, or that of the room alone. */
  const face = (bothSides: boolean, outsidePatternId: number) =>
    edit(bothSides ? 'Dress both sides of walls' : 'Dress walls on one side', 'PUT', '/facing', () => ({ bothSides, outsidePatternId }))
  const remove = (id: number) => edit('Take a pattern away', 'DELETE', `/patterns/${id}`, () => undefined)

  return { all, refusal, create, createFor, rename, change, use, face, remove }
})
