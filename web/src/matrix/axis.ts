/** One head of a matrix, whichever way it is turned. */
export interface Head {
  key: string
  kind: string
  id: string
  name: string
  /** Said beside the name: how many people. */
  note: string
  depth: number
  parent: number
  standsAlone: boolean
  walled: boolean
  outsiders: boolean
}

/** A head that is in sight, with its position among all. */
export interface Shown {
  head: Head
  at: number
  /** Whether it has any below it, and whether those are folded away. */
  branch: boolean
  folded: boolean
}

/** Which heads are shown: not those below a folded one, and of a choice only those chosen and what leads there. O(heads). */
export function shownOf(heads: readonly Head[], folded: ReadonlySet<string>, only?: ReadonlySet<number>): Shown[] {
  const kept = only === undefined ? undefined : withAbove(heads, only)
  const hidden = new Uint8Array(heads.length)
  const branch = new Uint8Array(heads.length)
  for (const head of heads) if (head.parent >= 0) branch[head.parent] = 1
  const shown: Shown[] = []
  heads.forEach((head, at) => {
    hidden[at] = head.parent >= 0 && (hidden[head.parent] === 1 || folded.has(heads[head.parent]!.key)) ? 1 : 0
    if (hidden[at] === 0 && (kept === undefined || kept.has(at))) {
      shown.push({ head, at, branch: branch[at] === 1, folded: folded.has(head.key) })
    }
  })
  return shown
}

function withAbove(heads: readonly Head[], only: ReadonlySet<number>): Set<number> {
  const kept = new Set<number>()
  for (const at of only) for (let up = at; up >= 0 && !kept.has(up); up = heads[up]!.parent) kept.add(up)
  return kept
}

/** A head and all below it, by position in a list that is shown. */
export function branchOf(shown: readonly Shown[], index: number): [number, number] {
  let end = index + 1
  while (end < shown.length && shown[end]!.head.depth > shown[index]!.head.depth) end++
  return [index, end - 1]
}

/** The first depth at which there are more heads than are read at once is folded, so that a large tree begins small. */
export function foldedAtFirst(heads: readonly Head[], most = 80): Set<string> {
  if (heads.length <= most) return new Set()
  const byDepth: number[] = []
  for (const head of heads) byDepth[head.depth] = (byDepth[head.depth] ?? 0) + 1
  let depth = 0
  let sum = 0
  while (depth < byDepth.length && sum + (byDepth[depth] ?? 0) <= most) sum += byDepth[depth++] ?? 0
  const parents = new Set(heads.map((head) => head.parent))
  return new Set(
    heads.filter((head, at) => head.depth >= Math.max(0, depth - 1) && parents.has(at)).map((head) => head.key),
  )
}
