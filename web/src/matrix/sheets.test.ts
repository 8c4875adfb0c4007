import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import { shownOf, type Head } from './axis'
import { cellOf, type Cell } from './matrix'
import MatrixSheets from './MatrixSheets.vue'
import { namesOf, ON_PAPER, SHEET, sheetsOf, smallPrint, withinOf } from './sheets'

const heads = (count: number, note = '') =>
  shownOf(
    Array.from({ length: count }, (_, i): Head => ({
      key: `k${i}`,
      kind: 'group',
      id: `k${i}`,
      name: `Name ${i}`,
      note,
      depth: i % 3,
      parent: -1,
      standsAlone: false,
      walled: false,
      outsiders: false,
    })),
    new Set(),
  )

function paper(
  rows: number,
  columns: number,
  cell: (row: number, column: number) => Cell | undefined,
  strange = (row: number, column: number) => row === 0 && column === 0,
) {
  return mount(MatrixSheets, {
    props: {
      title: 'All groups, below Casualties',
      about: '9 subjects × 9 places, 3 places left out: choose a place further down',
      rows: heads(rows, '7'),
      columns: heads(columns),
      cell: (row, column) => cell(row.at, column.at),
      strange: (row, column) => strange(row.at, column.at),
      roles: new Map([[3, 'Reader']]),
      drawn: 0,
      now: new Date('2026-11-29T09:00:00Z'),
      waiting: false,
      fault: '',
    },
    global: { plugins: [createVuetify()] },
  })
}

describe('a matrix on paper', () => {
  it('is cut into sheets on which every cell stands once', () => {
    const rows = heads(SHEET.rows * 2 + 1)
    const columns = heads(SHEET.columns + 3)
    const sheets = sheetsOf(rows, columns)
    expect(sheets.map((sheet) => [sheet.number, sheet.of, sheet.rows.length, sheet.columns.length])).toEqual([
      [1, 6, SHEET.rows, SHEET.columns],
      [2, 6, SHEET.rows, SHEET.columns],
      [3, 6, 1, SHEET.columns],
      [4, 6, SHEET.rows, 3],
      [5, 6, SHEET.rows, 3],
      [6, 6, 1, 3],
    ])
    const cells = sheets.flatMap((sheet) =>
      sheet.rows.flatMap((row) => sheet.columns.map((column) => `${row.at}|${column.at}`)),
    )
    expect(new Set(cells).size).toBe(rows.length * columns.length)
    expect(cells).toHaveLength(rows.length * columns.length)
    expect(sheetsOf([], columns)).toEqual([])
  })

  it('says where a cell comes from and who has something else in words', () => {
    expect(smallPrint(cellOf([3, 0, 0, 4, 0, 0, -1]))).toBe('here')
    expect(smallPrint(cellOf([3, 0, 1, 4, 2, 1, -1]))).toBe('above, 2 more, 1 less')
    expect(smallPrint(cellOf([0, 0, 3, 4, 2, 0, -1]))).toBe('2 more')
    expect(smallPrint(cellOf([0, 0, 3, 4, 0, 0, -1]))).toBe('')
    expect(smallPrint(cellOf([3, 0, 0, 4, 0, 0, 0]))).toBe('here, by the draft')
  })

  it('names the role, draws the paling, frames outliers and says so', () => {
    const shown = paper(2, 2, (row, column) =>
      cellOf(row === 0 ? [3, 0, 0, 7, 0, 0, -1] : column === 0 ? [5, 0, 2, 6, 0, 1, -1] : [0, 0, 3, 7, 0, 0, -1]),
    )
    const cells = shown.findAll('tbody td').map((cell) => cell.text().replace(/\s+/g, ' '))
    expect(cells[0]).toBe('Readerhereoutlier')
    expect(shown.findAll('tbody td')[0]!.classes()).toContain('strange')
    expect(cells[1]).toBe('Readerhere')
    expect(cells[2]).toBe('find and copygroup, 1 less')
    expect(cells[3]).toContain('nothing')
    expect(shown.findAll('tbody td svg')).toHaveLength(3)
    expect(shown.findAll('tbody th')[0]!.text()).toMatch(/^Name 0 ?7$/)
  })

  it('bears its title, its day and its number on every sheet', () => {
    const shown = paper(SHEET.rows + 1, 1, () => cellOf([3, 0, 0, 1, 0, 0, -1]))
    const headLines = shown.findAll('.head').map((one) => one.text())
    expect(headLines).toHaveLength(2)
    expect(headLines[1]).toContain('All groups, below Casualties')
    expect(headLines[1]).toContain('29 Nov 2026')
    expect(headLines[1], 'what is left out is said on paper too').toContain('3 places left out')
    expect(headLines[1]).toContain('sheet 2 of 2')
  })

  it('is not printed before all of it has come', async () => {
    const came = new Map<string, Cell>()
    const shown = paper(1, 2, (row, column) => came.get(`${row}|${column}`))
    const printing = vi.fn()
    const before = window.print
    window.print = printing
    const button = () => shown.findAll('.v-btn').find((one) => one.text() === 'Print')!
    expect(shown.emitted('want')).toHaveLength(1)
    expect(shown.text()).toContain('2 cells still to come')
    expect(button().attributes('disabled')).toBeDefined()
    came.set('0|0', cellOf([3, 0, 0, 1, 0, 0, -1]))
    came.set('0|1', cellOf([3, 0, 0, 1, 0, 0, -1]))
    await shown.setProps({ drawn: 1 })
    expect(button().attributes('disabled')).toBeUndefined()
    await button().trigger('click')
    expect(printing).toHaveBeenCalledOnce()
    window.print = before
  })

  it('says on each sheet what a head stands in that is on another', () => {
    const tree = shownOf(
      ['Case', 'Reports', 'Letters'].map((name, i): Head => ({
        key: name,
        kind: 'folder',
        id: name,
        name,
        note: '',
        depth: i === 0 ? 0 : 1,
        parent: i === 0 ? -1 : 0,
        standsAlone: false,
        walled: false,
        outsiders: false,
      })),
      new Set(),
    )
    const names = namesOf(tree)
    expect(withinOf(tree[1]!, tree, names)).toBeUndefined()
    expect(withinOf(tree[2]!, tree.slice(1), names)).toBe('Case')
    expect(withinOf(tree[0]!, tree.slice(1), names)).toBeUndefined()
  })

  it('lays nothing out while it is still looked for, or where something could not be had', async () => {
    const shown = paper(1, 1, () => cellOf([3, 0, 0, 1, 0, 0, -1]))
    const isPrinted = () =>
      shown
        .findAll('.v-btn')
        .find((one) => one.text() === 'Print')!
        .attributes('disabled') === undefined
    expect(isPrinted()).toBe(true)
    await shown.setProps({ waiting: true })
    expect(shown.findAll('.page')).toHaveLength(0)
    expect(shown.find('[role=status]').text()).toBe('Looking …')
    expect(isPrinted()).toBe(false)
    await shown.setProps({ waiting: false, fault: 'The database does not answer.' })
    expect(shown.findAll('.page')).toHaveLength(0)
    expect(shown.find('[role=alert]').text()).toBe('The database does not answer.')
    expect(isPrinted()).toBe(false)
    await shown.setProps({ fault: '', rows: [] })
    expect(shown.find('[role=status]').text()).toBe('There is nothing to lay out.')
    expect(isPrinted()).toBe(false)
  })

  it('of too many cells says so, lays nothing out, and leads back', async () => {
    const shown = paper(ON_PAPER / 10 + 1, 10, () => undefined)
    await flushPromises()
    expect(shown.findAll('.page')).toHaveLength(0)
    expect(shown.find('[role=status]').text()).toContain('at most 12,000 cells are laid out for paper')
    await shown
      .findAll('.v-btn')
      .find((one) => one.text() === 'Back to the matrix')!
      .trigger('click')
    expect(shown.emitted('close')).toHaveLength(1)
  })
})
