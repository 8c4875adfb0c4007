/** The part of a list that is asked for, as the server takes it. */
export interface Part {
  offset: number
  limit: number
  text?: string | undefined
  sort?: string | undefined
}

/** A list that is here already, looked at in parts like one that is fetched. Lines that an order does not tell apart keep their order. */
export function partOf<T>(
  all: T[],
  part: Part,
  words: (item: T) => string,
  orders: Record<string, (a: T, b: T) => number>,
): { total: number; items: T[] } {
  const text = part.text?.toLowerCase() ?? ''
  const found = all.filter((item) => words(item).toLowerCase().includes(text))
  const turned = part.sort?.startsWith('-') === true
  const order = part.sort === undefined ? undefined : orders[turned ? part.sort.slice(1) : part.sort]
  if (order !== undefined) found.sort((a, b) => (turned ? order(b, a) : order(a, b)))
  return { total: found.length, items: found.slice(part.offset, part.offset + part.limit) }
}
