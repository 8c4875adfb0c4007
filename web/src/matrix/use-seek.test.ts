import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { useNotices } from '@/common/useNotices'
import { shownOf, type Head } from './axis'
import { useChoice } from './useChoice'
import { useSeek } from './useSeek'

const head = (key: string): Head => ({
  key,
  kind: 'group',
  id: key,
  name: key,
  note: '',
  depth: 0,
  parent: -1,
  standsAlone: false,
  walled: false,
  outsiders: false,
})
const outlier = (row: number, column: number) => ({ row, column }) as Schemas['OutlierView']
type Alike = { cells: Set<string>; cut: boolean } | undefined

function seeking(
  outliers: Schemas['OutlierView'][],
  alike: () => Promise<Alike> = () => Promise.resolve(undefined),
  turned = false,
) {
  const down = ref(shownOf(['a', 'b', 'c'].map(head), new Set()))
  const across = ref(shownOf(['p', 'q'].map(head), new Set()))
  const choice = useChoice(
    computed(() => down.value.map((one) => one.head.key)),
    computed(() => across.value.map((one) => one.head.key)),
  )
  const strange = ref({ outliers } as Schemas['MatrixFound'])
  const unfolded: [number, number][] = []
  const seek = useSeek({
    found: { strange: computed(() => strange.value), alikeTo: alike },
    down,
    across,
    turned: ref(turned),
    choice,
    unfoldTo: (subject, place) => void unfolded.push([subject, place]),
    here: ref({ subject: head('a'), place: head('p') }),
  })
  return { ...seek, choice, strange, unfolded }
}

describe('going through a matrix', () => {
  beforeEach(() => setActivePinia(createPinia()))

  it('goes to one outlier after the other, the strangest first, and round', async () => {
    const { seek, choice, unfolded } = seeking([outlier(2, 1), outlier(0, 1)])
    await seek(1)
    expect(choice.active.value).toEqual({ y: 2, x: 1 })
    expect(unfolded).toEqual([[2, 1]])
    await seek(1)
    expect(choice.active.value).toEqual({ y: 0, x: 1 })
    await seek(1)
    expect(choice.active.value).toEqual({ y: 2, x: 1 })
  })

  it('backwards begins with the last', async () => {
    const { seek, choice } = seeking([outlier(2, 1), outlier(1, 0), outlier(0, 1)])
    await seek(-1)
    expect(choice.active.value).toEqual({ y: 0, x: 1 })
    await seek(-1)
    expect(choice.active.value).toEqual({ y: 1, x: 0 })
  })

  it('begins again where others were found, and stays where there are none', async () => {
    const { seek, choice, strange } = seeking([outlier(2, 1), outlier(1, 0)])
    await seek(1)
    strange.value = { outliers: [outlier(1, 1)] } as Schemas['MatrixFound']
    await seek(1)
    expect(choice.active.value).toEqual({ y: 1, x: 1 })
    strange.value = { outliers: [] as Schemas['OutlierView'][] } as Schemas['MatrixFound']
    await seek(1)
    expect(choice.active.value).toEqual({ y: 1, x: 1 })
  })

  it('turned, goes to the same cell on the other side', async () => {
    const { goTo, choice } = seeking([], undefined, true)
    await goTo(1, 2)
    expect(choice.active.value).toEqual({ y: 2, x: 1 })
  })

  it('chooses what is alike, in one row or everywhere', async () => {
    const { chooseAlike, choice } = seeking([], () =>
      Promise.resolve({ cells: new Set(['0|0', '0|1', '2|1']), cut: false }),
    )
    await chooseAlike(false)
    expect(choice.count.value).toBe(3)
    choice.go({ y: 0, x: 0 })
    await chooseAlike(true)
    expect(choice.pairs().map(([row]) => row)).toEqual(['a', 'a'])
  })

  it('chooses nothing where the matrix has become another, or they are too many, and says so', async () => {
    const other = seeking([])
    await other.chooseAlike(false)
    expect(useNotices().text).toContain('Nothing was chosen')
    expect(other.choice.count.value).toBe(1)
    const many = seeking([], () => Promise.resolve({ cells: new Set(['0|0']), cut: true }))
    await many.chooseAlike(false)
    expect(useNotices().text).toContain('There are too many like it')
    const failing = seeking([], () => Promise.reject(new Error('The database does not answer.')))
    await failing.chooseAlike(false)
    expect(useNotices().failed).toBe(true)
  })
})
