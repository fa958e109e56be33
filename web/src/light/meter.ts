import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useMoods } from './moods'

/** What middle grey is in the picture, of a white of 1. */
export const MIDDLE = 0.18

/** How bright a place is against middle grey, from the darkest on: a colour for each step of EV. */
export const BANDS = [
  { colour: '#22303c', says: '−5 and less' },
  { colour: '#1b4340', says: '−4' },
  { colour: '#25615d', says: '−3' },
  { colour: '#2f7f79', says: '−2' },
  { colour: '#97bfbb', says: '−1' },
  { colour: '#e6e1d6', says: 'middle grey' },
  { colour: '#dfc07f', says: '+1' },
  { colour: '#b97a14', says: '+2' },
  { colour: '#a8432b', says: '+3' },
  { colour: '#6a3d7c', says: '+4 and more' },
] as const

/** The light that is measured in the picture, in EV from middle grey and in cd/m². */
export interface Reading {
  steps: number
  luminance: number
}

export function readingOf(value: number, middle: number): Reading {
  const steps = Math.log2(Math.max(value, 1e-9) / MIDDLE)
  return { steps, luminance: (value / MIDDLE) * middle }
}

/** In words, to three figures. */
export const words = ({ steps, luminance }: Reading) =>
  `${Number(luminance.toPrecision(3)).toLocaleString('en')} cd/m², ${steps < 0 ? '−' : '+'}${Math.abs(steps).toFixed(1)} EV`

/** How the light of Space is looked at: measured under the pointer, in colours of brightness, without what is done to the picture. */
export const useMeter = defineStore('meter', () => {
  const moods = useMoods()
  const isMood = computed(() => !!moods.light && !moods.light.even)
  const measures = ref(false)
  const falseColour = ref(false)
  const graded = ref(true)
  const reading = shallowRef<Reading>()
  /** @param value of the picture, before it is brought to the screen */
  const read = (value: number | undefined) => (reading.value = value === undefined || !moods.light ? undefined : readingOf(value, moods.light.middle))
  return { isMood, measures, falseColour, graded, reading, read }
})
