import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { computed, nextTick, ref } from 'vue'
import { shownOf, type Head } from './axis'
import MatrixGrid from './MatrixGrid.vue'
import { cellOf } from './matrix'
import { useChoice } from './useChoice'

const head = (key: string, depth: number, parent: number): Head => ({
  key,
  kind: 'group',
  id: key,
  name: key.toUpperCase(),
  note: '1',
  depth,
  parent,
  standsAlone: false,
  walled: false,
  outsiders: false,
})
/** Two trees: a with b and c below it, then d. */
const TREE = [head('a', 0, -1), head('b', 1, 0), head('c', 1, 0), head('d', 0, -1)]

function grid(folded: string[] = []) {
  const rows = ref(shownOf(TREE, new Set(folded)))
  const columns = ref(
    shownOf(
      TREE.map((one) => ({ ...one, key: `p${one.key}` })),
      new Set(),
    ),
  )
  const choice = useChoice(
    computed(() => rows.value.map((one) => one.head.key)),
    computed(() => columns.value.map((one) => one.head.key)),
  )
  const shown = mount(MatrixGrid, {
    props: {
      label: 'Who has what where',
      rows: rows.value,
      columns: columns.value,
      cell: () => cellOf([3, 0, 0, 1, 0, 0, -1]),
      strange: () => false,
      sought: () => true,
      words: (row, column) => `${row.head.name} at ${column.head.name}`,
      choice,
      drawn: 0,
    },
  })
  const press = async (key: string, more: object = {}) => {
    await shown.find('[role=grid]').trigger('keydown', { key, ...more })
    return choice.active.value
  }
  return { shown, choice, press }
}

describe('a matrix by keys', () => {
  it('is a grid with its numbers, and says the cell where one is', async () => {
    const { shown, press } = grid()
    const element = shown.find('[role=grid]')
    expect(element.attributes()).toMatchObject({
      'aria-rowcount': '4',
      'aria-colcount': '4',
      'aria-label': 'Who has what where',
      'aria-activedescendant': 'cell-0-0',
    })
    expect(shown.find('#cell-0-0').text()).toBe('A at A')
    await press('ArrowDown')
    await press('ArrowRight')
    expect(shown.find('[role=grid]').attributes('aria-activedescendant')).toBe('cell-1-1')
    expect(shown.find('#cell-1-1').text()).toBe('B at B')
    expect(shown.find('[role=row]').attributes('aria-rowindex')).toBe('2')
    expect(shown.find('[role=gridcell]').attributes('aria-colindex')).toBe('2')
  })

  it('goes by single cells, to the ends and to the corners, and never past them', async () => {
    const { press } = grid()
    expect(await press('ArrowUp')).toEqual({ y: 0, x: 0 })
    expect(await press('End')).toEqual({ y: 0, x: 3 })
    expect(await press('ArrowRight')).toEqual({ y: 0, x: 3 })
    expect(await press('ArrowDown', { ctrlKey: true })).toEqual({ y: 3, x: 3 })
    expect(await press('Home')).toEqual({ y: 3, x: 0 })
    expect(await press('ArrowLeft')).toEqual({ y: 3, x: 0 })
    expect(await press('Home', { ctrlKey: true })).toEqual({ y: 0, x: 0 })
    expect(await press('End', { ctrlKey: true })).toEqual({ y: 3, x: 3 })
    expect(await press('ArrowUp', { ctrlKey: true })).toEqual({ y: 0, x: 3 })
    expect(await press('ArrowLeft', { ctrlKey: true })).toEqual({ y: 0, x: 0 })
    expect((await press('PageDown')).y).toBeGreaterThan(0)
  })

  it('chooses with Shift, by row, by column, all, and single ones', async () => {
    const { press, choice } = grid()
    await press('ArrowDown', { shiftKey: true })
    await press('ArrowRight', { shiftKey: true })
    expect(choice.count.value).toBe(4)
    await press('r')
    expect(choice.count.value).toBe(8)
    await press('Escape')
    expect(choice.count.value).toBe(1)
    await press('k')
    expect(choice.count.value).toBe(4)
    await press('a', { ctrlKey: true })
    expect(choice.count.value).toBe(16)
    await press('Home', { ctrlKey: true })
    await press('ArrowDown')
    await press(' ')
    expect(choice.count.value).toBe(1)
  })

  it('chooses the branch of columns where one is, or of rows where the column has none', async () => {
    const { press, choice } = grid()
    await press('b')
    expect(choice.pairs().map(([row, column]) => `${row}/${column}`)).toEqual(['a/pa', 'a/pb', 'a/pc'])
    await press('End')
    await press('b')
    expect(choice.pairs().map(([row]) => row)).toEqual(['a', 'b', 'c'])
  })

  it('folds and unfolds what is above or below, and leaves leaves alone', async () => {
    const { shown, press } = grid()
    await press('-')
    expect(shown.emitted('fold')).toEqual([['pa']])
    await press('End')
    await press('-')
    expect(shown.emitted('fold')).toEqual([['pa'], ['a']])
    await press('ArrowDown')
    await press('-')
    await press('+')
    expect(shown.emitted('fold')).toHaveLength(2)
    const folded = grid(['a'])
    await folded.press('End')
    await folded.press('-')
    expect(folded.shown.emitted('fold')).toBeUndefined()
    await folded.press('+')
    expect(folded.shown.emitted('fold')).toEqual([['a']])
  })

  it('opens, changes, seeks and asks for what is alike, each by one key', async () => {
    const { shown, press } = grid()
    for (const key of ['Enter', 'c', 'n', 'N', 'l', 'L']) await press(key)
    expect(shown.emitted('open')).toHaveLength(1)
    expect(shown.emitted('change')).toHaveLength(1)
    expect(shown.emitted('seek')).toEqual([[1], [-1]])
    expect(shown.emitted('alike')).toEqual([[true], [false]])
  })

  it('leaves keys alone that are the browser’s', async () => {
    const { shown, press } = grid()
    await press('c', { ctrlKey: true })
    await press('n', { altKey: true })
    await press('x')
    expect(shown.emitted('change')).toBeUndefined()
    expect(shown.emitted('seek')).toBeUndefined()
  })
})

describe('a matrix by mouse', () => {
  /** Where things are is the browser's business; the test says it. */
  async function pointed() {
    const made = grid()
    const element = made.shown.find('[role=grid]').element as HTMLElement
    vi.spyOn(element, 'getBoundingClientRect').mockReturnValue({ left: 0, top: 0, width: 900, height: 700 } as DOMRect)
    Object.defineProperty(element, 'clientWidth', { value: 900 })
    Object.defineProperty(element, 'clientHeight', { value: 700 })
    const down = async (x: number, y: number, more: object = {}) => {
      await made.shown.find('[role=grid]').trigger('mousedown', { button: 0, clientX: x, clientY: y, ...more })
      await nextTick()
    }
    const move = (x: number, y: number) =>
      made.shown.find('[role=grid]').trigger('mousemove', { clientX: x, clientY: y })
    return { ...made, down, move }
  }
  /** The middle of a cell. */
  const at = (y: number, x: number) => [250 + 58 * x + 29, 172 + 27 * y + 13] as const

  it('chooses what is dragged over, and single cells with Ctrl', async () => {
    const { choice, down, move } = await pointed()
    await down(...at(1, 1))
    await move(...at(2, 3))
    expect(choice.count.value).toBe(6)
    window.dispatchEvent(new MouseEvent('mouseup'))
    await move(...at(0, 0))
    expect(choice.count.value).toBe(6)
    await down(...at(0, 0), { ctrlKey: true })
    expect(choice.count.value).toBe(7)
  })

  it('chooses rows and columns by their heads, several with Shift, and folds at the mark', async () => {
    const { shown, choice, down } = await pointed()
    await down(100, at(1, 0)[1])
    expect(choice.count.value).toBe(4)
    await down(100, at(2, 0)[1], { shiftKey: true })
    expect(choice.count.value).toBe(8)
    await down(at(0, 2)[0], 100)
    expect(choice.pairs().map(([, column]) => column)).toEqual(['pc', 'pc', 'pc', 'pc'])
    await down(20, at(0, 0)[1])
    await down(at(0, 0)[0], 22)
    expect(shown.emitted('fold')).toEqual([['a'], ['pa']])
  })

  it('chooses the rows and columns whose heads are dragged over', async () => {
    const { choice, down, move } = await pointed()
    await down(100, at(0, 0)[1])
    await move(100, at(2, 0)[1])
    expect(choice.count.value).toBe(12)
    await move(100, at(1, 0)[1])
    expect(new Set(choice.pairs().map(([row]) => row)).size).toBe(2)
    window.dispatchEvent(new MouseEvent('mouseup'))
    await move(100, at(3, 0)[1])
    expect(choice.count.value).toBe(8)
    await down(at(0, 3)[0], 100)
    await move(at(0, 1)[0], 100)
    expect([...new Set(choice.pairs().map(([, column]) => column))]).toHaveLength(3)
    window.dispatchEvent(new MouseEvent('mouseup'))
  })

  it('says what is pointed at, and nothing outside the cells', async () => {
    const { shown, move } = await pointed()
    await move(...at(3, 2))
    await move(...at(9, 2))
    await move(20, 300)
    expect(shown.emitted('hover')).toEqual([[{ y: 3, x: 2 }], [undefined], [undefined]])
  })
})
