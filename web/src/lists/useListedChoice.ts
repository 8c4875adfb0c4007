import { computed, ref, shallowRef } from 'vue'
import { useNotices } from '@/common/useNotices'
import type { Listed, Part } from './part'

/** So many rows can be chosen at once: what is longer is narrowed down first. */
export const CHOSEN_AT_MOST = 2_000
/** The server gives at most so many rows at a time. */
const PAGE = 500

/**
 * Choosing among the rows of a list of which only those in sight are fetched: one, with Shift all from the one chosen last, or all of
 * them. The rows between, and all, are fetched when they are chosen: never fewer than whoever chooses means. What was chosen stays so
 * while something else is looked for.
 */
export function useListedChoice<T>(fetch: (part: Part) => Promise<{ total: number; items: T[] }>, idOf: (row: T) => string, mayChoose: (row: T) => boolean = () => true) {
  const notices = useNotices()
  const chosen = shallowRef(new Map<string, T>())
  const shown = ref<Listed>({ list: '', total: 0 })
  const busy = ref(false)
  const listOf = (what: Listed) => `${what.list} ${what.total}`
  /** The list of which all were chosen, as long as none was given back. */
  const allOf = ref<string>()
  let last: { list: string; index: number } | undefined

  const all = computed(() => shown.value.total > 0 && allOf.value === listOf(shown.value))
  const some = computed(() => !all.value && chosen.value.size > 0)
  const rows = computed(() => [...chosen.value.values()])
  const isChosen = (row: T) => chosen.value.has(idOf(row))

  /** All of them, or undefined if they could not be fetched, or the list became another meanwhile: fewer than are meant, or others, are never chosen. */
  async function between(from: number, until: number): Promise<T[] | undefined> {
    const { text, sort } = shown.value
    const list = shown.value.list
    const found: T[] = []
    busy.value = true
    try {
      for (let offset = from; offset < until; offset += PAGE) found.push(...(await fetch({ offset, limit: Math.min(PAGE, until - offset), text, sort })).items)
    } catch (error) {
      notices.fail(`Nothing was chosen: ${error instanceof Error ? error.message : String(error)}`)
      return undefined
    } finally {
      busy.value = false
    }
    return shown.value.list === list ? found.filter(mayChoose) : undefined
  }
  function put(meant: T[] | undefined, choose: boolean): boolean {
    if (meant === undefined) return false
    const now = new Map(chosen.value)
    for (const row of meant) {
      if (choose) now.set(idOf(row), row)
      else now.delete(idOf(row))
    }
    if (!choose) allOf.value = undefined
    chosen.value = now
    return true
  }
  /** @param box which was pressed: a browser ticks it at once, whether or not the rows can be fetched */
  async function toggle(row: T, index: number, range: boolean, box?: EventTarget | null) {
    const choose = !isChosen(row)
    const list = listOf(shown.value)
    const asked = shown.value.list
    const from = range && last?.list === list ? last.index : index
    last = { list, index }
    put(from === index ? [row] : await between(Math.min(from, index), Math.min(Math.max(from, index) + 1, Math.min(from, index) + CHOSEN_AT_MOST)), choose)
    if (box instanceof HTMLInputElement && shown.value.list === asked) box.checked = isChosen(row)
  }
  async function toggleAll() {
    const list = listOf(shown.value)
    const choose = !all.value
    const done = put(await between(0, Math.min(shown.value.total, CHOSEN_AT_MOST)), choose)
    if (done && choose && shown.value.total <= CHOSEN_AT_MOST) allOf.value = list
  }
  function clear() {
    chosen.value = new Map()
    allOf.value = last = undefined
  }
  const listed = (what: Listed) => (shown.value = what)
  return { shown, listed, rows, all, some, busy, isChosen, toggle, toggleAll, clear }
}
