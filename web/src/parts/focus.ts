import { nextTick, type Directive } from 'vue'

/** Puts the keyboard where something opened, so that the next Tab is its first field. */
export const vHere: Directive<HTMLElement> = {
  mounted: (el) => {
    el.tabIndex = -1
    el.style.outline = 'none'
    void nextTick(() => el.focus({ preventScroll: true }))
  },
}

/** Puts the keyboard into the field, or the first one within, as soon as it is there: a dialog that opens is typed into. */
export const vTypedFirst: Directive<HTMLElement> = {
  mounted: (el) => {
    void nextTick(() => {
      const field = el.matches('input') ? el : el.querySelector<HTMLElement>('input')
      field?.focus()
    })
  },
}
