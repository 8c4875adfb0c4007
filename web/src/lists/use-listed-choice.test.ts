import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { useNotices } from '@/common/useNotices'
import { inPage, type Part } from './part'
import { CHOSEN_AT_MOST, useListedChoice } from './useListedChoice'

const rows = Array.from({ length: 3_000 }, (_, i) => ({ id: `p-${i}`, name: `Person ${String(i).padStart(4, '0')}` }))
const fetch = inPage(() => rows, (row) => row.name, { name: (row) => row.name })

function choice(mayChoose?: (row: (typeof rows)[number]) => boolean) {
  const asked: Part[] = []
  const made = useListedChoice((part) => (asked.push(part), fetch(part)), (row) => row.id, mayChoose)
  made.listed({ list: 'any', total: 3_000 })
  return { ...made, asked }
}

beforeEach(() => setActivePinia(createPinia()))

describe('choosing in a list of which only a part is fetched', () => {
  it('takes all between with Shift, also what was never in sight, in the order of the list', async () => {
    const { toggle, listed, rows: chosen } = choice()
    listed({ list: 'turned', total: 3_000, sort: '-name' })
    await toggle(rows[2_990]!, 9, false)
    await toggle(rows[1_990]!, 1_009, true)
    expect(chosen.value).toHaveLength(1_001)
    expect(chosen.value.map((row) => row.id)).toContain('p-2500')
    await toggle(rows[2_990]!, 9, true)
    expect(chosen.value).toEqual([])
  })

  it('takes just one with Shift where the last one was in another order', async () => {
    const { toggle, listed, rows: chosen } = choice()
    await toggle(rows[3]!, 3, false)
    listed({ list: 'turned', total: 3_000, sort: '-name' })
    await toggle(rows[2_000]!, 999, true)
    expect(chosen.value.map((row) => row.id)).toEqual(['p-3', 'p-2000'])
  })

  it('takes all that are looked for, all but one, and gives back only those', async () => {
    const { toggle, toggleAll, listed, all, some, rows: chosen } = choice((row) => row.id !== 'p-105')
    await toggle(rows[7]!, 7, false)
    listed({ list: 'found', total: 100, text: 'Person 01' })
    await toggleAll()
    expect(all.value).toBe(true)
    expect(chosen.value).toHaveLength(100)
    await toggle(rows[110]!, 10, false)
    expect([all.value, some.value, chosen.value.length]).toEqual([false, true, 99])
    await toggleAll()
    await toggleAll()
    expect(chosen.value.map((row) => row.id)).toEqual(['p-7'])
  })

  it('takes no more than can be shown at once, and does not say that it took all', async () => {
    const { toggleAll, all, rows: chosen } = choice()
    await toggleAll()
    expect(chosen.value).toHaveLength(CHOSEN_AT_MOST)
    expect(all.value).toBe(false)
  })

  it('takes none of them where some could not be fetched, and says so', async () => {
    const made = useListedChoice<{ id: string }>((part) => (part.offset === 0 ? Promise.resolve({ total: 900, items: [{ id: 'p-0' }] }) : Promise.reject(new Error('The server does not answer.'))), (row) => row.id)
    made.listed({ list: 'any', total: 900 })
    await made.toggleAll()
    expect([made.rows.value, made.all.value, made.busy.value]).toEqual([[], false, false])
    expect(useNotices().failures).toBe(1)
  })

  it('takes none where the list became another meanwhile, and unticks what the browser ticked', async () => {
    let come: (part: { total: number; items: { id: string }[] }) => void = () => undefined
    const made = useListedChoice<{ id: string }>(() => new Promise((done) => (come = done)), (row) => row.id)
    made.listed({ list: 'staff', total: 3 })
    const choosing = made.toggleAll()
    made.listed({ list: 'outsiders', total: 3 })
    come({ total: 3, items: [{ id: 'p-0' }] })
    await choosing
    expect([made.rows.value, made.all.value]).toEqual([[], false])
    const box = Object.assign(document.createElement('input'), { type: 'checkbox', checked: true })
    await made.toggle({ id: 'p-1' }, 1, false)
    const range = made.toggle({ id: 'p-2' }, 2, true, box)
    made.listed({ list: 'outsiders', total: 3 })
    come({ total: 3, items: [] })
    await range
    expect(box.checked).toBe(false)
  })
})
