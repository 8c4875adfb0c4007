import { useTimeoutFn } from '@vueuse/core'
import { computed, ref, type Ref } from 'vue'

/** So many rows are laid out at once: browsers draw nothing beyond some ten million pixels. */
const ROWS = 200_000
/** Whoever moves so many pixels at once holds the bar, and means a part of the whole list. */
const JUMP = 4_000
/** How near an end of the stretch, in heights of the list, rows before or after it are needed. */
const NEAR = 2
/** After so many milliseconds without scrolling, the bar is put where it belongs. */
const REST = 200

/**
 * Lays out a stretch of a list that is too long for a browser. The bar stands for the whole list: drawn, it goes to that part
 * of it; whatever moves less than that moves row by row, beyond the ends of the stretch too.
 *
 * @param total how many rows the list has
 * @param rowHeight how high each of them is, in pixels
 * @param moved told before another stretch is laid out: its first row and the one after its last
 */
export function useStretch(
  scroller: Ref<HTMLElement | null>,
  total: () => number,
  rowHeight: () => number,
  moved: (from: number, until: number) => void,
) {
  const wanted = ref(0)
  /** How many rows are laid out. */
  const count = computed(() => Math.min(total(), ROWS))
  /** The first row that is laid out. */
  const base = computed(() => Math.min(wanted.value, total() - count.value))
  let last = 0
  /** The first row once the list has scrolled to where it was sent: both are seen in one frame. */
  let sent: number | undefined
  const resting = useTimeoutFn(() => scroller.value !== null && rest(scroller.value), REST, { immediate: false })

  function layOut(first: number) {
    const from = Math.max(0, Math.min(Math.round(first), total() - count.value))
    if (from === base.value) return
    moved(from, from + count.value)
    wanted.value = from
  }

  /** Shows the row that is at the top from elsewhere in a stretch that begins with another one. */
  function shift(element: HTMLElement, top: number, first: number) {
    const from = Math.max(0, Math.min(Math.round(first), total() - count.value))
    const there = (top - from) * rowHeight()
    if (Math.abs(there - element.scrollTop) < 1) return
    sent = from
    last = there
    element.scrollTop = there
  }

  /** To be called at each scroll, before anything else looks where the list stands. */
  function scrolled() {
    const element = scroller.value
    if (element === null || total() <= count.value) return
    const at = element.scrollTop
    if (sent !== undefined) {
      layOut(sent)
      sent = undefined
      last = at
      return
    }
    const end = element.scrollHeight - element.clientHeight
    if (Math.abs(at - last) > JUMP) {
      layOut((at / end) * (total() - count.value))
    }
    last = at
    const top = base.value + at / rowHeight()
    const near = NEAR * element.clientHeight
    if ((at < near && base.value > 0) || (at > end - near && base.value < total() - count.value)) {
      shift(element, top, top - count.value / 2)
    }
    resting.start()
  }

  /** The bar says again how much of the list is above; where there is more, it stops short of its ends, from which nobody could go on. */
  function rest(element: HTMLElement) {
    const end = element.scrollHeight - element.clientHeight
    const heads = element.scrollHeight - count.value * rowHeight()
    const top = base.value + element.scrollTop / rowHeight()
    const lowest = total() - (element.clientHeight - heads) / rowHeight()
    const near = NEAR * element.clientHeight
    const above = Math.min(near, top * rowHeight())
    const below = Math.min(near, (lowest - top) * rowHeight())
    const bar = Math.max(above, Math.min(end - below, (top / lowest) * end))
    shift(element, top, top - bar / rowHeight())
  }

  /** To be called before the list is sent to a row: lays out a stretch in which it is, if it is not in this one. */
  function reach(row: number) {
    if (row < base.value || row >= base.value + count.value) layOut(row - count.value / 2)
    last = (row - base.value) * rowHeight()
  }

  /** Goes to the first row: what is found, and another order, begin there. */
  function begin() {
    resting.stop()
    sent = undefined
    last = 0
    wanted.value = 0
    if (scroller.value !== null) scroller.value.scrollTop = 0
  }

  return { base, count, scrolled, reach, begin }
}
