import type { RouteLocationRaw } from 'vue-router'
import type { Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import { day, listed } from '@/common/words'

/** What an entry gives or withholds, to whom, in a few words. */
export const sentence = (entry: Schemas['EntryView']): string => before(entry) + entry.subjectName + narrowed(entry)

/** What an entry gives or withholds, up to whom it names. */
export const before = (entry: Schemas['EntryView']): string => (entry.kind === 'grant' ? `${entry.role} to ` : `${listed(entry.rights)} withheld from `)

/** To which types of documents it is narrowed, if to any, and who shared it, if somebody did. */
export const narrowed = (entry: Schemas['EntryView']): string =>
  (entry.types.length > 0 ? `, for ${listed(entry.types)} only` : '') + (entry.sharedBy !== undefined ? `, shared by ${entry.sharedBy}` : entry.pass ? ', through a pass' : '')

/** Where somebody who is named, or a group or unit, is looked at; nothing for all staff and the like. */
export function subjectLink(kind: string, id: string): RouteLocationRaw | undefined {
  const views: Record<string, RouteLocationRaw> = {
    person: { name: 'people', params: { view: 'persons', id } },
    group: { name: 'people', params: { view: 'groups', id } },
    unit: { name: 'people', params: { view: 'units' } },
  }
  return views[kind]
}

/** " from 1 May 2026 until 3 Jun 2026", or nothing. */
export function period(link: { from?: string; until?: string }): string {
  return (link.from ? ` from ${day(link.from)}` : '') + (link.until ? ` ${toTheEndOf(link.until)}` : '')
}
