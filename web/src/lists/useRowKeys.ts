import { nextTick, type Ref } from 'vue'

/** What has a use of its own for the arrow keys. */
const OWN_ARROWS = 'input:not([type=checkbox]), textarea, select, [role=combobox], [role=combobox] *'

/** What a row opens: a name that merely leads to somebody does so only where there is nothing else. */
const opener = (row: HTMLElement | null | undefined) => row?.querySelector<HTMLElement>('a:not([data-aside]), .row-name, [data-opens]') ?? row?.querySelector<HTMLElement>('a')

/**
 * The rows of a list by keyboard: the arrow keys walk through them, Enter opens what one is about.
 *
 * @param active the row that has the focus, or that the arrow keys are on the way to
 * @param first the first row in sight
 * @param show brings a row into sight and makes it the active one
 */
export function useRowKeys(scroller: Ref<HTMLElement | null>, active: Ref<number | undefined>, total: () => number, first: () => number, show: (row: number) => void) {
  function rowOf(index: number): HTMLElement | null | undefined {
    return scroller.value?.querySelector<HTMLElement>(`[data-row="${index}"]`)
  }

  /** Enter on a row, not on something in it. */
  function enter(event: KeyboardEvent) {
    const row = event.target instanceof HTMLElement && event.target.matches('[data-row]') ? event.target : null
    opener(row)?.click()
  }

  /** A row opens wherever it is pressed, but on what has a use of its own, and not while text is being marked. */
  function press(event: MouseEvent) {
    const target = event.target instanceof Element ? event.target : null
    const row = target?.closest<HTMLElement>('[data-row]')
    if (row == null || target?.closest('a, button, input, label, select, textarea, [role=button], [role=combobox]') != null) return
    if (window.getSelection()?.isCollapsed === false) return
    opener(row)?.click()
  }

  /** Wherever in a row the focus is; a key that is held down is faster than the rows are drawn. */
  function move(event: KeyboardEvent) {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
    if (step === 0 || !(event.target instanceof HTMLElement) || event.target.matches(OWN_ARROWS)) return
    const wanted = active.value === undefined ? first() : active.value + step
    if (wanted < 0 || wanted >= total()) return
    event.preventDefault()
    show(wanted)
    void nextTick(() => {
      if (active.value === wanted) rowOf(wanted)?.focus({ preventScroll: true })
    })
  }

  function entered(event: FocusEvent) {
    const row = event.target instanceof HTMLElement ? event.target.closest<HTMLElement>('[data-row]') : null
    active.value = row === null ? undefined : Number(row.dataset.row)
  }

  function left(event: FocusEvent) {
    const to = event.relatedTarget
    if (to instanceof Node && !scroller.value?.contains(to)) active.value = undefined
  }

  return { rowOf, enter, press, move, entered, left }
}
