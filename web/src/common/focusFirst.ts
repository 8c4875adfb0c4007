import type { Directive } from 'vue'

/** So many frames a dialog may take until its fields can have the focus. */
const FRAMES = 60

/**
 * Puts the focus into the field of this element once it can have it, unless somebody has gone into a field already:
 * what a fast hand types must not land elsewhere. With false, as for what is there already, it does nothing.
 */
export const focusFirst: Directive<HTMLElement, boolean | undefined> = {
  mounted(element, { value }) {
    if (value !== false) focusWhenItCan(element, FRAMES)
  },
}

function focusWhenItCan(element: HTMLElement, frames: number) {
  const field = element.querySelector<HTMLElement>('input, textarea')
  if (field === null || isInField(document.activeElement)) return
  field.focus()
  if (document.activeElement !== field && frames > 0) {
    requestAnimationFrame(() => focusWhenItCan(element, frames - 1))
  }
}

function isInField(element: Element | null): boolean {
  return element !== null && element.matches('input, textarea, select, [contenteditable=true]')
}
