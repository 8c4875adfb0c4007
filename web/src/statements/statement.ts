import type { Schemas } from '@/api/client'

/** What a statement can be about, in the order in which people ask. */
export interface Kind {
  kind: string
  title: string
  /** What has to be named, if anything. */
  needs?: 'place' | 'subject'
  /** Whether a place may be named. */
  place?: boolean
  grouped?: boolean
  /** Whether it is about a stretch of time. */
  period?: boolean
}

export const KINDS: Kind[] = [
  { kind: 'place', title: 'Who can reach a place', needs: 'place', grouped: true },
  { kind: 'subject', title: 'What somebody can reach', needs: 'subject', grouped: true },
  { kind: 'everyone', title: 'Everyone at everything below a place', needs: 'place' },
  { kind: 'outsiders', title: 'Outsiders, and what they reach', place: true },
  { kind: 'lists', title: 'Access lists as they stand', place: true },
  { kind: 'breaks', title: 'Places that stand alone', place: true },
  { kind: 'walls', title: 'Walls, and whom they bar' },
  { kind: 'clearances', title: 'Clearances for guarded types' },
  { kind: 'duties', title: 'Duties and oversight' },
  { kind: 'shares', title: 'What is shared, and by which passes', place: true },
  { kind: 'conditions', title: 'Private, frozen, checked out', place: true },
  { kind: 'roles', title: 'Roles, and where they are used' },
  { kind: 'groups', title: 'Groups, with everybody in them' },
  { kind: 'difference', title: 'Who gained and lost between two days', place: true, period: true },
  { kind: 'changes', title: 'What was put in force', period: true },
  { kind: 'openings', title: 'Who opened what', place: true, period: true },
]

export const GROUPINGS: { value: string; title: string }[] = [
  { value: 'same', title: 'Same access together' },
  { value: 'place', title: 'By place' },
  { value: 'person', title: 'By person' },
  { value: 'subject', title: 'By whom the lists name' },
  { value: 'role', title: 'By role' },
  { value: 'none', title: 'One row each, with how' },
]

export const RIGHTS = ['find', 'read', 'copy', 'add', 'describe', 'revise', 'delete', 'share', 'govern']

/** What is asked, as an address says it; without what goes without saying. */
export interface Asked {
  kind: string
  id?: string
  grouping?: string
  documents?: string
  right?: string
  now?: string
  columns?: string
  from?: string
  at?: string
}

/** What is asked, as a recipe is written: without the instant, so that it can be asked again. */
export const recipeOf = (asked: Asked) =>
  Object.entries(asked)
    .filter(([key]) => key !== 'at')
    .map(([key, value]) => `${key}=${value}`)
    .join(' ')

export const FORMATS = [
  { title: 'Workbook', value: 'XLSX' },
  { title: 'PDF', value: 'PDF' },
  { title: 'CSV', value: 'CSV' },
  { title: 'JSON, a line each', value: 'JSONL' },
] as const
export type Format = (typeof FORMATS)[number]['value']

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']

/** How long something takes yet, in the words one would use. */
export function timeLeft(seconds: number): string {
  if (seconds < 10) return 'a few seconds left'
  if (seconds < 90) return `${Math.round(seconds / 10) * 10} seconds left`
  if (seconds < 5400) return `${Math.round(seconds / 60)} minutes left`
  return `${Math.round(seconds / 3600)} hours left`
}

/** So many bytes, as one says them. */
export function size(bytes: number): string {
  if (bytes < 1_000_000) return `${Math.max(1, Math.round(bytes / 1000))} kB`
  return bytes < 1_000_000_000 ? `${(bytes / 1_000_000).toFixed(1)} MB` : `${(bytes / 1_000_000_000).toFixed(1)} GB`
}

/** The parts of a recipe, as the server keeps one, by name. */
export function partsOf(recipe: string): Record<string, string> {
  return Object.fromEntries(
    recipe.split(' ').map((part) => [part.slice(0, part.indexOf('=')), part.slice(part.indexOf('=') + 1)]),
  )
}

/** An address of before: two questions, one of a place and one of a person. */
export function ofOldAddress(query: Record<string, unknown>): Record<string, string> | undefined {
  if (typeof query.about !== 'string') return undefined
  const { about, id, ...rest } = query as Record<string, string>
  return {
    ...rest,
    kind: about === 'PERSON' ? 'subject' : 'place',
    ...(id === undefined ? {} : { id: about === 'PERSON' ? `person:${id}` : id }),
  }
}

/** What is still to be said before there is an answer. */
export const isWhole = (kind: Kind, id: string | undefined) =>
  kind.needs === undefined || (id !== undefined && id !== '')

/** Columns of a list from those of a statement: as wide as their letters ask for, numbers narrow, the most first. */
export function columnsOf(columns: Schemas['StatementColumn'][]) {
  return columns.map((column) => ({
    title: column.title,
    width: column.number
      ? `${Math.max(64, column.title.length * 7 + 18)}px`
      : `minmax(${Math.min(160, Math.max(64, column.width * 4))}px, ${column.width}fr)`,
    sort: column.number ? `-${column.key}` : column.key,
  }))
}
