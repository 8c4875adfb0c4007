import { computed } from 'vue'

/**
 * The slot in which each row of those in sight is drawn: a row keeps its slot while it is in sight, and one that comes takes
 * that of one that has gone. What is drawn is then filled anew, which costs a part of making it anew. The map lists rows as
 * they are drawn one after another: as they follow each other, but while the list is scrolled those that come stay where their
 * slot is, since moving what is drawn costs as much as making it.
 *
 * @param focused whether a row has the focus: rows that come are then made anew, since taking over a slot may move what is
 *   drawn in others, and what is moved loses the focus
 * @param scrolled whether the list is being scrolled
 */
export function useSlots(inSight: () => number[], focused: () => boolean, scrolled: () => boolean) {
  /** By slot, one after another as they are drawn. */
  let drawn = new Map<number, number>()
  return computed(() => {
    const now = inSight()
    const wanted = new Set(now)
    const coming = new Set(now)
    for (const row of drawn.values()) coming.delete(row)
    const rows = coming.values()
    const next = new Map<number, number>()
    for (const [slot, row] of drawn) {
      if (wanted.has(row)) next.set(slot, row)
      else if (!focused()) {
        const taker = rows.next()
        if (taker.done !== true) next.set(slot, taker.value)
      }
    }
    let free = focused() ? Math.max(-1, ...drawn.keys()) + 1 : 0
    for (const row of rows) {
      while (next.has(free)) free++
      next.set(free, row)
    }
    const inOrder = [...next]
    if (focused() || !scrolled()) inOrder.sort(([, one], [, other]) => one - other)
    drawn = new Map(inOrder)
    return new Map(inOrder.map(([slot, row]) => [row, slot]))
  })
}
