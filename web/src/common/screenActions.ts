import { onScopeDispose, shallowReactive } from 'vue'

/** What the present screen can do beyond the buttons that stand on it, such as the entries of its menus. */
export interface Action {
  title: string
  run: () => void
}

const offered = shallowReactive(new Set<() => Action[]>())

/** Offers actions in the palette for as long as whoever calls is there. */
export function useScreenActions(actions: () => Action[]) {
  offered.add(actions)
  onScopeDispose(() => offered.delete(actions))
}

/** What is offered now, in the order in which it came. */
export function screenActions(): Action[] {
  return [...offered].flatMap((actions) => actions())
}
