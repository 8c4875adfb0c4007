import type { Schemas } from '@/api/client'
import { day } from '@/common/words'

/** What did something: a change, or time. */
export function causeWords(cause: Schemas['Cause']): string {
  return cause.change !== undefined ? `change ${cause.change}: ${cause.note}` : `something began or ended between ${day(cause.after!)} and ${day(cause.until!)}`
}
