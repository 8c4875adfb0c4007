import type { Router } from 'vue-router'
import { nextTick } from 'vue'

const OVERLAYS = '.v-overlay-container'

/**
 * Gives the focus back: when a dialog or menu is gone, to what had it before; when that is gone too, and after going to another
 * room, to the heading.
 */
export function returnFocus(router: Router) {
  let last: HTMLElement | null = null
  document.addEventListener('focusin', ({ target }) => {
    if (target instanceof HTMLElement && target.closest(OVERLAYS) === null) last = target
  })
  new MutationObserver((changes) => {
    const closed = changes.some((change) => [...change.removedNodes].some((node) => node instanceof HTMLElement && node.matches('.v-overlay')))
    if (!closed || !isLost() || document.querySelector(`${OVERLAYS} [role="dialog"]`) !== null) return
    if (last?.isConnected === true) last.focus({ preventScroll: true })
    if (isLost()) focusHeading()
  }).observe(document.body, { childList: true, subtree: true })

  router.afterEach((to, from) => {
    if (from.name === undefined || to.name === from.name) return
    void nextTick(() => requestAnimationFrame(() => !isInField() && focusHeading()))
  })
}

/** Nothing has it: what had it went away. */
function isLost(): boolean {
  const active = document.activeElement
  return active === null || active === document.body
}

function isInField(): boolean {
  return document.activeElement?.matches('#work input, #work textarea, [role="dialog"] *') === true
}

function focusHeading() {
  const heading = document.querySelector<HTMLElement>('#work h1') ?? document.querySelector<HTMLElement>('#work')
  if (heading === null) return
  heading.tabIndex = -1
  heading.focus({ preventScroll: true })
}
