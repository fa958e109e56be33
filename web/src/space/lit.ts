import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { get, getBytes, type LampsView } from '../api/client'
import { useAsked } from '../api/asked'
import { latest } from '../api/latest'
import { useColourways } from '../sheets/colourways'
import { tell, useSite } from '../site/site'
import { useSeeing } from '../ticket/seeing'
import { readField, type Field } from '../light/field'
import { useMoods } from '../light/moods'

/** Lamps where they stand, and how far each shines in every way. */
export interface Lamps extends LampsView {
  shadows: Uint8Array
  /** How much of its glow each has that does not glow as its finishes say, by its id. */
  dim: ReadonlyMap<string, number>
}

/** First the whole set coarsely, then as finely as it is sampled, millimetres between places. */
const SPACINGS = [2000, 500]
/** What changes fast is waited for, so that only where it comes to rest is worked out. */
const REST_MS = 350

/** The lamps that shine in the set, and the light that bounces about in it: fetched where it is seen, in finishes and by a mood. */
export const useLit = defineStore('lit', () => {
  const site = useSite()
  const moods = useMoods()
  const seeing = useSeeing()
  const colourways = useColourways()
  const lamps = shallowRef<Lamps>()
  const field = shallowRef<Field>()
  /** Which of the spacings the field has. */
  const spacing = shallowRef(0)
  const { share, working, ask, cancel } = useAsked(tell)
  const askLamps = latest()
  /** Whoever calls it off sees by what is known, until something changes. */
  const isCalledOff = shallowRef(false)

  const isSeen = computed(() => seeing.finished && !!moods.used && !moods.used.light.even && !!site.site?.kit)
  /** What the light in the set depends on, besides what stands. */
  const light = computed(() => {
    const w = moods.used?.words
    return (
      w &&
      JSON.stringify([
        moods.used!.id,
        w.sky,
        w.turbidity,
        w.skyLux,
        w.zenith,
        w.horizon,
        w.ground,
        w.sun,
        w.latitude,
        w.dayOfYear,
        w.hour,
        w.north,
        w.bearing,
        w.altitude,
        w.sunLux,
        w.kelvin,
        w.lamps,
      ])
    )
  })

  async function fetchLamps() {
    const at = `/api/sites/${site.site!.id}/light`
    const answer = await askLamps(Promise.all([get<LampsView>(`${at}/lamps`), getBytes(`${at}/shadows`)]))
    if (!answer) return
    const [told, bytes] = answer
    const shadows = new Uint8Array(bytes)
    // One was asked before an edit and the other after it: they are asked again with the news of it.
    if (shadows.length === told.emitters.length * told.shadowSide ** 2)
      lamps.value = { ...told, shadows, dim: new Map(told.dimmed.map((d) => [d.id, d.share])) }
  }

  async function fetchField() {
    const [siteId, moodId] = [site.site!.id, moods.used!.id]
    for (const mm of field.value ? SPACINGS.slice(-1) : SPACINGS) {
      const bytes = await ask((token) => getBytes(`/api/sites/${siteId}/light/volume?moodId=${moodId}&spacingMm=${mm}&token=${token}`))
      if (!bytes) return
      field.value = readField(bytes)
      spacing.value = mm
    }
  }

  function callOff() {
    isCalledOff.value = true
    cancel()
  }

  let resting: ReturnType<typeof setTimeout> | undefined
  function askSoon() {
    clearTimeout(resting)
    isCalledOff.value = false
    if (!isSeen.value) return cancel()
    resting = setTimeout(() => {
      void fetchLamps().catch(tell)
      void fetchField().catch(tell)
    }, REST_MS)
  }
  watch([isSeen, light, () => site.placements, () => site.pieces, () => site.looks, () => site.dresses, () => colourways.all], askSoon, { immediate: true })
  watch(
    () => site.site?.id,
    () => {
      lamps.value = undefined
      field.value = undefined
      spacing.value = 0
    },
  )

  return { lamps, field, spacing, share, isWorking: computed(() => !!working.value), isCalledOff, callOff }
})
