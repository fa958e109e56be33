import { computed, shallowRef, watch } from 'vue'
import { get } from '../api/client'
import { latest } from '../api/latest'
import { tell } from '../site/site'
import { useTable } from '../table/table'
import type { Sun } from './Daylight'

/** Where the sun stands at the hour that the Table is set to; nothing in even light. The server reckons it. */
export function useSun() {
  const table = useTable()
  const found = shallowRef<Sun>()
  const ask = latest()
  watch(
    () => [table.sun.hour, table.sun.north, table.sun.on],
    async () => {
      if (!table.sun.on) return
      try {
        found.value = (await ask(get<Sun>(`/api/sun?hour=${table.sun.hour}&north=${table.sun.north}`))) ?? found.value
      } catch (e) {
        tell(e)
      }
    },
    { immediate: true },
  )
  return computed(() => (table.sun.on ? found.value : undefined))
}
