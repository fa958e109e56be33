import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import type { VecMm } from '../api/client'
import { useSite } from '../site/site'

/** What a twin can follow: what hands set down, assemblies, repeats. */
export const canBeTwinned = (id: string) => /^(hand|use|repeat)\./.test(id)

/** Making twins of what is selected, across a line that is told, or picked by two points of the plan. */
export const useTwinning = defineStore('twinning', () => {
  const site = useSite()
  const active = ref(false)
  const from = shallowRef<VecMm>()
  watch(active, () => (from.value = undefined))
  watch([() => site.site?.id, () => site.selections], () => (active.value = false))

  const send = (across: object) => site.make('Make a twin', 'POST', '/twins', { placementIds: [...site.selection].filter(canBeTwinned), ...across })
  const make = (eastWest: boolean, atMm?: number) => send({ eastWest, atMm })

  /** The second of two points makes the twin, across the line that they are of. */
  async function point(at: VecMm) {
    const first = from.value
    from.value = at
    if (!first) return
    active.value = false
    await send({ fromMm: first, toMm: at })
  }

  return { active, from, make, point }
})
