import { useEventListener } from '@vueuse/core'
import { onScopeDispose, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useNotices } from '@/common/useNotices'

/** What each field of a form held before it was typed into, or when the form was last sent. */
const before = new WeakMap<Element, string>()
/** What it held at first: what was sent and refused is still to be lost. */
const first = new WeakMap<Element, string>()

type Field = HTMLInputElement | HTMLTextAreaElement

/** What is looked for, and what is chosen, is not lost with the form. */
function isTyped(element: unknown): element is Field {
  return (element instanceof HTMLTextAreaElement || (element instanceof HTMLInputElement && ['text', 'email', 'number'].includes(element.type))) && element.role !== 'combobox' && element.getAttribute('role') !== 'combobox' && element.closest('[data-find]') === null
}

/** Whether something was typed into a form that was not sent since, or was refused. */
export function isHalfFilled(form: HTMLFormElement): boolean {
  // Each field has an alert of its own, for what is wrong with it; a refusal says so for the form.
  const known = form.querySelector('.fault[role="alert"]') === null ? before : first
  return [...form.elements].some((field) => isTyped(field) && known.has(field) && field.value.trim() !== '' && field.value !== known.get(field))
}

/** Asks before what was typed into a form is lost: by going to another page, by Escape, by a press beside a dialog, by closing the window. */
export function useHalfFilled() {
  const router = useRouter()
  const notices = useNotices()
  /** The form that was sent last, with what its fields held before they were typed into. */
  let last: { form: HTMLFormElement; held: Map<Element, string> } | undefined
  /** What is done if it may be lost. */
  const leaving = ref<() => void>()

  const halfFilled = () => [...document.querySelectorAll('form')].filter(isHalfFilled)
  const forget = () =>
    halfFilled().forEach((form) => {
      for (const field of form.elements) first.delete(field)
      sent(form)
    })
  function sent(form: HTMLFormElement) {
    last = { form, held: new Map([...form.elements].filter(isTyped).map((field) => [field, before.get(field) ?? field.value])) }
    for (const field of form.elements) if (isTyped(field)) before.set(field, field.value)
  }
  // Some forms have no place to say why they were refused: a notice does, and what was typed is still to be lost.
  watch(
    () => notices.failures,
    () => {
      if (last?.form.isConnected === true) last.held.forEach((held, field) => before.set(field, held))
    },
    { flush: 'sync' },
  )
  /** Each dialog has a way out of its own, which does not ask: whoever presses it means it. */
  function closeOf(overlay: Element): (() => void) | undefined {
    const form = overlay.querySelector('form')
    const out = overlay.querySelector<HTMLElement>('.actions button:not([type="submit"])')
    return form !== null && out !== null && isHalfFilled(form) ? () => out.click() : undefined
  }

  useEventListener(document, 'focusin', (event) => {
    if (!isTyped(event.target)) return
    if (!before.has(event.target)) before.set(event.target, event.target.value)
    if (!first.has(event.target)) first.set(event.target, event.target.value)
  })
  useEventListener(document, 'submit', (event) => {
    const form = event.target as HTMLFormElement
    // A form that is only rehearsed is not sent by that.
    if (form.dataset.rehearses === undefined) sent(form)
  }, { capture: true })
  useEventListener(window, 'beforeunload', (event) => {
    if (halfFilled().length > 0) event.preventDefault()
  })
  useEventListener(
    document,
    'keydown',
    (event) => {
      if (event.key !== 'Escape' || leaving.value !== undefined) return
      // A list that is open within it is closed first.
      const top = [...document.querySelectorAll('.v-overlay--active')].pop()
      ask(event, top?.classList.contains('v-dialog') ? top : undefined)
    },
    { capture: true },
  )
  useEventListener(
    document,
    'click',
    (event) => {
      const scrim = event.target instanceof Element && event.target.classList.contains('v-overlay__scrim') ? event.target : undefined
      if (scrim !== undefined && leaving.value === undefined) ask(event, scrim.closest('.v-dialog') ?? undefined)
    },
    { capture: true },
  )
  function ask(event: Event, overlay: Element | undefined) {
    const close = overlay === undefined ? undefined : closeOf(overlay)
    if (close === undefined) return
    event.preventDefault()
    event.stopPropagation()
    leaving.value = close
  }

  const remove = router.beforeEach((to, from) => {
    // Whoever is signed out has nowhere to stay.
    if (to.path === from.path || to.name === 'sign-in' || halfFilled().length === 0) return true
    leaving.value = () => {
      forget()
      void router.push(to)
    }
    return false
  })
  onScopeDispose(remove)

  function leave() {
    const doing = leaving.value
    leaving.value = undefined
    doing?.()
  }
  return { leaving, leave }
}
