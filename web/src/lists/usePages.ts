import { useQueries, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'

const PAGE = 200
/** So many rows before a page comes into sight it is fetched. */
const AHEAD = 60

/** Whether two keys name one list: the words at their beginning do; what stands after them is a version, a text, an order. */
export function isSameList(one: readonly unknown[], other: readonly unknown[]): boolean {
  return [0, 1, 2].every((i) => typeof one[i] !== 'string' || typeof other[i] !== 'string' || one[i] === other[i])
}

/**
 * The first page of a list, and those that are in sight or about to be.
 *
 * @param kept a row whose page stays, wherever the list is scrolled: the one with the focus
 */
export function usePages<T>(key: () => unknown[], fetch: (offset: number, limit: number) => Promise<{ total: number; items: T[] }>, kept: () => number | undefined) {
  const first = useQuery({
    queryKey: computed(() => [...key(), 'page', 0]),
    queryFn: () => fetch(0, PAGE),
    // A list that is searched, sorted or has changed keeps its rows until the new ones are there; another list never shows them.
    placeholderData: (rows: { total: number; items: T[] } | undefined, asked: { queryKey: readonly unknown[] } | undefined) => (asked !== undefined && isSameList(asked.queryKey, key()) ? rows : undefined),
    shallow: true,
  })
  const total = computed(() => first.data.value?.total ?? 0)

  const highest = ref(0)
  const lowest = ref(0)
  const from = computed(() => Math.floor(Math.max(0, highest.value - AHEAD) / PAGE))
  const until = computed(() => Math.floor(Math.min(total.value - 1, lowest.value + AHEAD) / PAGE))
  const pages = computed(() => {
    const wanted: number[] = []
    for (let page = Math.max(1, from.value); page <= until.value; page++) wanted.push(page)
    const keptPage = Math.floor((kept() ?? 0) / PAGE)
    if (keptPage > 0 && !wanted.includes(keptPage)) wanted.push(keptPage)
    return wanted
  })
  const fetched = useQueries({
    queries: computed(() => pages.value.map((page) => ({ queryKey: [...key(), 'page', page], queryFn: () => fetch(page * PAGE, PAGE), shallow: true }))),
    shallow: true,
  })

  /** Says which rows are in sight. */
  function look(at: { first: number; last: number }) {
    highest.value = at.first
    lowest.value = at.last
  }

  /** Undefined while its page is on the way. */
  function itemAt(row: number): T | undefined {
    const page = Math.floor(row / PAGE)
    const data = page === 0 ? first.data.value : fetched.value[pages.value.indexOf(page)]?.data
    return (data as { items: T[] } | undefined)?.items[row - page * PAGE]
  }

  return { first, total, look, itemAt }
}
