import type { PatternWords } from '../api/client'

type Key = 'floor' | 'ceiling' | 'stairs' | 'guards'
type Field<K extends Key> = { of: keyof NonNullable<PatternWords[K]>; label: string; says: string }
type About<K extends Key> = { key: K; label: string; role: string; usual: NonNullable<PatternWords[K]>; fields: readonly Field<K>[] }

/** What a pattern may say of pieces that close no side of a room; what it begins from, and what is told about each. */
export const AROUND: readonly (About<'floor'> | About<'ceiling'> | About<'stairs'> | About<'guards'>)[] = [
  {
    key: 'floor',
    label: 'Floors',
    role: 'FLOOR',
    usual: { field: 'TERRAZZO', border: 'TILE', widthMm: 150, proudMm: 0 },
    fields: [
      { of: 'field', label: 'Field', says: 'Field of floors' },
      { of: 'border', label: 'Border', says: 'Border of floors' },
      { of: 'widthMm', label: 'Wide', says: 'Border of floors wide' },
    ],
  },
  {
    key: 'ceiling',
    label: 'Ceilings',
    role: 'CEILING',
    usual: { field: 'PLASTER', border: 'PLASTER', widthMm: 200, proudMm: 100 },
    fields: [
      { of: 'field', label: 'Field', says: 'Field of ceilings' },
      { of: 'border', label: 'Border', says: 'Border of ceilings' },
      { of: 'widthMm', label: 'Wide', says: 'Border of ceilings wide' },
      { of: 'proudMm', label: 'Hangs by', says: 'Border of ceilings hangs by' },
    ],
  },
  {
    key: 'stairs',
    label: 'Stairs',
    role: 'STAIR',
    usual: { body: 'STONE', tread: 'TERRAZZO', thicknessMm: 40, nosingMm: 25 },
    fields: [
      { of: 'body', label: 'Body', says: 'Body of stairs' },
      { of: 'tread', label: 'Treads', says: 'Treads of stairs' },
      { of: 'thicknessMm', label: 'Thick', says: 'Treads thick' },
      { of: 'nosingMm', label: 'Nosing', says: 'Treads stand out by' },
    ],
  },
  {
    key: 'guards',
    label: 'Guards',
    role: 'GUARD',
    usual: { bars: 'METAL', pitchMm: 110, barMm: 16, rail: 'TIMBER', widthMm: 50, heightMm: 50 },
    fields: [
      { of: 'bars', label: 'Bars', says: 'Bars of guards' },
      { of: 'pitchMm', label: 'Pitch', says: 'Pitch of bars' },
      { of: 'barMm', label: 'Thick', says: 'Bars thick' },
      { of: 'rail', label: 'Rail', says: 'Rail of guards' },
      { of: 'widthMm', label: 'Wide', says: 'Rail wide' },
      { of: 'heightMm', label: 'High', says: 'Rail high' },
    ],
  },
]
