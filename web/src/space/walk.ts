import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import type { BoxMm, VecMm } from '../api/client'
import { EYES, Walker } from './Walker'

/** Someone in a hurry, as one is in a drawing. */
const SPEED_MM_PER_S = 2200
const KEYS: Record<string, [forward: number, aside: number]> = {
  ArrowUp: [1, 0],
  ArrowDown: [-1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  w: [1, 0],
  s: [-1, 0],
  a: [0, -1],
  d: [0, 1],
}

/** Where someone walking looks from, and toward where. */
export interface View {
  eye: VecMm
  /** Degrees: 0 looks east, 90 north. */
  bearing: number
  /** Degrees above the horizon. */
  pitch: number
}

/** Walking through the set at eye height: keys go, the pointer turns the head, Esc ends. */
export function useWalk(boxes: () => Iterable<BoxMm>, seen: (view: View) => void, ended: (at: VecMm) => void) {
  const walking = ref(false)
  const pressed = new Set<string>()
  let walker: Walker | undefined
  let bearing = 90
  let pitch = -4
  let due = 0
  let before = 0

  function start(at: VecMm, toward = 90) {
    walker = new Walker(boxes(), at)
    bearing = toward
    pitch = -4
    pressed.clear()
    walking.value = true
    show()
  }

  function stop() {
    if (!walker) return
    cancelAnimationFrame(due)
    due = 0
    const { at } = walker
    walker = undefined
    walking.value = false
    ended(at)
  }

  const show = () => walker && seen({ eye: { ...walker.at, z: walker.at.z + EYES }, bearing, pitch })

  /** @returns whether one still goes, or falls */
  function go(now: number) {
    due = 0
    if (!walker) return
    // A slow machine takes longer steps, not fewer.
    const seconds = Math.min(0.4, (now - before) / 1000)
    before = now
    const [forward, aside] = [...pressed].reduce(([f, s], k) => [f + KEYS[k]![0], s + KEYS[k]![1]], [0, 0])
    const was = walker.at
    const length = Math.hypot(forward, aside) || 1
    const [c, s] = [Math.cos((bearing * Math.PI) / 180), Math.sin((bearing * Math.PI) / 180)]
    const step = (SPEED_MM_PER_S * seconds) / length
    walker.go((c * forward + s * aside) * step, (s * forward - c * aside) * step, seconds)
    show()
    if (pressed.size || walker.at.z !== was.z) goSoon()
  }

  function goSoon() {
    if (due) return
    due = requestAnimationFrame(go)
  }

  function turn(dx: number, dy: number) {
    bearing -= dx * 0.25
    pitch = Math.max(-80, Math.min(80, pitch - dy * 0.25))
    show()
  }

  const keyOf = (e: KeyboardEvent) => (e.key.length === 1 ? e.key.toLowerCase() : e.key)

  useEventListener(
    window,
    'keydown',
    (e: KeyboardEvent) => {
      if (!walking.value || e.target instanceof HTMLInputElement || e.ctrlKey || e.metaKey) return
      const key = keyOf(e)
      if (key === 'Escape') stop()
      else if (key in KEYS) {
        if (!pressed.size) before = performance.now()
        pressed.add(key)
        goSoon()
      } else return
      e.preventDefault()
      e.stopImmediatePropagation()
    },
    { capture: true },
  )
  useEventListener(window, 'keyup', (e: KeyboardEvent) => pressed.delete(keyOf(e)), { capture: true })
  useEventListener(window, 'blur', () => pressed.clear())

  return { walking, start, stop, turn }
}
