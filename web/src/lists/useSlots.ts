import { computed } from 'vue'

/**
 * The slot in which each row of those in sight is drawn: a row keeps its slot while it is in sight, and one that comes takes
 * that of one that has gone. What is drawn is then filled anew, which costs a part of making it anew.
 *
 * @param focused whether a row has the focus: rows that come are then made anew, since taking over a slot may move what is
 *   drawn in others, and what is moved loses the focus
 */
export function useSlots(inSight: () => number[], focused: () => boolean) {
  let slots = new Map<number, number>()
  return computed(() => {
    const now = inSight()
    const kept = new Map<number, number>()
    for (const row of now) {
      const slot = slots.get(row)
      if (slot !== undefined) kept.set(row, slot)
    }
    const taken = new Set(kept.values())
    let next = focused() ? Math.max(-1, ...slots.values()) + 1 : 0
    for (const row of now) {
      if (kept.has(row)) continue
      while (taken.has(next)) next++
      kept.set(row, next++)
    }
    slots = kept
    return kept
  })
}
