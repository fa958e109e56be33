import { usePicking } from './picking'
import type { VecMm } from '../api/client'
import { useSite } from '../site/site'

/** So far a press may stray, pixels, and is still no drag. */
const STRAY_PX = 4
const LONG_PRESS_MS = 550

/** What lies under a pointer. */
export interface Under {
  id?: string
  atMm?: VecMm
}

/** A right click that drags nothing, or a long press of a finger, opens the menu of what lies under it; that is selected first, unless it is already. */
export function useMenuGesture(under: (e: PointerEvent) => Under) {
  const site = useSite()
  const picking = usePicking()
  let from: { x: number; y: number } | undefined
  let due: ReturnType<typeof setTimeout> | undefined

  function forget() {
    clearTimeout(due)
    from = undefined
  }
  function open(e: PointerEvent) {
    forget()
    const { id, atMm } = under(e)
    if (id === undefined) site.select([])
    else if (!site.selection.has(id)) site.select([id])
    picking.menu = { x: e.clientX, y: e.clientY, atMm }
  }

  function down(e: PointerEvent) {
    forget()
    if (e.button !== 2 && e.pointerType !== 'touch') return
    from = { x: e.clientX, y: e.clientY }
    if (e.pointerType === 'touch') due = setTimeout(() => open(e), LONG_PRESS_MS)
  }
  function move(e: PointerEvent) {
    if (from && Math.hypot(e.clientX - from.x, e.clientY - from.y) > STRAY_PX) forget()
  }
  function up(e: PointerEvent) {
    if (from && e.button === 2) open(e)
    forget()
  }
  return { down, move, up }
}
