import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { useAssembling } from '../repeat/assembling'
import { useSite } from '../site/site'
import { keepForSite } from '../table/kept'

/** How a placement is drawn: whole, as a ghost that no hand takes, or not at all. */
export type Look = 'whole' | 'ghost' | 'gone'

type Ids = ReadonlySet<string>
const none: Ids = new Set()

export type Instead = 'checker' | 'density'

/** What is hidden, ghosted or shown alone, in all drawings. It is this browser's own: the set stays what it is. */
export const useSeeing = defineStore('seeing', () => {
  const site = useSite()
  const assembling = useAssembling()
  const hidden = shallowRef(none)
  const ghosted = shallowRef(none)
  const alone = shallowRef<Ids>()
  /** Whether what has many triangles is drawn as a box; where nobody has decided, Space does. */
  const boxes = ref<boolean>()
  const areBoxes = ref(false)
  /** Heavy pieces further away than this are boxes; 0: none for that. */
  const boxesBeyondMm = ref(0)
  /** Whether pieces are drawn in their finishes; else in grey paper with ink edges, for judging shape. */
  const finished = ref(false)
  /** What is seen in place of finishes: squares, or how finely pictures lie. */
  const instead = ref<Instead>()
  /** Whether what looks alike is drawn in one colour. */
  const repetition = ref(false)

  watch(
    () => site.site?.id,
    () => showAll(),
  )
  keepForSite('seeing', () => site.site?.id, { boxes, boxesBeyondMm, finished, instead, repetition })
  /** While an assembly is open, all but what hands set down for it is dimmed. */
  const open = computed<Ids | undefined>(() => (assembling.open ? new Set([...assembling.open.placementIds, ...site.selection]) : undefined))

  /** How each is drawn; absent while everything is whole. */
  const look = computed<((id: string) => Look) | undefined>(() => {
    const [h, g, a, o] = [hidden.value, ghosted.value, alone.value, open.value]
    if (!h.size && !g.size && !a && !o) return undefined
    return (id) => (h.has(id) || (a && !a.has(id)) ? 'gone' : g.has(id) || (o && !o.has(id)) ? 'ghost' : 'whole')
  })

  const together = (a: Ids, b: Iterable<string>): Ids => new Set([...a, ...b])
  function hide(ids: Iterable<string>) {
    hidden.value = together(hidden.value, ids)
    site.select([])
  }
  function ghost(ids: Iterable<string>) {
    ghosted.value = together(ghosted.value, ids)
    site.select([])
  }
  const showAlone = (ids: Iterable<string>) => (alone.value = new Set(ids))
  function showAll() {
    hidden.value = none
    ghosted.value = none
    alone.value = undefined
  }
  const isVeiled = computed(() => hidden.value.size > 0 || ghosted.value.size > 0 || !!alone.value)
  const words = computed(() =>
    [
      alone.value && `${alone.value.size} shown alone`,
      hidden.value.size ? `${hidden.value.size} hidden` : '',
      ghosted.value.size ? `${ghosted.value.size} ghosted` : '',
    ]
      .filter(Boolean)
      .join(', '),
  )

  return { look, boxes, areBoxes, boxesBeyondMm, finished, instead, repetition, hide, ghost, showAlone, showAll, isVeiled, words }
})
