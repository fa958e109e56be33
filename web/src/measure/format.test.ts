import { describe, expect, it } from 'vitest'
import type { Unit } from '../api/client'
import { counted, format, formatBare, formatCount } from './format'

// The foot is exactly 304.8 mm (international yard and pound agreement, 1959); the old engine unit is 1/16 of it.
const CASES: [number, Unit, string][] = [
  [4500, 'METRE', '4.5 m'],
  [4500, 'CENTIMETRE', '450 cm'],
  [4500.001, 'MILLIMETRE', '4500.001 mm'],
  [4495.8, 'FEET_AND_INCHES', '14\' 9"'],
  [4508.5, 'FEET_AND_INCHES', '14\' 9 1/2"'],
  [304.8, 'FEET_AND_INCHES', "1'"],
  [1.588, 'FEET_AND_INCHES', '1/16"'],
  [1523.207, 'FEET_AND_INCHES', '4\' 11.96878"'],
  [0, 'FEET_AND_INCHES', '0"'],
  [-12.7, 'FEET_AND_INCHES', '-1/2"'],
  [1828.8, 'ENGINE_UNIT', '96 u'],
]

describe('lengths', () => {
  it.each(CASES)('%d mm in %s is %s', (mm, unit, text) => expect(format(mm, unit)).toBe(text))
  it('leave the symbol out in dimension chains', () => expect(formatBare(8600, 'METRE')).toBe('8.6'))
  it('are not written as minus nothing', () => expect(format(-0.0001, 'METRE')).toBe('0 m'))
})

it('counts are set in groups of three', () => expect(formatCount(1234567)).toBe('1\u2009234\u2009567'))

it('counts one thing in the singular, and none or several in the plural', () => {
  expect([0, 1, 2].map((n) => counted(n, 'piece'))).toEqual(['0 pieces', '1 piece', '2 pieces'])
  expect(counted(2, 'stretch', 'stretches')).toBe('2 stretches')
  expect(counted(12345, 'triangle')).toBe('12\u2009345 triangles')
})
