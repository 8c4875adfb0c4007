import { onScopeDispose, shallowRef, triggerRef, type Ref } from 'vue'
import { answer, api } from '@/api/client'
import { cellOf, type Cell } from './matrix'

/** Who is asked for cells: of one matrix, by what is at the heads. */
export interface Source {
  /** Another value where the cells are others. */
  version: string
  types: boolean
  container?: string
}

export interface Window {
  /** Subjects, as kind and id. */
  rows: { kind: string; id: string; key: string }[]
  /** Places or types, by id. */
  columns: string[]
}

const ROWS_AT_ONCE = 200
const COLUMNS_AT_ONCE = 400
const KEPT_AT_MOST = 300_000

/**
 * Cells that have been fetched, and fetches those that are not: what is in sight first, then what is near. What was shown stays until
 * it is fetched anew.
 */
export function useCells(source: Ref<Source>) {
  const cells = new Map<string, Cell>()
  const fetched = new Set<string>()
  /** Told when any came. */
  const came = shallowRef(0)
  const failed = shallowRef('')
  let version = ''
  /** What was asked for before everything was to be asked for again may be of the state before. */
  let generation = 0
  let running = false
  let next: Window | undefined
  let over = false
  onScopeDispose(() => (over = true))

  /** Ids hold no such sign. */
  const keyOf = (row: string, column: string) => `${row}\u0000${column}`

  /** Everything is asked for again; what is there is shown meanwhile. */
  function renew() {
    generation++
    fetched.clear()
    if (version !== source.value.version) cells.clear()
    version = source.value.version
  }

  function want(window: Window) {
    next = window
    if (!running) void work()
  }

  async function work() {
    running = true
    while (next !== undefined && !over) {
      const window = next
      next = undefined
      const missing = window.rows
        .filter((row) => window.columns.some((column) => !fetched.has(keyOf(row.key, column))))
        .slice(0, ROWS_AT_ONCE)
      const columns = window.columns
        .filter((column) => missing.some((row) => !fetched.has(keyOf(row.key, column))))
        .slice(0, COLUMNS_AT_ONCE)
      if (missing.length === 0 || columns.length === 0) continue
      const asked = source.value
      const asOf = generation
      try {
        const found = await answer(
          api.POST('/api/matrix/cells', {
            body: {
              rows: missing.map(({ kind, id }) => ({ kind, id })),
              columns,
              types: asked.types,
              container: asked.container,
            },
          }),
        )
        failed.value = ''
        if (asked.version !== source.value.version || asOf !== generation) {
          next ??= window
          continue
        }
        if (cells.size > KEPT_AT_MOST) {
          cells.clear()
          fetched.clear()
        }
        missing.forEach((row, r) =>
          columns.forEach((column, c) => {
            cells.set(keyOf(row.key, column), cellOf(found.cells[r * columns.length + c]!))
            fetched.add(keyOf(row.key, column))
          }),
        )
        came.value++
        triggerRef(came)
        if (window.rows.length > ROWS_AT_ONCE || window.columns.length > COLUMNS_AT_ONCE) next ??= window
      } catch (error) {
        failed.value = error instanceof Error ? error.message : String(error)
        break
      }
    }
    running = false
  }

  const cell = (row: string, column: string) => cells.get(keyOf(row, column))
  return { cell, want, renew, came, failed }
}
