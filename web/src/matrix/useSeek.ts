import { nextTick, watch, type Ref } from 'vue'
import { useNotices } from '@/common/useNotices'
import type { Head, Shown } from './axis'
import type { useChoice } from './useChoice'
import type { useFound } from './useFound'

/** Goes through the outliers of a matrix, and chooses all cells that are alike. */
export function useSeek(matrix: {
  found: Pick<ReturnType<typeof useFound>, 'strange' | 'alikeTo'>
  down: Ref<Shown[]>
  across: Ref<Shown[]>
  turned: Ref<boolean>
  choice: Pick<ReturnType<typeof useChoice>, 'active' | 'choose' | 'go'>
  /** Unfolds what hides a subject and a place, by position among all heads. */
  unfoldTo: (subject: number, place: number) => void
  /** The cell where one is. */
  here: Ref<{ subject: Head; place: Head } | undefined>
}) {
  const { found, down, across, turned, choice, unfoldTo, here } = matrix
  const notices = useNotices()
  let at = -1
  watch(found.strange, () => (at = -1))

  /** Goes to a cell by the positions of its heads among all, and unfolds what hides it. */
  async function goTo(subject: number, place: number) {
    unfoldTo(subject, place)
    await nextTick()
    const [first, second] = turned.value ? [place, subject] : [subject, place]
    const y = down.value.findIndex((shown) => shown.at === first)
    const x = across.value.findIndex((shown) => shown.at === second)
    if (y >= 0 && x >= 0) choice.go({ y, x })
  }

  /** To the next outlier or the one before, the strangest first, wherever it is. */
  async function seek(step: 1 | -1) {
    const all = found.strange.value?.outliers ?? []
    if (all.length === 0) return
    at = at < 0 && step < 0 ? all.length - 1 : (at + step + all.length) % all.length
    await goTo(all[at]!.row, all[at]!.column)
  }

  /** All that are shown and give the same from the same as the one where one is; asked for, since not all of them may have been fetched. */
  async function chooseAlike(inRow: boolean) {
    if (here.value === undefined) return
    const { subject, place } = here.value
    const { y } = choice.active.value
    try {
      const alike = await found.alikeTo(subject.key, place.key)
      if (alike === undefined || alike.cut) {
        notices.say(
          alike === undefined
            ? 'The matrix has become another meanwhile. Nothing was chosen; try it again.'
            : 'There are too many like it to choose them all. Choose in one row.',
        )
        return
      }
      const spots: { y: number; x: number }[] = []
      down.value.forEach((row, i) => {
        if (inRow && i !== y) return
        across.value.forEach((column, j) => {
          const key = turned.value ? `${column.at}|${row.at}` : `${row.at}|${column.at}`
          if (alike.cells.has(key)) spots.push({ y: i, x: j })
        })
      })
      choice.choose(spots)
    } catch (error) {
      notices.fail(error)
    }
  }
  return { goTo, seek, chooseAlike }
}
