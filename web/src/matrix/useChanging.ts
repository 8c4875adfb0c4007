import { computed, shallowRef, type Ref } from 'vue'
import type { Schemas } from '@/api/client'
import type { Head } from './axis'
import type { useChoice } from './useChoice'

/** So many cells are changed at once. */
export const CELLS_AT_MOST = 5_000

/** What is asked of which cells, while it is being decided. */
export interface Changing {
  cells: Schemas['CellRef'][]
  /** The cell that the others may be made like. */
  like: Schemas['CellRef']
  likeWords: string
}

/** The cells that are chosen, or the one that is open, as a change is asked of them. */
export function useChanging(
  matrix: {
    subjects: Ref<Head[]>
    places: Ref<Head[]>
    top: Ref<string | undefined>
    turned: Ref<boolean>
    types: Ref<boolean>
  },
  choice: Pick<ReturnType<typeof useChoice>, 'count' | 'pairs'>,
) {
  const { subjects, places, top, turned, types } = matrix
  const changing = shallowRef<Changing>()
  const tooMany = computed(() => choice.count.value > CELLS_AT_MOST)
  const refOf = (subject: Head, place: Head): Schemas['CellRef'] => ({
    subject: { kind: subject.kind as 'group', id: subject.id },
    ...(types.value ? { place: top.value!, type: place.id } : { place: place.id }),
  })
  const byKey = (heads: Head[]) => new Map(heads.map((head) => [head.key, head]))

  /** All that are chosen; where one is, is what they may be made like. */
  function changeChosen(at: { subject: Head; place: Head }, words: string) {
    if (choice.count.value === 0 || tooMany.value) return
    const bySubject = byKey(subjects.value)
    const byPlace = byKey(places.value)
    changing.value = {
      cells: choice.pairs().flatMap(([first, second]) => {
        const subject = bySubject.get(turned.value ? second : first)
        const place = byPlace.get(turned.value ? first : second)
        return subject === undefined || place === undefined ? [] : [refOf(subject, place)]
      }),
      like: refOf(at.subject, at.place),
      likeWords: words.replace(/\.$/, ''),
    }
  }
  /** One, by the keys of its heads. */
  function changeOne(of: string, column: string) {
    const subject = subjects.value.find((head) => head.key === of)
    const place = places.value.find((head) => head.key === column)
    if (subject === undefined || place === undefined) return
    const one = refOf(subject, place)
    changing.value = { cells: [one], like: one, likeWords: `${subject.name} at ${place.name}` }
  }
  const done = () => (changing.value = undefined)
  return { changing, tooMany, changeChosen, changeOne, done }
}
