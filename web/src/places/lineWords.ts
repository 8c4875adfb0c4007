import type { Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import { counted, day, fromNow, listed } from '@/common/words'

type Line = Schemas['AccessLine']

/** From when to when a line holds. */
export function dates(line: Line): string {
  const { from, until } = line.entry
  const parts = []
  if (from) parts.push(`from ${day(from)}`)
  if (until) parts.push(`${toTheEndOf(until)} (${fromNow(until)})`)
  return parts.join(', ')
}

/** What narrows a line, short enough to stand on it. */
export function limits(line: Line): string {
  const [one, ...others] = line.entry.types
  const shared = line.entry.sharedBy !== undefined ? 'share' : line.entry.pass ? 'pass' : ''
  return one === undefined ? shared : `${shared === '' ? '' : `${shared}, `}only ${others.length === 0 ? one : counted(line.entry.types.length, 'type')}`
}

/** All that is said of a line besides whom, what and where from. */
export function remark(line: Line): string {
  return [
    line.entry.types.length > 0 ? `only ${listed(line.entry.types)}` : '',
    line.entry.sharedBy ? `shared by ${line.entry.sharedBy}` : line.entry.pass ? 'through a pass' : '',
    dates(line),
    line.entry.note ?? '',
  ]
    .filter((part) => part !== '')
    .join(' · ')
}
