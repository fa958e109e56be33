import type { Directive } from 'vue'
import { useSite } from '../site/site'

const STOPS = 'button, [role=button]'
const stopsOf = (list: HTMLElement) => [...list.querySelectorAll<HTMLElement | SVGElement>(STOPS)]

/** All but one leave the order of the Tab key: the one that had the focus last, else the first. */
function mark(list: HTMLElement, last?: EventTarget | null) {
  const all = stopsOf(list)
  const one = all.find((s) => s === last) ?? all.find((s) => s.getAttribute('tabindex') === '0') ?? all[0]
  for (const s of all) s.setAttribute('tabindex', s === one ? '0' : '-1')
}

function along(e: KeyboardEvent) {
  const list = e.currentTarget as HTMLElement
  const all = stopsOf(list)
  const at = all.findIndex((s) => s === document.activeElement)
  const to = { ArrowUp: at - 1, ArrowLeft: at - 1, ArrowDown: at + 1, ArrowRight: at + 1, Home: 0, End: all.length - 1 }[e.key]
  // What is selected is nudged by arrows.
  if (at < 0 || to === undefined || useSite().selection.size) return
  e.preventDefault()
  e.stopPropagation()
  all[Math.max(0, Math.min(all.length - 1, to))]?.focus()
}
const heed = (e: FocusEvent) => mark(e.currentTarget as HTMLElement, e.target)

/** A list that is one stop of the Tab key: arrows go along what it holds, Home and End to its ends. */
export const vOneStop: Directive<HTMLElement | SVGElement> = {
  mounted(el) {
    const list = el as HTMLElement
    mark(list)
    list.addEventListener('keydown', along)
    list.addEventListener('focusin', heed)
  },
  updated: (el) => mark(el as HTMLElement),
}
