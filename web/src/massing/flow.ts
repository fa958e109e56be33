import { shallowRef, watch } from 'vue'
import { get, type FlowView } from '../api/client'
import { tell, useSite } from '../site/site'
import { useTable } from '../table/table'

const found = shallowRef<FlowView>()

/** Where one gets to from where the Figure stands, while that is asked for: anew after every edit, and when it is stood elsewhere. */
export function useFlow() {
  return found
}

/** Keeps it up to date; once for the whole Table. */
export function keepFlow() {
  const site = useSite()
  const table = useTable()
  let asked = 0
  watch(
    [() => table.flow, () => table.figureMm, () => site.site?.revision, () => site.site?.id, () => table.walking],
    async () => {
      const mine = ++asked
      if (!table.flow || !site.site || table.walking) {
        if (!table.flow) found.value = undefined
        return
      }
      const { x, y, z } = table.figureMm
      try {
        const flow = await get<FlowView>(`/api/sites/${site.site.id}/flow?x=${x.toFixed(3)}&y=${y.toFixed(3)}&z=${z.toFixed(3)}`)
        if (mine === asked) found.value = flow
      } catch (e) {
        tell(e)
      }
    },
    { immediate: true },
  )
}
