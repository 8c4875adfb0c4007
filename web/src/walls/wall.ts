import type { Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import { day } from '@/common/words'

export const KINDS: { kind: string; title: string; about: string }[] = [
  { kind: 'screen', title: 'Screen', about: 'The people you list are kept out of what it covers. Everybody else is untouched.' },
  { kind: 'seal', title: 'Seal', about: 'Everybody is kept out of what it covers, except the people you list.' },
  { kind: 'confine', title: 'Confine', about: 'The people you list are kept out of everything but what it covers.' },
  { kind: 'sides', title: 'Sides', about: 'Two sides or more, each with people and papers: nobody on one side reaches the papers of another.' },
]

export const STATES: Record<Schemas['WallLine']['state'], string> = { STANDING: 'stands', PLANNED: 'planned', LIFTED: 'lifted' }

/** In a word or two, what a wall is at now: a standing wall outside its dates bars nobody. */
export function stateOf(wall: { state: Schemas['WallLine']['state']; bars: boolean; from?: string | undefined; until?: string | undefined }, now = Date.now()): string {
  if (wall.state !== 'STANDING' || wall.bars) return STATES[wall.state]
  return wall.from !== undefined && new Date(wall.from).getTime() > now ? `stands from ${day(wall.from)}` : 'has ended'
}

/** The state that a form says: one that does not stand stays planned or lifted, whatever else of it is changed. */
export function stateFor(stands: boolean, was: Schemas['WallLine']['state'] | undefined): Schemas['WallLine']['state'] {
  return stands ? 'STANDING' : was === 'LIFTED' ? 'LIFTED' : 'PLANNED'
}

export function heldBetween(wall: { from?: string | undefined; until?: string | undefined }): string {
  return [wall.from ? `from ${day(wall.from)}` : '', wall.until ? toTheEndOf(wall.until) : ''].filter(Boolean).join(' ') || 'without an end'
}

/** What is said of a scope that hardly anybody means. */
export const ODD: Record<Schemas['Coverage']['oddities'][number], string> = {
  NOTHING: 'This covers nothing: no place meets all that it asks for. Check how the values are written.',
  NEARLY_EVERYTHING: 'This covers nearly every document there is.',
  MORE_THAN_ITS_NAME_SAYS: 'This covers more than its name suggests: most of the documents inside have none of its words in their path or labels.',
}

/** Labels as rows of a form: several values of one key are alternatives. */
export interface LabelRow {
  key: string
  value: string
}

/** One scope and whom it names, while it is being written. */
export interface SideForm {
  name: string
  subjects: Schemas['SubjectView'][]
  places: { id: string; name: string }[]
  types: string[]
  labels: LabelRow[]
}

export const emptySide = (): SideForm => ({ name: '', subjects: [], places: [], types: [], labels: [] })

export function formOf(side: Schemas['SideView']): SideForm {
  return {
    name: side.name ?? '',
    subjects: [...side.subjects],
    places: side.placesNamed.map((place) => ({ id: place.id, name: place.path })),
    types: side.typesNamed.map((type) => type.id),
    labels: Object.entries(side.labels).flatMap(([key, values]) => values.map((value) => ({ key, value }))),
  }
}

export function labelsOf(rows: LabelRow[]): Record<string, string[]> {
  const labels: Record<string, string[]> = {}
  for (const row of rows) {
    const key = row.key.trim()
    const value = row.value.trim()
    if (key !== '' && value !== '') (labels[key] ??= []).push(value)
  }
  return labels
}

export const hasCriterion = (side: SideForm) => side.places.length > 0 || side.types.length > 0 || Object.keys(labelsOf(side.labels)).length > 0

export function sideOf(side: SideForm, named: boolean): Schemas['WallSide'] {
  return {
    ...(named ? { name: side.name.trim() } : {}),
    subjects: side.subjects.map((one) => ({ kind: one.kind, id: one.id })),
    places: side.places.map((place) => place.id),
    types: side.types,
    labels: labelsOf(side.labels),
  }
}

/** A wall as it stands, as a change that puts it there: for changing one thing of it. */
export function changeOf(wall: Schemas['WallView'], differently: Partial<Schemas['SetWall']> = {}): Schemas['SetWall'] {
  return {
    kind: 'setWall',
    wall: wall.id,
    name: wall.name,
    ...(wall.reason === undefined ? {} : { reason: wall.reason }),
    state: wall.state,
    ...(wall.from === undefined ? {} : { from: wall.from }),
    ...(wall.until === undefined ? {} : { until: wall.until }),
    barrier: wall.kind,
    sides: wall.sides.map((side) => sideOf(formOf(side), wall.kind === 'sides')),
    exceptions: wall.exceptions.map((one) => ({ subject: { kind: one.subject.kind, id: one.subject.id }, ...(one.until === undefined ? {} : { until: one.until }) })),
    ...differently,
  }
}
