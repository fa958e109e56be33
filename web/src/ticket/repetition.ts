import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { send, type RepetitionView } from '../api/client'
import { tell, useSite } from '../site/site'
import { useTable } from '../table/table'
import { useSeeing } from './seeing'

/** Told apart on paper under ink edges; what is rarer shares the last. */
const COLOURS = ['#d9b48f', '#9fb8c4', '#b9c49a', '#c9a3b4', '#a9a2cc', '#d8c77f', '#8fbfae', '#d29c8c', '#b4a68c', '#9aa7b8']
const FEW = '#e4dfd3'
const FAR_MM = 900_000

/** The repetition view: what looks alike among what Space shows, and the longest row of equals. */
export const useRepetition = defineStore('repetition', () => {
  const site = useSite()
  const table = useTable()
  const seeing = useSeeing()
  const found = shallowRef<RepetitionView>()

  /** What Space shows of the heights: the cutaway hides nothing that counts. */
  const sight = computed(() => {
    const level = table.level
    const some = level && table.shownLevels !== 'all'
    return {
      lowMm: some && table.shownLevels === 'one' ? level.floorMm : -FAR_MM,
      highMm: some ? level.floorMm + level.storeyMm : FAR_MM,
      without: table.ceilings ? [] : site.pieces.filter((p) => p.role === 'CEILING').map((p) => p.id),
    }
  })

  async function look() {
    const id = site.site?.id
    const told = id === undefined || !seeing.repetition ? undefined : await send<RepetitionView>('POST', `/api/sites/${id}/repetition`, sight.value)
    if (site.site?.id === id) found.value = told
  }
  watch(
    () => [seeing.repetition, site.site?.revision, JSON.stringify(sight.value)],
    () => void look().catch(tell),
    { immediate: true },
  )

  const order = computed(() => new Map((found.value?.alike ?? []).map((a, i) => [`${a.pieceId}${a.tint}`, i])))
  const colourOf = (pieceId: number, tint: string) => COLOURS[order.value.get(`${pieceId}${tint}`) ?? COLOURS.length] ?? FEW

  return { found, colourOf }
})
