import { ref, watch } from 'vue'
import { send } from '../api/client'
import type { Deed } from './hand'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { useDeeds } from './deeds'
import type { KitEffect } from './foreseen'

/**
 * What becomes of the kit while something is dragged: asked of the server for every step that it is moved, one question at a time,
 * and always the latest. Nothing is told where it would be refused, or for a site without a kit.
 */
export function useForecast(held: () => Deed | undefined) {
  const site = useSite()
  const table = useTable()
  const { request } = useDeeds()
  const kit = ref<KitEffect>()
  let asked = ''
  let next: string | undefined
  let isAsking = false

  const question = (deed: Deed) => {
    const drawing = table.drawing
    return deed.what === 'line' && drawing === 'section' ? undefined : request(deed, drawing)
  }

  async function ask() {
    isAsking = true
    while (next !== undefined && next !== asked) {
      asked = next
      const { method, path, body } = JSON.parse(asked) as { method: string; path: string; body: unknown }
      try {
        const effect = await send<{ kit?: KitEffect | null }>(method, `/api/sites/${site.site!.id}${path}?trial=kit`, body)
        if (next !== undefined) kit.value = effect.kit ?? undefined
      } catch {
        // The hand is told why when it lets go.
        kit.value = undefined
      }
    }
    isAsking = false
  }

  watch(
    () => {
      const deed = site.site?.kit ? held() : undefined
      const edit = deed && question(deed)
      return edit && JSON.stringify({ method: edit.method, path: edit.path, body: edit.body })
    },
    (now) => {
      next = now
      if (!now) {
        kit.value = undefined
        asked = ''
      } else if (!isAsking) void ask()
    },
  )
  return kit
}
