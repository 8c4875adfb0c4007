import type { Schemas } from '@/api/client'

export type Shape = Schemas['GroupShape']

/** A group as it is drawn: what lies in it inside its frame. */
export interface Drawn {
  shape: Shape
  inside: Drawn[]
  /** Whether what lies in it is drawn elsewhere: where the group was met first, or not at all so deep down. */
  elsewhere: boolean
}

/** Frames within frames beyond this cannot be read. */
const DEEPEST = 12

/**
 * Groups as nested sets: the outermost first, each with those inside it. A group that lies in several is drawn in each of
 * them, but with what lies in it only where it is met first: the drawing never grows larger than the groups and nestings
 * that there are, and ends whatever the data says.
 */
export function nest(groups: Shape[]): Drawn[] {
  const byId = new Map(groups.map((group) => [group.id, group]))
  const held = new Set(groups.flatMap((group) => group.inside))
  const met = new Set<string>()
  const draw = (shape: Shape, depth: number): Drawn => {
    const inner = shape.inside.flatMap((id) => byId.get(id) ?? [])
    if (inner.length > 0 && (met.has(shape.id) || depth === DEEPEST)) return { shape, inside: [], elsewhere: true }
    met.add(shape.id)
    return { shape, inside: inner.map((one) => draw(one, depth + 1)), elsewhere: false }
  }
  return groups.filter((group) => !held.has(group.id)).map((group) => draw(group, 1))
}
