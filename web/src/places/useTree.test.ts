import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useTree, type PlaceNode } from './useTree'

function node(id: string, parent: string | undefined, containers = 0): PlaceNode {
  return { id, parent, kind: parent ? 'folder' : 'repository', name: id, standsAlone: false, depth: 0, containers, papers: 0, breaksBelow: 0, walled: false, limits: 'NONE' }
}

const CHILDREN: Record<string, PlaceNode[]> = { root: [node('a', 'root', 1), node('b', 'root')], a: [node('a1', 'a')] }

const asked = vi.hoisted(() => [] as string[])

vi.mock('@/api/client', () => ({
  answer: async (given: Promise<{ data: unknown }>) => (await given).data,
  api: {
    GET: async (path: string, options: { params: { path?: { id: string } } }) => {
      const id = options.params.path?.id
      asked.push(path.replace('{id}', id ?? ''))
      return { data: id === undefined ? node('root', undefined, 2) : CHILDREN[id] }
    },
  },
}))

describe('the tree', () => {
  beforeEach(() => {
    asked.length = 0
  })

  it('has rows for what is open, in order, and fetches what is opened once', async () => {
    const tree = useTree()
    await tree.begin()
    expect(tree.rows.value.map((row) => row.id)).toEqual(['root', 'a', 'b'])
    await tree.expand('a')
    expect(tree.rows.value.map((row) => row.id)).toEqual(['root', 'a', 'a1', 'b'])
    tree.collapse('a')
    await tree.expand('a')
    expect(asked.filter((path) => path.includes('/a/'))).toHaveLength(1)
  })

  it('opens down to a place', async () => {
    const tree = useTree()
    await tree.begin()
    await tree.reveal([{ id: 'root' }, { id: 'a' }, { id: 'a1' }])
    expect(tree.rows.value.map((row) => row.id)).toContain('a1')
  })

  it('fetches again what is open when something has changed, and forgets what is not', async () => {
    const tree = useTree()
    await tree.begin()
    await tree.expand('a')
    tree.collapse('a')
    asked.length = 0
    await tree.refresh()
    expect(asked).toEqual(['/api/repository', '/api/places/root/children'])
  })
})
