import { computed, type ComputedRef, type Ref } from 'vue'
import type { Schemas } from '@/api/client'
import type { Shown } from './axis'
import { KINDS, RULES } from './matrix'
import { ON_PAPER } from './sheets'
import type { useCells } from './useCells'
import type { Sought } from './useFound'

/** What of a matrix is laid out for paper: all that is shown, and not only what is in sight. */
export function useOnPaper(
  look: Ref<Schemas['MatrixLook']>,
  sought: Ref<Sought>,
  topPath: Ref<string | undefined>,
  withDraft: Ref<boolean>,
  shown: { down: ComputedRef<Shown[]>; across: ComputedRef<Shown[]> },
  cells: Pick<ReturnType<typeof useCells>, 'want'>,
) {
  const title = computed(() => {
    const rule = RULES.find((one) => one.value === (look.value.rows ?? 'CHOSEN'))!
    const kind = KINDS.find((one) => one.value === sought.value.kind && one.value !== '')
    return `${rule.title}, below ${topPath.value ?? 'everything'}${kind === undefined ? '' : `: ${kind.title.toLowerCase()}`}${withDraft.value ? ', with your draft' : ''}`
  })
  function want() {
    const { down, across } = shown
    if (down.value.length * across.value.length > ON_PAPER) return
    const [who, where] = look.value.turned ? [across.value, down.value] : [down.value, across.value]
    cells.want({
      rows: who.map(({ head }) => ({ kind: head.kind, id: head.id, key: head.key })),
      columns: where.map(({ head }) => head.id),
    })
  }
  return { title, want }
}
