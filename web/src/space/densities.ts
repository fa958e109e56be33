import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { get, type DensitiesView } from '../api/client'
import { latest } from '../api/latest'
import { tell, useSite } from '../site/site'
import { useSeeing } from '../ticket/seeing'

/** How finely pictures lie on what stands; asked for while it is looked at. */
export const useDensities = defineStore('densities', () => {
  const site = useSite()
  const seeing = useSeeing()
  const all = shallowRef<DensitiesView>()
  const ask = latest()
  watch(
    () => seeing.instead === 'density' && site.site && [site.site.id, site.site.revision].join(),
    async (asked) => {
      if (!asked) return
      try {
        all.value = (await ask(get<DensitiesView>(`/api/sites/${site.site!.id}/densities`))) ?? all.value
      } catch (e) {
        tell(e)
      }
    },
    { immediate: true },
  )
  /** What is seen against: the site's density, and the shares of it at which one colour gives way to the next. */
  const against = computed(() => all.value && { pixelsPerMetre: site.site!.pixelsPerMetre, bounds: all.value.bounds })
  return { all, against }
})
