import type { MoodWords } from '../api/client'

type Numbers = { [K in keyof MoodWords]-?: NonNullable<MoodWords[K]> extends number ? K : never }[keyof MoodWords]
type Colours = 'zenith' | 'horizon' | 'ground' | 'air'

/** A value of a mood that is drawn out along a line or typed; the server knows what it may be. */
export interface Slide {
  is: 'slide'
  key: Numbers
  label: string
  unit: string
  from: number
  to: number
  step: number
  /** Whether steps grow with the value, for what spans many powers of ten; the least above 0 is the step. */
  grows?: boolean
  matters?: (w: MoodWords) => boolean
}
export interface Colour {
  is: 'colour'
  key: Colours
  label: string
  matters?: (w: MoodWords) => boolean
}
export type Value = Slide | Colour

const slide = (key: Numbers, label: string, unit: string, from: number, to: number, step: number, matters?: Slide['matters'], grows?: boolean): Slide => ({
  is: 'slide',
  key,
  label,
  unit,
  from,
  to,
  step,
  matters,
  grows,
})

const isSky = (...kinds: MoodWords['sky'][]) => ({ matters: (w: MoodWords) => kinds.includes(w.sky) })
const isSun = (...kinds: MoodWords['sun'][]) => ({ matters: (w: MoodWords) => kinds.includes(w.sun) })
const clear = isSky('CLEAR').matters
const told = isSky('OVERCAST', 'GRADIENT').matters
const byTime = isSun('BY_TIME').matters
const set = isSun('SET', 'THREE_LIGHTS').matters
const hasSun = isSun('BY_TIME', 'SET', 'THREE_LIGHTS').matters

export const SKIES = [
  { value: 'EVEN', label: 'even light, no sky' },
  { value: 'CLEAR', label: 'clear sky' },
  { value: 'OVERCAST', label: 'overcast' },
  { value: 'GRADIENT', label: 'two colours' },
] as const

export const SUNS = [
  { value: 'NONE', label: 'no sun' },
  { value: 'BY_TIME', label: 'by the hour' },
  { value: 'SET', label: 'set by hand' },
  { value: 'THREE_LIGHTS', label: 'three lights' },
] as const

/** What a mood's sky is told by, beside its kind. */
export const SKY_VALUES: Value[] = [
  slide('turbidity', 'haze', '', 2, 10, 0.1, clear),
  slide('skyLux', 'light', 'lx', 0.01, 100_000, 0.01, told, true),
  { is: 'colour', key: 'zenith', label: 'overhead', ...isSky('GRADIENT') },
  { is: 'colour', key: 'horizon', label: 'at the horizon', ...isSky('GRADIENT') },
  { is: 'colour', key: 'ground', label: 'ground' },
]

export const SUN_VALUES: Value[] = [
  slide('hour', 'hour', 'h', 0, 24, 0.25, byTime),
  slide('dayOfYear', 'day of the year', '', 1, 365, 1, byTime),
  slide('latitude', 'latitude', '°', -90, 90, 1, byTime),
  slide('north', 'north', '°', -180, 180, 5, byTime),
  slide('bearing', 'bearing', '°', 0, 360, 5, set),
  slide('altitude', 'altitude', '°', -10, 90, 1, set),
  slide('sunLux', 'light', 'lx', 0.01, 150_000, 0.01, set, true),
  slide('kelvin', 'colour', 'K', 1700, 12_000, 100, hasSun),
  slide('sunDegrees', 'size', '°', 0, 5, 0.01, hasSun),
]

export const LAMP_VALUES: Value[] = [slide('lamps', 'brightness', '%', 0, 200, 5)]

export const AIR_VALUES: Value[] = [
  slide('visibilityM', 'visibility', 'm', 5, 20_000, 5, undefined, true),
  slide('airHeightM', 'thins over', 'm', 1, 1_000, 1, (w) => !!w.visibilityM, true),
  slide('patchiness', 'in patches', '%', 0, 100, 5, (w) => !!w.visibilityM),
  slide('shafts', 'sunbeams', '%', 0, 500, 10, (w) => !!w.visibilityM && w.sun !== 'NONE'),
  { is: 'colour', key: 'air', label: 'colour', matters: (w) => !!w.visibilityM },
]

export const EXPOSURE_VALUES: Value[] = [
  slide('ev', 'exposure', 'EV', -6, 18, 0.1),
  slide('white', 'white is', 'K', 1700, 12_000, 100),
  slide('contrast', 'contrast', '%', 50, 200, 1),
  slide('saturation', 'saturation', '%', 0, 200, 1),
  slide('vignette', 'dark corners', '%', 0, 100, 1),
  slide('bloom', 'spread of light', '%', 0, 100, 1),
  slide('grain', 'grain', '%', 0, 100, 1),
]

/** Places of a slider that spans powers of ten. */
export const PLACES = 200

/** Where on the line a value stands; 0 is before the least of a line that grows. */
export function placeOf(s: Slide, value: number): number {
  if (!s.grows) return value
  return value < s.from ? 0 : 1 + ((PLACES - 1) * Math.log(value / s.from)) / Math.log(s.to / s.from)
}

/** The value at a place of the line, rounded to two figures where it grows. */
export function valueAt(s: Slide, place: number): number {
  if (!s.grows) return place
  if (place < 1) return 0
  const value = s.from * (s.to / s.from) ** ((place - 1) / (PLACES - 1))
  return Number(value.toPrecision(2))
}
