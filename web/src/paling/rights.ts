/** The nine rights in their fixed order, in three clusters: see, work, steer. */
export const CLUSTERS = [
  ['find', 'read', 'copy'],
  ['add', 'describe', 'revise', 'delete'],
  ['share', 'govern'],
] as const

export const RIGHTS: readonly string[] = CLUSTERS.flat()

export const LETS: Record<string, string> = {
  find: 'see in lists and search that the place exists, and its fields',
  read: 'open the content',
  copy: 'download, print or copy the content out',
  add: 'put new documents and folders below',
  describe: 'change name, labels and fields',
  revise: 'change the content, make versions',
  delete: 'delete the place or a version',
  share: 'let others in, up to one’s own rights',
  govern: 'change the access list, break or rejoin',
}

export type Origin = 'HERE' | 'ABOVE' | 'THROUGH_GROUP' | 'OVERSIGHT' | 'NONE'

const ORIGIN_WORDS: Record<Origin, string> = {
  HERE: ', given here',
  ABOVE: ', from above',
  THROUGH_GROUP: ', through another group',
  OVERSIGHT: ', by oversight',
  NONE: '',
}

/** A set of rights in words, for hover and for screen readers. */
export function palingWords(rights: readonly string[], withheld: readonly string[] = [], origin: Origin = 'NONE', role?: string): string {
  const held = RIGHTS.filter((right) => rights.includes(right))
  const gone = RIGHTS.filter((right) => withheld.includes(right))
  const what = held.length === 0 ? 'no rights' : held.length === RIGHTS.length ? 'all nine rights' : held.join(', ')
  const named = role === undefined ? what : `${role}: ${what}`
  return named + (gone.length > 0 ? `; withheld: ${gone.join(', ')}` : '') + ORIGIN_WORDS[origin]
}
