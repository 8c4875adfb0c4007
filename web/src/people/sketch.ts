import type { Schemas } from '@/api/client'

export type Shape = Schemas['GroupShape']

/** A group as it is drawn: what lies in it inside its frame. */
export interface Drawn {
  shape: Shape
  inside: Drawn[]
}

/**
 * Groups as nested sets: the outermost first, each with those inside it. A group that lies in several is drawn in each of
 * them; a group that is reached again below itself is not drawn there, so that the drawing ends whatever the data says.
 */
export function nest(groups: Shape[]): Drawn[] {
  const byId = new Map(groups.map((group) => [group.id, group]))
  const held = new Set(groups.flatMap((group) => group.inside))
  const draw = (shape: Shape, above: readonly string[]): Drawn => ({
    shape,
    inside: shape.inside.flatMap((id) => {
      const inner = byId.get(id)
      return inner === undefined || above.includes(id) ? [] : [draw(inner, [...above, id])]
    }),
  })
  return groups.filter((group) => !held.has(group.id)).map((group) => draw(group, [group.id]))
}
