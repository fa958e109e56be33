import { nextTick } from 'vue'

/** Brings the reason why something was refused into sight, where a panel is longer than the window. */
export function showFault() {
  if (typeof document === 'undefined') return
  void nextTick(() => {
    const shown = [...document.querySelectorAll('.fault[role=alert]')].find((fault) => fault.getClientRects().length)
    shown?.scrollIntoView({ block: 'nearest' })
  })
}
