import type { Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import { counted, day } from '@/common/words'

type Lasting = { from?: string; until?: string; state: Schemas['ShareLine']['state'] }

/** How long something is shared, as one says it. */
export function lasting(one: Lasting): string {
  const begins = one.state === 'TO_BEGIN' && one.from ? `from ${day(one.from)}, ` : ''
  if (one.until === undefined) return `${begins}without an end`
  return one.state === 'ENDED' ? `ended ${toTheEndOf(one.until).replace(/^to the end of /, '')}` : `${begins}${toTheEndOf(one.until)}`
}

/** How many people, and how many of them from outside. */
export function reach(people: number, outside: number): string {
  return counted(people, 'person', 'people') + (outside > 0 ? `, ${outside} from outside` : '')
}

/** By how many a pass is open, out of how many it may be. */
export function opened(one: { kind: 'SHARE' | 'PASS'; opened: number; uses?: number }): string {
  return one.kind === 'SHARE' ? '' : one.uses === undefined ? `opened by ${one.opened}` : `opened by ${one.opened} of ${one.uses}`
}
