import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import type { Point } from '../massing/edges'
import { useSite } from '../site/site'

/** What a twin can follow: what hands set down, assemblies, repeats. */
export const canBeTwinned = (id: string) => /^(hand|use|repeat)\./.test(id)

/** Making twins of what is selected, across a line that is told, or picked by two points of the plan. */
export const useTwinning = defineStore('twinning', () => {
  const site = useSite()
  const active = ref(false)
  const from = shallowRef<Point>()
  watch(active, () => (from.value = undefined))
  watch(
    () => [site.site?.id, site.selections],
    () => (active.value = false),
  )

  const make = (eastWest: boolean, atMm?: number) =>
    site.make('Make a twin', 'POST', '/twins', { placementIds: [...site.selection].filter(canBeTwinned), eastWest, atMm })

  /** The second of two points makes the twin, across the line through the first that runs along the nearer axis. */
  async function point(at: Point) {
    const step = site.site!.stepMm
    const p = { x: Math.round((2 * at.x) / step) * (step / 2), y: Math.round((2 * at.y) / step) * (step / 2) }
    const first = from.value
    if (!first) {
      from.value = p
      return
    }
    active.value = false
    const eastWest = Math.abs(p.y - first.y) >= Math.abs(p.x - first.x)
    await make(eastWest, eastWest ? first.x : first.y)
  }

  return { active, from, make, point }
})
