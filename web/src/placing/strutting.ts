import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import type { PlacementView, VecMm } from '../api/client'
import { useSite } from '../site/site'

/** Setting struts: a section, and two points picked one after the other. */
export const useStrutting = defineStore('strutting', () => {
  const site = useSite()
  const active = ref(false)
  const widthMm = ref(80)
  const heightMm = ref(80)
  const from = shallowRef<VecMm>()
  watch(active, () => (from.value = undefined))
  watch(
    () => site.site?.id,
    () => (active.value = false),
  )

  /** The second of two points sets the strut; the next begins a new one. */
  async function point(atMm: VecMm) {
    const tenth = (v: number) => Math.round(v * 10) / 10
    const at = { x: tenth(atMm.x), y: tenth(atMm.y), z: tenth(atMm.z) }
    const first = from.value
    from.value = first ? undefined : at
    if (!first) return
    const placed = await site.make<PlacementView | undefined>('Set a strut', 'POST', '/placements/struts', {
      fromMm: first,
      toMm: at,
      widthMm: widthMm.value,
      heightMm: heightMm.value,
    })
    if (placed) site.select([placed.id])
  }

  return { active, widthMm, heightMm, from, point }
})
