import type { Shown } from './axis'
import type { Cell } from './matrix'

/** So many cells are laid out on paper at once: some eighty sheets. */
export const ON_PAPER = 12_000
/** As many as have room on one page, lying, when every cell has three lines. */
export const SHEET = { rows: 11, columns: 14 }

/** One sheet: some rows against some columns, each by its position in what is shown. */
export interface Sheet {
  number: number
  of: number
  rows: Shown[]
  columns: Shown[]
}

const cut = <T>(all: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(all.length / size) }, (_, i) => all.slice(i * size, (i + 1) * size))

/** All rows of the first columns, then all rows of the next, as sheets are laid beside each other. */
export function sheetsOf(rows: readonly Shown[], columns: readonly Shown[]): Sheet[] {
  const found = cut(columns, SHEET.columns).flatMap((some) =>
    cut(rows, SHEET.rows).map((down) => ({ rows: down, columns: some })),
  )
  return found.map((sheet, i) => ({ ...sheet, number: i + 1, of: found.length }))
}

/** Names by position among all heads. */
export const namesOf = (shown: readonly Shown[]) => new Map(shown.map((one) => [one.at, one.head.name]))

/** What a head stands in, if that is not on the same sheet: undefined if it is, or there is none. */
export function withinOf(one: Shown, beside: readonly Shown[], names: ReadonlyMap<number, string>): string | undefined {
  return beside.some((other) => other.at === one.head.parent) ? undefined : names.get(one.head.parent)
}

const FROM = ['here', 'above', 'group', '']

/** A cell’s small print: where it comes from, how many have in fact something else, and whether it is only so by the draft. */
export function smallPrint(cell: Cell): string {
  return [
    FROM[cell.from] ?? '',
    ...(cell.more > 0 ? [`${cell.more} more`] : []),
    ...(cell.less > 0 ? [`${cell.less} less`] : []),
    ...(cell.before >= 0 ? ['by the draft'] : []),
  ]
    .filter((part) => part !== '')
    .join(', ')
}
