import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { send, type MoveView, type PlacementView, type VecMm } from '../api/client'
import { exact } from '../measure/length'
import { extentOfPlacements } from '../site/extent'
import { isDragged } from '../site/standing'
import { tell, useSite } from '../site/site'
import { usePlacing } from './placing'

/** What a handle does: moves along an axis or on the level, or turns. */
export type Grip = 'X' | 'Y' | 'Z' | 'level' | 'turn'

/** What is selected, held by one of its handles. */
interface Held {
  grip: Grip
  placements: PlacementView[]
  /** Where the handles stood when it was taken hold of. */
  pivot: VecMm
}

const NOWHERE: VecMm = { x: 0, y: 0, z: 0 }
/** With snapping on, turns go by this, degrees; else by one. */
const TURN_STEP = 15

/**
 * Moving and turning what is selected by handles. The server says what a move comes to and what is next to it then; an edit
 * is made where the handle is let go, or of a value that is typed.
 */
export const useHandling = defineStore('handling', () => {
  const site = useSite()
  const placing = usePlacing()
  const held = shallowRef<Held>()
  const moved = shallowRef<MoveView>({ byMm: NOWHERE, clearances: [] })
  const degrees = ref(0)
  /** Whether the value is typed, not dragged. */
  const typing = ref(false)

  const movable = computed(() => site.selected.filter(isDragged))
  /** What several turn about is the middle of their extent; of one it is its pivot. */
  const pivot = computed<VecMm | undefined>(() => {
    const all = movable.value
    if (!all.length || all.length < site.selected.length) return undefined
    if (all.length === 1) return all[0]!.atMm
    const box = extentOfPlacements(site, all)
    return box && { x: (box.min.x + box.max.x) / 2, y: (box.min.y + box.max.y) / 2, z: box.min.z }
  })
  watch(pivot, (at) => at || putBack())

  function hold(grip: Grip) {
    if (!pivot.value) return
    held.value = { grip, placements: [...movable.value], pivot: pivot.value }
    moved.value = { byMm: NOWHERE, clearances: [] }
    degrees.value = 0
    typing.value = false
  }

  function putBack() {
    held.value = undefined
    typing.value = false
  }

  let wanted: VecMm = NOWHERE
  let asking: Promise<void> | undefined
  let isOvertaken = false

  /** Moves what is held, as far as its handle goes; the picture follows as fast as answers come. */
  function move(by: VecMm) {
    const grip = held.value?.grip
    if (!grip || typing.value) return
    const along = (axis: 'X' | 'Y' | 'Z') => grip === axis || (grip === 'level' && axis !== 'Z')
    wanted = { x: along('X') ? exact(by.x) : 0, y: along('Y') ? exact(by.y) : 0, z: along('Z') ? exact(by.z) : 0 }
    if (asking) isOvertaken = true
    else asking = ask().finally(() => (asking = undefined))
  }

  async function ask() {
    do {
      isOvertaken = false
      const h = held.value
      if (!h || !site.site) return
      try {
        const answer = await send<MoveView>('POST', `/api/sites/${site.site.id}/placements/arrange/preview`, {
          ids: h.placements.map((p) => p.id),
          byMm: wanted,
          snap: placing.snaps,
        })
        if (held.value === h && !typing.value) moved.value = answer
      } catch (e) {
        if (held.value === h) tell(e)
      }
    } while (isOvertaken)
  }

  function turn(by: number) {
    const step = placing.snaps ? TURN_STEP : 1
    if (held.value?.grip === 'turn' && !typing.value) degrees.value = Math.round(by / step) * step
  }

  /** Sets down what is held, or a copy of it. */
  async function letGo(copy = false) {
    while (asking) await asking
    const h = held.value
    if (!h || typing.value) return
    putBack()
    if (h.grip === 'turn') await turnBy(degrees.value)
    else await moveBy(moved.value.byMm, copy)
  }

  /** Ends it by a value: millimetres along its axis, or degrees. */
  async function type(value: number) {
    const h = held.value
    putBack()
    if (!h) return
    if (h.grip === 'turn') await turnBy(value)
    else await moveBy({ x: h.grip === 'X' ? value : 0, y: h.grip === 'Y' ? value : 0, z: h.grip === 'Z' ? value : 0 }, false)
  }

  async function moveBy(by: VecMm, copy: boolean) {
    if (!by.x && !by.y && !by.z) return
    await (copy ? placing.copyBy(by) : placing.moveBy(by))
  }

  async function turnBy(by: number) {
    const turns = by % 360
    if (!turns) return
    await site.arrange('Turn', turns % 90 === 0 ? { quarterTurns: turns / 90 } : { freeDegrees: turns })
  }

  /** What is typed first: what the drag has come to. */
  const value = computed(() => {
    const { x, y, z } = moved.value.byMm
    return { X: x, Y: y, Z: z, level: 0, turn: degrees.value }[held.value?.grip ?? 'level']
  })

  return { held, moved, degrees, typing, pivot, hold, putBack, move, turn, letGo, type, value }
})
