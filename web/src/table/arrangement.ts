import { useLocalStorage, useWindowSize } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useTable } from './table'

/** The Table's two views. The first shows the plan or the section. */
export type View = 'plan' | 'space'

/** What becomes of the view that is not the large one: small in a corner, beside it, or put away. */
export type Other = 'corner' | 'beside' | 'away'

export interface Arrangement {
  large: View
  other: Other
  /** Share of the width that the plan has, 0 to 1, where both stand side by side. */
  share: number
}

/** From this width on, pixels, both views are large side by side. */
const WIDE_PX = 1600
/** Below this, pixels, as of a small window or at a large zoom, there is no room for a second view in the corner. */
const NARROW_PX = 900
const LEAST_SHARE = 0.15
/** In a window lower than this, pixels, the Line-up is folded at first. */
const LOW_PX = 560

/** The stages that are worked at the Table. */
const AT_TABLE = new Set(['massing', 'build', 'survey'])

/** How a stage is worked at first: rooms on the plan, pieces in Space. */
const usual = (stage: string, width: number): Arrangement => ({
  large: stage === 'massing' ? 'plan' : 'space',
  other: width >= WIDE_PX ? 'beside' : 'corner',
  share: 0.5,
})

/** How much of the Table a small view takes in its corner, with what parts it from the edge, pixels. */
export const cornerOf = (width: number, height: number) => ({
  width: Math.min(420, Math.max(230, width * 0.27)),
  height: Math.min(300, Math.max(160, height * 0.3)),
})

/** Which view is the large one, stage by stage, and what is folded away; kept in this browser. */
export const useArrangement = defineStore('arrangement', () => {
  const table = useTable()
  const { width } = useWindowSize()
  const stage = ref('build')
  const kept = useLocalStorage<Record<string, Arrangement>>('hausbau.table', {})
  const ticketFolded = useLocalStorage('hausbau.ticket-folded', false)
  const lineUpFolded = useLocalStorage('hausbau.line-up-folded', window.innerHeight < LOW_PX)

  const isAtTable = computed(() => AT_TABLE.has(stage.value))
  const now = computed<Arrangement>(() => kept.value[stage.value] ?? usual(stage.value, width.value))
  /** Whoever walks has the whole window. */
  const large = computed<View>(() => (table.walking ? 'space' : now.value.large))
  const other = computed<Other>(() => (table.walking || (now.value.other === 'corner' && width.value < NARROW_PX) ? 'away' : now.value.other))
  const share = computed(() => now.value.share)
  /** What the small view covers of a large one of this size. */
  const coveredOf = (view: View, width: number, height: number) => (other.value === 'corner' && large.value === view ? cornerOf(width, height) : undefined)
  const isShown = (view: View) => view === large.value || other.value !== 'away'

  const change = (how: Partial<Arrangement>) => (kept.value = { ...kept.value, [stage.value]: { ...now.value, ...how } })
  const enlarge = (view: View) => change({ large: view })
  const put = (where: Other) => change({ other: where })
  /** Drawn so narrow that nothing is seen of it, a view is put away. */
  function part(to: number) {
    if (to < LEAST_SHARE) change({ large: 'space', other: 'away' })
    else if (to > 1 - LEAST_SHARE) change({ large: 'plan', other: 'away' })
    else change({ share: to })
  }
  /** Shows a view, whatever is large: beside or small in the corner it is seen already. */
  function show(view: View) {
    if (!isShown(view)) enlarge(view)
  }

  return { stage, isAtTable, coveredOf, large, other, share, ticketFolded, lineUpFolded, isShown, enlarge, put, part, show }
})
