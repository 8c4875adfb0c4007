import type { Schemas } from '@/api/client'

export type Duty = Schemas['DutyLine']['duty']

/** What each duty lets somebody do, in the order of the access rules. */
export const LETS: Record<Duty, string> = {
  ACCESS: 'change access lists, breaks, house rules, ceilings and places',
  PEOPLE: 'change people, groups and memberships',
  TYPES: 'change document types, their fields and clearances',
  WALLS: 'raise, change and lift walls',
  OVERSIGHT: 'appoint overseers',
  ROUNDS: 'run reviews',
  AUDIT: 'read everything in the console, change nothing',
  SYSTEM: 'hand out duties, settings and imports',
}

export const DUTIES = Object.keys(LETS) as Duty[]

/** What a duty is limited to. */
export const SCOPES: Record<Duty, 'place' | 'unit' | 'all'> = {
  ACCESS: 'place',
  PEOPLE: 'unit',
  TYPES: 'all',
  WALLS: 'all',
  OVERSIGHT: 'place',
  ROUNDS: 'place',
  AUDIT: 'all',
  SYSTEM: 'all',
}
