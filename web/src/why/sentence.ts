import type { Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import { day, listed } from '@/common/words'

/** What an entry gives or withholds, to whom, in a few words. */
export function sentence(entry: Schemas['EntryView']): string {
  const narrowed = entry.types.length > 0 ? `, for ${listed(entry.types)} only` : ''
  return entry.kind === 'grant'
    ? `${entry.role} to ${entry.subjectName}${narrowed}`
    : `${listed(entry.rights)} withheld from ${entry.subjectName}${narrowed}`
}

/** " from 1 May 2026 until 3 Jun 2026", or nothing. */
export function period(link: { from?: string; until?: string }): string {
  return (link.from ? ` from ${day(link.from)}` : '') + (link.until ? ` ${toTheEndOf(link.until)}` : '')
}
