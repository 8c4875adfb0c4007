import type { LocationQuery } from 'vue-router'
import type { Schemas } from '@/api/client'
import { counted, listed } from '@/common/words'
import { RIGHTS } from '@/paling/rights'

export type Rule = NonNullable<Schemas['MatrixLook']['rows']>
export type Across = Schemas['MatrixLook']['across']
export type Kind = 'OUTLIERS' | 'HERE' | 'ABOVE' | 'THROUGH_GROUP' | 'OUTSIDERS' | 'RIGHT' | 'CHANGED'

export const RULES: { value: Rule | 'CHOSEN'; title: string }[] = [
  { value: 'WITH_ACCESS_BELOW', title: 'Groups and units named below here' },
  { value: 'NAMED_BELOW', title: 'Everyone named below here' },
  { value: 'OUTSIDE_FIRMS', title: 'Outside firms' },
  { value: 'GROUPS', title: 'All groups' },
  { value: 'UNITS', title: 'All units' },
  { value: 'CHOSEN', title: 'Chosen by hand' },
]

export const ACROSS: { value: Across; title: string }[] = [
  { value: 'CONTAINERS', title: 'Libraries and folders' },
  { value: 'DOCUMENTS', title: 'Documents too' },
  { value: 'TYPES', title: 'Document types' },
]

export const KINDS: { value: Kind | ''; title: string }[] = [
  { value: '', title: 'All cells' },
  { value: 'OUTLIERS', title: 'Outliers' },
  { value: 'HERE', title: 'Given here' },
  { value: 'ABOVE', title: 'From above' },
  { value: 'THROUGH_GROUP', title: 'Through a group' },
  { value: 'OUTSIDERS', title: 'Given to outsiders' },
  { value: 'RIGHT', title: 'With a right' },
  { value: 'CHANGED', title: 'Changed since a day' },
]

/** What the address says is looked at. */
export function lookOf(query: LocationQuery): Schemas['MatrixLook'] {
  const text = (key: string) => (typeof query[key] === 'string' && query[key] !== '' ? String(query[key]) : undefined)
  const subject = [query.subject].flat().filter((one): one is string => typeof one === 'string')
  const rows = RULES.find((one) => one.value === text('rows'))?.value
  return {
    top: text('top'),
    rows: rows === 'CHOSEN' || (rows === undefined && subject.length > 0) ? undefined : (rows ?? 'WITH_ACCESS_BELOW'),
    subject: rows === undefined || rows === 'CHOSEN' ? subject : [],
    across: ACROSS.find((one) => one.value === text('across'))?.value ?? 'CONTAINERS',
    turned: text('turned') === 'yes',
  }
}

/** And the other way. */
export function addressOf(look: Schemas['MatrixLook']) {
  return {
    top: look.top,
    rows: look.rows ?? 'CHOSEN',
    subject: look.rows === undefined ? look.subject : undefined,
    across: look.across === 'CONTAINERS' ? undefined : look.across,
    turned: look.turned ? 'yes' : undefined,
  }
}

/** What a request says of it. */
export function askedOf(look: Schemas['MatrixLook']) {
  return {
    top: look.top,
    rows: look.rows,
    subject: look.rows === undefined ? look.subject : undefined,
    across: look.across,
  }
}

/** The rights of a mask, in the fixed order. */
export const rightsOf = (mask: number): string[] => RIGHTS.filter((_, i) => (mask & (1 << i)) !== 0)

/** A cell as it is sent: see MatrixCellsView. */
export interface Cell {
  rights: number
  withheld: number
  from: number
  exactly: number
  more: number
  less: number
  /** What it was before the draft; -1 if the draft does not alter it. */
  before: number
}

export function cellOf(sent: readonly number[]): Cell {
  const [rights = 0, withheld = 0, from = 3, exactly = 0, more = 0, less = 0, before = -1] = sent
  return { rights, withheld, from, exactly, more, less, before }
}

const FROM = [', given here', ', from above', ', through another group', '']

/** A set of rights by its role's name, or in words. */
export function setWords(mask: number, roles: ReadonlyMap<number, string>): string {
  if (mask === 0) return 'nothing'
  const role = roles.get(mask)
  return role ?? (mask === 511 ? 'all nine rights' : listed(rightsOf(mask)))
}

/** A cell in a sentence without an end. */
export function cellWords(cell: Cell, people: number, roles: ReadonlyMap<number, string>): string {
  const held = setWords(cell.rights, roles)
  const taken = cell.withheld > 0 ? `, withheld ${listed(rightsOf(cell.withheld))}` : ''
  const before = cell.before >= 0 ? ` by the draft, ${setWords(cell.before, roles)} before` : ''
  const others =
    people === 0
      ? ', nobody active'
      : cell.more + cell.less === 0
        ? cell.rights === 0 && cell.from === 3
          ? ''
          : `, ${counted(people, 'person', 'people')}, all just that`
        : `, ${counted(people, 'person', 'people')}: ${[
            ...(cell.exactly > 0 ? [`${cell.exactly} just that`] : []),
            ...(cell.more > 0 ? [`${cell.more} more`] : []),
            ...(cell.less > 0 ? [`${cell.less} less`] : []),
          ].join(', ')}`
  return held + before + taken + (FROM[cell.from] ?? '') + others
}

const rightsWords = (words: readonly string[], roles: ReadonlyMap<number, string>) =>
  setWords(
    words.reduce((mask, word) => mask | (1 << RIGHTS.indexOf(word)), 0),
    roles,
  )

/** What is strange about a cell, in a sentence. */
export function outlierWords(
  one: Pick<Schemas['OutlierView'], 'rights' | 'along' | 'down' | 'lacks'>,
  subjects: 'groups' | 'units' | 'people' | 'subjects',
  columns: 'places' | 'types',
  roles: ReadonlyMap<number, string>,
): string {
  const has = rightsWords(one.rights, roles)
  if (one.lacks) {
    return `It has ${has} here as almost everywhere, though each of the ${subjects} and ${columns} beside it has one exception: this seems to be the missing one.`
  }
  const along =
    one.along === undefined
      ? []
      : [
          `${one.along.alike} of ${one.along.of} ${columns} like this one give it ${rightsWords(one.along.usual, roles)}`,
        ]
  const down =
    one.down === undefined
      ? []
      : [`${one.down.alike} of ${one.down.of} ${subjects} like it have ${rightsWords(one.down.usual, roles)} here`]
  return `It has ${has}, while ${[...along, ...down].join(', and ')}.`
}

const WAYS: Record<string, { title: string; about: string }> = {
  HERE: { title: 'Set it here', about: 'The entries at the places themselves are set right; nothing else is touched.' },
  WITHHOLD: {
    title: 'Withhold what is too much here',
    about: 'What comes from elsewhere is withheld at these places.',
  },
  ABOVE: {
    title: 'Alter the entries that give it',
    about: 'They are altered where they stand, for everything below them.',
  },
  BREAK: {
    title: 'Let these places stand alone',
    about: 'With the same entries as now, but for those that give too much.',
  },
  LEAVE: { title: 'Leave the groups', about: 'The subjects leave the groups through which it comes, everywhere.' },
}

export const wayWords = (kind: string) => WAYS[kind] ?? { title: kind, about: '' }

/** What a way would do, in a line. */
export function effectWords(way: Pick<Schemas['MatrixWay'], 'effect' | 'lockOuts'>): string {
  const { peopleGaining, peopleLosing, places, outsidersGaining } = way.effect
  const parts = [
    ...(peopleGaining > 0 ? [`${counted(peopleGaining, 'person gains', 'people gain')} something`] : []),
    ...(outsidersGaining > 0 ? [`${counted(outsidersGaining, 'outsider')} among them`] : []),
    ...(peopleLosing > 0 ? [`${counted(peopleLosing, 'person loses', 'people lose')} something`] : []),
  ]
  const where =
    parts.length === 0 ? 'Nobody gains or loses anything now' : `${parts.join(', ')}, at ${counted(places, 'place')}`
  return way.lockOuts > 0 ? `${where}; nobody on staff would keep ${counted(way.lockOuts, 'place')}.` : `${where}.`
}
