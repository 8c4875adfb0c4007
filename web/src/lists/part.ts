/** The part of a list that is asked for, as the server takes it. */
export interface Part {
  offset: number
  limit: number
  text?: string | undefined
  sort?: string | undefined
}

/** What a list shows now: its key as a text, how many rows, looked for and put in order how. */
export type Listed = { list: string; total: number } & Pick<Part, 'text' | 'sort'>

/** What the items of a list are put in order by, for each order that it has. */
export type Keys<T> = Record<string, (item: T) => string | number>

function compared(one: string | number, other: string | number): number {
  return typeof one === 'number' && typeof other === 'number' ? one - other : String(one).localeCompare(String(other))
}

/** A list that is here already, looked at in parts like one that is fetched. Lines that an order does not tell apart keep their order. */
export function partOf<T>(all: T[], part: Part, words: (item: T) => string, keys: Keys<T>): { total: number; items: T[] } {
  const text = part.text?.toLowerCase() ?? ''
  const found = all.filter((item) => words(item).toLowerCase().includes(text))
  const turned = part.sort?.startsWith('-') === true
  const key = part.sort === undefined ? undefined : keys[turned ? part.sort.slice(1) : part.sort]
  if (key !== undefined) found.sort((a, b) => (turned ? compared(key(b), key(a)) : compared(key(a), key(b))))
  return { total: found.length, items: found.slice(part.offset, part.offset + part.limit) }
}

/** Comes after every instant: for what has no end. */
export const NEVER = '9'

/** Fetches parts of a list that is here already, as it is when they are asked for. */
export function inPage<T>(all: () => T[], words: (item: T) => string, keys: Keys<T>) {
  return (part: Part) => Promise.resolve(partOf(all(), part, words, keys))
}
