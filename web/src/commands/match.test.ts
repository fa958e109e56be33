import { expect, it } from 'vitest'
import { matching } from './match'

const ALL = [
  { name: 'Mirror', words: 'flip left for right' },
  { name: 'Quarter turn left' },
  { name: 'Quarter turn right' },
  { name: 'WAL-1800', words: 'wall' },
  { name: 'Walk' },
]
const found = (query: string) => matching(ALL, query, 10).map((f) => f.name)

it('finds by the beginning of the name before anything else', () => {
  expect(found('wal')).toEqual(['Walk', 'WAL-1800'])
})

it('finds by words that do not stand in the name', () => {
  expect(found('flip')).toEqual(['Mirror'])
  expect(found('wall')).toEqual(['WAL-1800'])
})

it('wants every word, in any order', () => {
  expect(found('left turn')).toEqual(['Quarter turn left'])
  expect(found('turn walk')).toEqual([])
})

it('gives the first ones where nothing is asked', () => {
  expect(matching(ALL, ' ', 2).map((f) => f.name)).toEqual(['Mirror', 'Quarter turn left'])
})
