import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { useSite } from '../site/site'
import { isDragged } from '../site/standing'
import { useArrangement } from './arrangement'
import { useTable } from './table'

interface Step {
  words: string
  /** The stage that it is done in; absent: wherever one is. */
  stage?: string
  /** @param before the site's revision when the step began */
  isDone: (before: number) => boolean
}

/** A short walk through a site: each step is done for real, and the next one follows by itself. Where one is, is kept in this browser. */
export const useGuide = defineStore('guide', () => {
  const site = useSite()
  const table = useTable()
  const views = useArrangement()
  const at = useLocalStorage('hausbau.guide', -1)

  const hasChanged = (before: number) => (site.site?.revision ?? 0) > before
  const undoes = (word: string) => (site.site?.undo ?? '').includes(word)
  const STEPS: Step[] = [
    {
      words: 'This is the set, built from a small kit of pieces. Click something that stands in it: a bench, a lamp, a pillar.',
      stage: 'build',
      isDone: () => site.selected.length > 0 && site.selected.every(isDragged),
    },
    {
      words: 'In Space (X swaps the views), drag one of its tags: E, N or ↑. A digit meanwhile types the value exactly.',
      stage: 'build',
      isDone: (before) => hasChanged(before) && undoes('Move'),
    },
    { words: 'Take it back: Ctrl Z, or undo above.', isDone: (before) => hasChanged(before) && !!site.site?.redo },
    { words: 'Press W to walk through it at eye height. Arrow keys go; Esc ends.', stage: 'build', isDone: () => table.walking },
    { words: 'Esc ends the walk.', isDone: () => !table.walking },
    {
      words: 'Rooms decide what is built. In Massing, click a room and drag one of its walls: what it does to the kit is told meanwhile.',
      stage: 'massing',
      isDone: (before) => hasChanged(before) && undoes('Move a wall'),
    },
    { words: 'The set has followed. Look at it in Build (4).', stage: 'build', isDone: () => views.stage === 'build' },
    { words: 'In Kit (3) stand the fewest pieces that build all of it, and what would make them fewer.', stage: 'kit', isDone: () => views.stage === 'kit' },
    {
      words: 'Survey (6) finds what is wrong, and offers what mends it. F finds anything else by a few letters.',
      stage: 'survey',
      isDone: () => views.stage === 'survey',
    },
  ]

  const step = computed(() => STEPS[at.value])
  const before = ref(0)
  const isOn = computed(() => at.value >= 0)
  const isOver = computed(() => at.value >= STEPS.length)
  watch([at, () => site.site?.id], () => (before.value = site.site?.revision ?? 0), { immediate: true })
  watch([at, () => step.value?.isDone(before.value)], ([, done]) => done && skip(), { flush: 'post' })

  const start = () => (at.value = 0)
  const skip = () => at.value++
  const end = () => (at.value = -1)

  return { at, step, isOn, isOver, count: STEPS.length, start, skip, end }
})
