import { computed, type Ref } from 'vue'
import { endOf } from '@/common/dates'

/** What stands beside the walk, to see where the two differ. */
export type Beside = 'nothing' | 'person' | 'day' | 'draft'

export interface WalkState {
  person: string
  /** As it was, at the end of that day; empty for now. */
  day: string
  drafted: boolean
  hidden: boolean
  beside: Beside
  besidePerson: string | undefined
  besideDay: string
}

function instantOf(day: string): string | undefined {
  try {
    return endOf(day)
  } catch {
    return undefined
  }
}

/** The walk as every question about it says it; another state of it is another list. */
export function useWalkQuery(state: Ref<WalkState>) {
  return computed(() => {
    const { day, drafted, hidden, beside, besidePerson, besideDay } = state.value
    const at = day === '' ? undefined : instantOf(day)
    const besideAt = beside === 'day' ? instantOf(besideDay) : undefined
    return {
      ...(at === undefined ? {} : { at }),
      ...(drafted ? { drafted } : {}),
      ...(hidden ? { hidden } : {}),
      ...(beside === 'person' && besidePerson !== undefined ? { besidePerson } : {}),
      ...(besideAt === undefined ? {} : { besideAt }),
      ...(beside === 'draft' ? { besideDrafted: true } : {}),
    }
  })
}
