import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { effectScope, ref } from 'vue'
import { aServer, Refused, requests } from '@/api/testkit'
import { useCells } from './useCells'

const row = (id: string) => ({ kind: 'group', id, key: `group:${id}` })
const inScope = <T>(make: () => T): T => effectScope().run(make)!

describe('the cells of a matrix', () => {
  it('are fetched once, with those that are not there yet', async () => {
    aServer({
      'POST /api/matrix/cells': ({ body }) => ({
        cells: (body as { rows: unknown[]; columns: unknown[] }).rows.flatMap(() =>
          (body as { columns: unknown[] }).columns.map(() => [3, 0, 0, 1, 0, 0, -1]),
        ),
      }),
    })
    const cells = inScope(() => useCells(ref({ version: 'one', types: false })))
    cells.want({ rows: [row('a')], columns: ['x', 'y'] })
    await flushPromises()
    expect(cells.cell('group:a', 'y')?.rights).toBe(3)
    cells.want({ rows: [row('a'), row('b')], columns: ['x', 'y'] })
    await flushPromises()
    cells.want({ rows: [row('a'), row('b')], columns: ['x'] })
    await flushPromises()
    expect(requests.map(({ asked }) => (asked.body as { rows: { id: string }[] }).rows.map((one) => one.id))).toEqual([
      ['a'],
      ['b'],
    ])
  })

  it('stay on the screen until they are fetched anew, but not those of another matrix', async () => {
    let rights = 3
    aServer({ 'POST /api/matrix/cells': () => ({ cells: [[rights, 0, 0, 1, 0, 0, -1]] }) })
    const source = ref({ version: 'one', types: false })
    const cells = inScope(() => useCells(source))
    cells.renew()
    cells.want({ rows: [row('a')], columns: ['x'] })
    await flushPromises()
    rights = 7
    cells.renew()
    expect(cells.cell('group:a', 'x')?.rights).toBe(3)
    cells.want({ rows: [row('a')], columns: ['x'] })
    await flushPromises()
    expect(cells.cell('group:a', 'x')?.rights).toBe(7)
    source.value = { version: 'two', types: false }
    cells.renew()
    expect(cells.cell('group:a', 'x')).toBeUndefined()
  })

  it('drop an answer that was asked for before they were to be asked for again', async () => {
    let answerFirst: (value: unknown) => void = () => {}
    let asked = 0
    aServer({
      'POST /api/matrix/cells': () =>
        ++asked === 1 ? new Promise((done) => (answerFirst = done)) : { cells: [[7, 0, 0, 1, 0, 0, -1]] },
    })
    const cells = inScope(() => useCells(ref({ version: 'one', types: false })))
    cells.want({ rows: [row('a')], columns: ['x'] })
    await flushPromises()
    cells.renew()
    cells.want({ rows: [row('a')], columns: ['x'] })
    answerFirst({ cells: [[3, 0, 0, 1, 0, 0, -1]] })
    await flushPromises()
    expect(cells.cell('group:a', 'x')?.rights).toBe(7)
    expect(asked).toBe(2)
  })

  it('say what went wrong, and are asked for again', async () => {
    let refuse = true
    aServer({
      'POST /api/matrix/cells': () =>
        refuse
          ? new Refused(422, { status: 422, title: 'No', detail: 'Not now.' })
          : { cells: [[1, 0, 0, 1, 0, 0, -1]] },
    })
    const cells = inScope(() => useCells(ref({ version: 'one', types: false })))
    cells.want({ rows: [row('a')], columns: ['x'] })
    await flushPromises()
    expect(cells.failed.value).not.toBe('')
    refuse = false
    cells.want({ rows: [row('a')], columns: ['x'] })
    await flushPromises()
    expect(cells.failed.value).toBe('')
    expect(cells.cell('group:a', 'x')?.rights).toBe(1)
  })
})
