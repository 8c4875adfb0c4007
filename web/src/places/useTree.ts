import { computed, reactive, readonly, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'

export type PlaceNode = Schemas['PlaceView']

/** The tree as it is open now: what has been fetched, what is expanded, and the rows that follow. */
export function useTree() {
  const root = ref<PlaceNode>()
  const children = reactive(new Map<string, PlaceNode[]>())
  const expanded = reactive(new Set<string>())

  async function fetchChildren(id: string) {
    children.set(id, await answer(api.GET('/api/places/{id}/children', { params: { path: { id }, query: { drafted: true } } })))
  }

  async function begin() {
    root.value = await answer(api.GET('/api/repository', { params: { query: { drafted: true } } }))
    await expand(root.value.id)
  }

  async function expand(id: string) {
    if (!children.has(id)) {
      await fetchChildren(id)
    }
    expanded.add(id)
  }

  function collapse(id: string) {
    expanded.delete(id)
  }

  /** Fetches again what is shown: the draft or the structure has changed. */
  async function refresh() {
    if (root.value !== undefined) {
      root.value = await answer(api.GET('/api/repository', { params: { query: { drafted: true } } }))
      await Promise.all([...children.keys()].filter((id) => expanded.has(id)).map(fetchChildren))
      ;[...children.keys()].filter((id) => !expanded.has(id)).forEach((id) => children.delete(id))
    }
  }

  /** Opens the tree down to a place. */
  async function reveal(path: { id: string }[]) {
    for (const post of path.slice(0, -1)) {
      await expand(post.id)
    }
  }

  const rows = computed(() => {
    const list: PlaceNode[] = []
    const open: PlaceNode[] = root.value === undefined ? [] : [root.value]
    while (open.length > 0) {
      const node = open.pop()!
      list.push(node)
      if (expanded.has(node.id)) {
        open.push(...[...(children.get(node.id) ?? [])].reverse())
      }
    }
    return list
  })

  return { root: readonly(root), expanded: readonly(expanded), rows, begin, expand, collapse, refresh, reveal }
}
