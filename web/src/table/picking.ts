import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import type { VecMm } from '../api/client'
import { useSite } from '../site/site'

/** A click so near to the one before, pixels, is at the same place. */
const SAME_PX = 4

interface Click {
  /** Pixels of the window. */
  x: number
  y: number
  /** What lies there, what is seen first. */
  ids: string[]
  at: number
}

/** What a click takes of all that lies under the pointer: what is seen, and at the same place again what lies beneath it. */
export const usePicking = defineStore('picking', () => {
  const site = useSite()
  /** The last click, while several lay under it and one of them is what is selected. */
  const last = shallowRef<Click>()
  /** What a click would take, and where the pointer is. */
  const hovered = shallowRef<{ x: number; y: number; id: string }>()

  /** Where the menu is open, pixels of the window, and the place of the site under it. */
  const menu = shallowRef<{ x: number; y: number; atMm?: VecMm }>()

  /** @param ids what lies under the pointer, what is seen first; @param adds whether it is added to the selection, or taken from it */
  function click(x: number, y: number, ids: string[], adds: boolean) {
    if (adds) {
      last.value = undefined
      if (ids[0] !== undefined) site.toggle(ids[0])
      return
    }
    const before = last.value
    const isSame = before && Math.hypot(before.x - x, before.y - y) <= SAME_PX && before.ids.join() === ids.join()
    const at = isSame ? (before.at + 1) % ids.length : 0
    site.select(ids.slice(at, at + 1))
    last.value = ids.length > 1 ? { x, y, ids, at } : undefined
  }

  /** One of those that lie there. */
  function choose(at: number) {
    const click = last.value
    if (!click) return
    site.select([click.ids[at]!])
    last.value = { ...click, at }
  }

  /** Selected in another way, or moved: it is no longer about that click. */
  watch([() => site.selection, () => site.placements], ([selection], [, placements]) => {
    const click = last.value
    if (!click) return
    const isOf = selection.size === 1 && selection.has(click.ids[click.at]!)
    if (!isOf || placements !== site.placements) last.value = undefined
  })
  const forget = () => (last.value = undefined)

  return { last, hovered, menu, click, choose, forget }
})
