import type { VecMm } from '../api/client'
import { isDragged } from '../site/standing'
import { tell, useSite } from '../site/site'
import { usePlacing } from './placing'

/** So far a press may stray, pixels, and is still a click. */
const STRAY_PX = 4

/** Dragging what is selected, in whatever view: pressed on it, it is picked up with the first real movement and set down where the button is let go. */
export function useCarrying() {
  const site = useSite()
  const placing = usePlacing()
  let from: { x: number; y: number } | undefined
  let isUnderWay = false
  /** Where it was taken hold of, from the place that it stands at. */
  let hold = { x: 0, y: 0 }

  /**
   * What the massing made is not dragged: its rooms are; by hand it is picked up.
   *
   * @param id what lies under the pointer
   * @param at the place of the plan under it, where it is to keep its distance from the pointer
   * @returns whether it is dragged from here
   */
  function press(e: PointerEvent, id: string | undefined, at?: { x: number; y: number }): boolean {
    isUnderWay = false
    const isTaken = id !== undefined && !e.shiftKey && !placing.holds && site.selection.has(id) && isDragged(site.placements.get(id)!)
    from = isTaken ? { x: e.clientX, y: e.clientY } : undefined
    const first = site.selected[0]?.atMm
    hold = at && first ? { x: at.x - first.x, y: at.y - first.y } : { x: 0, y: 0 }
    return isTaken
  }

  const held = (at: VecMm | undefined) => at && { x: at.x - hold.x, y: at.y - hold.y, z: at.z }

  /** @param at the place under the pointer. @returns whether something is dragged, or about to be */
  function drag(e: PointerEvent, at: VecMm | undefined): boolean {
    if (!from) return false
    if (!isUnderWay && Math.hypot(e.clientX - from.x, e.clientY - from.y) > STRAY_PX) {
      isUnderWay = true
      void placing.taking(() => placing.pickUp(e.altKey)).catch(tell)
    }
    const to = held(at)
    if (isUnderWay && to) void site.inTurn(() => placing.held && placing.point(to)).catch(tell)
    return true
  }

  /** @returns whether it was a drag: then nothing else is to be made of it */
  function letGo(at: VecMm | undefined): boolean {
    const was = isUnderWay
    from = undefined
    isUnderWay = false
    if (was) void site.inTurn(() => placing.setDown(held(at))).catch(tell)
    return was
  }

  return { press, drag, letGo }
}
