import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { beginningOf } from '@/common/dates'
import { RIGHTS } from '@/paling/rights'
import { askedOf, KINDS, type Kind } from './matrix'

/** What is looked for, as the address says it. */
export interface Sought {
  kind: Kind | ''
  right: string
  /** A day; empty for none. */
  since: string
  /** The instant at which a matrix was kept, if it is asked what has changed since then. */
  sinceKept?: string
}

export function soughtOf(text: (key: string) => string | undefined): Sought {
  return {
    kind: KINDS.find((one) => one.value === text('kind'))?.value ?? '',
    right: RIGHTS.find((one) => one === text('right')) ?? 'govern',
    since: /^\d{4}-\d{2}-\d{2}$/.test(text('since') ?? '') ? text('since')! : '',
    sinceKept: text('since-kept'),
  }
}

/** Cells that depart from those beside them, and cells of the kind that is looked for, by the positions of their heads. */
export function useFound(look: Ref<Schemas['MatrixLook']>, sought: Ref<Sought>, heads: Ref<string | undefined>) {
  const since = computed(
    () => sought.value.sinceKept ?? (sought.value.since === '' ? undefined : beginningOf(sought.value.since)),
  )
  const asked = (kind: Kind) => ({
    ...askedOf(look.value),
    kind,
    right: kind === 'RIGHT' ? sought.value.right : undefined,
    since: kind === 'CHANGED' ? since.value : undefined,
  })
  const askFor = (query: ReturnType<typeof asked>) => answer(api.GET('/api/matrix/found', { params: { query } }))
  const strangeQuery = useQuery({
    queryKey: computed(() => ['matrix', 'found', asked('OUTLIERS')]),
    queryFn: () => askFor(asked('OUTLIERS')),
    // What departs is told by positions of heads: these, and the first cells, come first.
    enabled: () => heads.value !== undefined,
  })
  const kind = computed<Kind>(() => (sought.value.kind === '' ? 'OUTLIERS' : sought.value.kind))
  const looking = computed(
    () => sought.value.kind !== '' && (sought.value.kind !== 'CHANGED' || since.value !== undefined),
  )
  const soughtQuery = useQuery({
    queryKey: computed(() => ['matrix', 'found', asked(kind.value)]),
    queryFn: () => askFor(asked(kind.value)),
    enabled: looking,
  })

  /** Positions of other heads than those on the screen say nothing: the heads, or these, are on their way. */
  const current = (found: Schemas['MatrixFound'] | undefined) =>
    found !== undefined && found.heads === heads.value ? found : undefined
  const strange = computed(() => current(strangeQuery.data.value))
  const found = computed(() => (looking.value ? current(soughtQuery.data.value) : undefined))
  const asSet = (some: Schemas['MatrixFound'] | undefined) =>
    some && new Set(some.found.flatMap((row) => row.columns.map((column) => `${row.row}|${column}`)))
  const strangeCells = computed(() => asSet(strange.value))
  const foundCells = computed(() => (sought.value.kind === 'OUTLIERS' ? strangeCells.value : asSet(found.value)))
  const listed = computed(() => found.value?.found.reduce((sum, row) => sum + row.columns.length, 0) ?? 0)

  /** Rows and columns in which anything was found; undefined while everything is shown. */
  const only = computed(() =>
    found.value === undefined
      ? undefined
      : {
          rows: new Set(found.value.found.map((one) => one.row)),
          columns: new Set(found.value.found.flatMap((one) => one.columns)),
        },
  )
  const fault = computed(() => (looking.value ? soughtQuery.error.value : strangeQuery.error.value) ?? undefined)
  /** Whether it is being looked for: until it is found nothing is shown as if it were. */
  const pending = computed(() => looking.value && found.value === undefined && fault.value === undefined)

  /** All that give the same from the same as one cell, by position; undefined if the heads have become others meanwhile. */
  async function alikeTo(of: string, column: string) {
    const alike = await answer(
      api.GET('/api/matrix/found', { params: { query: { ...askedOf(look.value), kind: 'ALIKE', of, column } } }),
    )
    return alike.heads === heads.value
      ? { cells: asSet(alike)!, cut: alike.total > alike.found.reduce((sum, row) => sum + row.columns.length, 0) }
      : undefined
  }
  return { strange, strangeCells, found, foundCells, listed, only, fault, pending, alikeTo }
}
