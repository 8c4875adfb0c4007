import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch, type Ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { foldedAtFirst, type Head } from './axis'
import { askedOf } from './matrix'

/** What stands at the heads of the matrix that is looked at, and what of it is folded. */
export function useHeads(look: Ref<Schemas['MatrixLook']>) {
  const query = useQuery({
    queryKey: computed(() => ['matrix', 'heads', askedOf(look.value)]),
    queryFn: () => answer(api.GET('/api/matrix/heads', { params: { query: askedOf(look.value) } })),
    // Twenty thousand heads: made reactive one by one, and compared one by one with those before, they would take a second.
    shallow: true,
    structuralSharing: false,
  })
  const subjects = computed<Head[]>(() =>
    (query.data.value?.rows ?? []).map((row) => ({
      ...row,
      name: row.kind === 'unit' ? `${row.name} (unit)` : row.name,
      key: `${row.kind}:${row.id}`,
      note: String(row.people),
      standsAlone: false,
      walled: false,
      outsiders: row.outsiders > 0,
    })),
  )
  const places = computed<Head[]>(() =>
    (query.data.value?.columns ?? []).map((column) => ({
      ...column,
      key: column.id,
      note: '',
      standsAlone: column.standsAlone === true,
      walled: column.walled === true,
      outsiders: false,
    })),
  )

  const folded = ref<ReadonlySet<string>>(new Set())
  let foldedOf = ''
  watch(
    [places, () => JSON.stringify(askedOf(look.value))],
    ([now, of]) => {
      if (now.length > 0 && foldedOf !== of) {
        foldedOf = of
        folded.value = foldedAtFirst(now)
      }
    },
    { immediate: true },
  )
  function fold(key: string) {
    const next = new Set(folded.value)
    if (!next.delete(key)) next.add(key)
    folded.value = next
  }
  /** Unfolds what hides a subject and a place, by position. */
  function unfoldTo(subject: number, place: number) {
    const open = new Set(folded.value)
    for (const [heads, at] of [
      [subjects.value, subject],
      [places.value, place],
    ] as const) {
      for (let up = heads[at]?.parent ?? -1; up >= 0; up = heads[up]!.parent) open.delete(heads[up]!.key)
    }
    folded.value = open
  }
  return { query, subjects, places, folded, fold, unfoldTo }
}
