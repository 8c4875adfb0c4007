import { computed, ref, shallowRef, type Ref } from 'vue'

/** A cell by its position in what is shown. */
export interface Spot {
  y: number
  x: number
}

/**
 * Which cells are chosen: a rectangle between where one began and where one is, beside others chosen before. By the keys of their heads, so
 * that what is chosen stays so when the matrix is folded.
 */
export function useChoice(rows: Ref<readonly string[]>, columns: Ref<readonly string[]>) {
  const active = ref<Spot>({ y: 0, x: 0 })
  const anchor = ref<Spot>({ y: 0, x: 0 })
  const others = shallowRef<ReadonlySet<string>>(new Set())

  const within = (value: number, length: number) => Math.max(0, Math.min(length - 1, value))
  const kept = (spot: Spot): Spot => ({ y: within(spot.y, rows.value.length), x: within(spot.x, columns.value.length) })
  const area = computed(() => ({
    top: Math.min(anchor.value.y, active.value.y),
    bottom: Math.max(anchor.value.y, active.value.y),
    left: Math.min(anchor.value.x, active.value.x),
    right: Math.max(anchor.value.x, active.value.x),
  }))
  /** Ids hold no such sign. */
  const BETWEEN = '\u0000'
  const keyAt = (y: number, x: number) => `${rows.value[y]}${BETWEEN}${columns.value[x]}`

  /** Goes to a cell, and chooses it alone, or all between it and where one began. */
  function go(spot: Spot, extend = false) {
    active.value = kept(spot)
    if (!extend) {
      anchor.value = active.value
      others.value = new Set()
    }
  }
  /** Chooses one more, beside what is chosen. */
  function also(spot: Spot) {
    others.value = new Set(keys())
    active.value = kept(spot)
    anchor.value = active.value
  }
  function between(from: Spot, to: Spot) {
    others.value = new Set()
    anchor.value = kept(from)
    active.value = kept(to)
  }
  /** Chooses cells wherever they are, beside the one where one is. */
  function choose(cells: Iterable<Spot>) {
    anchor.value = active.value
    others.value = new Set([...cells].map((spot) => keyAt(spot.y, spot.x)))
  }
  const has = (y: number, x: number) =>
    (y >= area.value.top && y <= area.value.bottom && x >= area.value.left && x <= area.value.right) ||
    others.value.has(keyAt(y, x))

  const count = computed(() => {
    const { top, bottom, left, right } = area.value
    const inside = (bottom - top + 1) * (right - left + 1)
    if (others.value.size === 0) return rows.value.length === 0 || columns.value.length === 0 ? 0 : inside
    return keys().size
  })
  /** The chosen cells, by the keys of their heads. */
  function keys(): Set<string> {
    const all = new Set(others.value)
    const { top, bottom, left, right } = area.value
    for (let y = top; y <= bottom; y++)
      for (let x = left; x <= right; x++) if (y < rows.value.length && x < columns.value.length) all.add(keyAt(y, x))
    return all
  }
  /** The same, as the keys of both heads. */
  const pairs = () => [...keys()].map((both) => both.split(BETWEEN) as [string, string])
  /** When heads come and go: where one is stays in what is shown. */
  function settle() {
    active.value = kept(active.value)
    anchor.value = kept(anchor.value)
  }
  return { active, anchor, go, also, between, choose, has, count, pairs, settle }
}
