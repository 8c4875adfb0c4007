import { VueQueryPlugin } from '@tanstack/vue-query'
import { DOMWrapper, flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { h, ref } from 'vue'
import { createVuetify } from 'vuetify'
import PagedList from './PagedList.vue'
import type { Part } from './part'
import { inSight } from './testkit'

const PAUSE = 200

describe('a list of any length', () => {
  const asked: Part[] = []
  let total = 1_000

  function list(extra: Record<string, unknown> = {}, row?: () => string) {
    return mount(PagedList, {
      slots: { row: row ?? (() => '') },
      props: {
        label: 'Groups',
        queryKey: ['groups', Math.random()],
        fetch: (part: Part) => {
          asked.push(part)
          return Promise.resolve({ total: part.text === 'nobody' ? 0 : total, items: [] })
        },
        columns: [
          { title: 'Group', width: '1fr', sort: 'name' },
          { title: 'People', width: '60px', sort: '-people' },
          { title: 'Paling', width: '60px' },
        ],
        empty: 'No groups yet.',
        find: 'Find a group',
        ...extra,
      },
      global: { plugins: [createVuetify(), VueQueryPlugin] },
    })
  }
  const header = (shown: ReturnType<typeof list>, title: string) => shown.findAll('[role=columnheader]').find((one) => one.text().startsWith(title))!

  beforeEach(() => {
    vi.useFakeTimers()
    asked.length = 0
    total = 1_000
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.restoreAllMocks()
  })

  it('fetches a page, however long it is, and says how long that is', async () => {
    const shown = list()
    await flushPromises()
    expect(asked).toEqual([{ offset: 0, limit: 200, text: undefined, sort: undefined }])
    expect(shown.find('[role=table]').attributes('aria-rowcount')).toBe('1001')
  })

  it('sorts by a column as the column wishes, and the next click turns it round', async () => {
    const shown = list()
    await flushPromises()
    expect(header(shown, 'People').attributes('aria-sort')).toBe('none')
    await header(shown, 'People').find('button').trigger('click')
    await flushPromises()
    expect(asked.at(-1)!.sort).toBe('-people')
    expect(header(shown, 'People').attributes('aria-sort')).toBe('descending')
    await header(shown, 'People').find('button').trigger('click')
    await flushPromises()
    expect(asked.at(-1)!.sort).toBe('people')
    expect(header(shown, 'People').attributes('aria-sort')).toBe('ascending')
    await header(shown, 'Group').find('button').trigger('click')
    await flushPromises()
    expect(asked.at(-1)!.sort).toBe('name')
    expect(header(shown, 'People').attributes('aria-sort')).toBe('none')
  })

  it('makes the rows in sight anew only if what they show may have changed', async () => {
    vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockReturnValue(400)
    vi.spyOn(HTMLElement.prototype, 'clientWidth', 'get').mockReturnValue(600)
    for (const still of [true, false]) {
      let made = 0
      const shown = list({ still, queryKey: ['drawn', still], fetch: () => Promise.resolve({ total: 3, items: ['a', 'b', 'c'] }) }, () => {
        made++
        return 'row'
      })
      await flushPromises()
      const before = made
      expect(before).toBeGreaterThanOrEqual(3)
      await shown.setProps({ empty: 'Still nothing.' })
      expect(made > before, `still: ${still}`).toBe(!still)
    }
  })

  it('shows any part of a list that no browser could draw whole, stays there when it is fetched anew, and begins with the first row of another order', async () => {
    total = 1_500_000_000
    inSight(12)
    const shown = list({ queryKey: ['everything'], rowHeight: 40 })
    await flushPromises()
    const scroller = shown.find('[role=table]')
    Object.defineProperty(scroller.element, 'scrollHeight', { value: 30 + 200_000 * 40 })
    const firstRow = () => Number(shown.find('[data-row]').attributes('data-row'))
    scroller.element.scrollTop = (30 + 199_988 * 40) / 2
    await scroller.trigger('scroll')
    await flushPromises()
    const there = firstRow()
    expect(there / total).toBeCloseTo(0.5, 3)
    expect(asked.map((part) => part.offset)).toContain(Math.floor((there + 4) / 200) * 200)
    expect(shown.find('[role=table]').attributes('aria-rowcount')).toBe('1500000001')
    await shown.setProps({ queryKey: ['everything'] })
    await flushPromises()
    expect(firstRow()).toBe(there)
    await shown.setProps({ queryKey: ['everything', 'after a change'] })
    await flushPromises()
    expect(firstRow()).toBe(there)
    await header(shown, 'Group').find('button').trigger('click')
    await scroller.trigger('scroll')
    await flushPromises()
    expect(firstRow()).toBe(0)
  })

  it('keeps what is in the row with the focus, however far the list is scrolled', async () => {
    inSight(12)
    const shown = list({
      rowHeight: 40,
      fetch: (part: Part) => Promise.resolve({ total: 5_000, items: Array.from({ length: 200 }, (_, i) => `Group ${part.offset + i}`) }),
    })
    await flushPromises()
    const scroller = shown.find('[role=table]')
    const scrollTo = async (row: number) => {
      scroller.element.scrollTop = row * 40
      await scroller.trigger('scroll')
      await flushPromises()
    }
    await scrollTo(450)
    await shown.find('[data-row="450"]').trigger('focusin')
    expect(shown.find('[data-row="450"]').text()).not.toBe('…')
    await scrollTo(4_000)
    expect(shown.find('[data-row="4000"]').text()).not.toBe('…')
    expect(shown.find('[data-row="450"]').text()).not.toBe('…')
  })

  it('does not offer to sort by a column that has no order', async () => {
    const shown = list()
    await flushPromises()
    expect(header(shown, 'Paling').find('button').exists()).toBe(false)
    expect(header(shown, 'Paling').attributes('aria-sort')).toBeUndefined()
  })

  it('looks for what was typed once the typing pauses, not at every key', async () => {
    const shown = list()
    await flushPromises()
    for (const text of ['s', 'su', ' sur ']) {
      await shown.find('input').setValue(text)
      vi.advanceTimersByTime(PAUSE / 4)
    }
    await flushPromises()
    expect(asked).toHaveLength(1)
    vi.advanceTimersByTime(PAUSE)
    await flushPromises()
    expect(asked.map((part) => part.text)).toEqual([undefined, 'sur'])
    expect(shown.find('.find [role=status]').text()).toBe('1,000 matches')
  })

  it('tells nothing found from nothing there', async () => {
    const shown = list()
    await flushPromises()
    await shown.find('input').setValue('nobody')
    vi.advanceTimersByTime(PAUSE)
    await flushPromises()
    expect(shown.find('.empty').text()).toBe('Nothing with “nobody” in it.')
    total = 0
    const other = list()
    await flushPromises()
    expect(other.find('.empty').text()).toBe('No groups yet.')
  })

  it('has no field to look for one of a handful', async () => {
    total = 3
    const shown = list()
    await flushPromises()
    expect(shown.find('input').exists()).toBe(false)
  })

  it('has none where nothing can be looked for', async () => {
    const shown = list({ find: undefined })
    await flushPromises()
    expect(shown.find('input').exists()).toBe(false)
  })

  describe('by keyboard', () => {
    beforeEach(() => inSight(10))

    async function rows(extra: Record<string, unknown> = {}, count = 40) {
      const items = Array.from({ length: count }, (_, i) => `row ${i}`)
      const shown = mount(PagedList, {
        props: {
          label: 'Groups',
          queryKey: ['keys', Math.random()],
          fetch: (part: Part) => Promise.resolve({ total: items.length, items: items.slice(part.offset, part.offset + part.limit) }),
          columns: [{ title: 'Group', width: '1fr', sort: 'name' }],
          empty: 'None.',
          ...extra,
        },
        slots: { row: ({ item }: { item: unknown }) => [h('input', { 'aria-label': String(item) }), h('button', { class: 'other' }, 'take out'), h('button', { class: 'row-name', onClick: () => opened.push(String(item)) }, String(item))] },
        global: { plugins: [createVuetify(), VueQueryPlugin] },
        attachTo: document.body,
      })
      await flushPromises()
      return shown
    }
    const opened: string[] = []
    const focused = () => (document.activeElement as HTMLElement | null)?.dataset.row
    beforeEach(() => (opened.length = 0))

    it('arrow keys walk through the rows, and stop at the ends', async () => {
      const shown = await rows()
      const table = shown.find('[role=table]')
      for (const expected of ['0', '1', '2']) {
        await (document.activeElement?.closest('[data-row]') ? new DOMWrapper(document.activeElement) : table).trigger('keydown', { key: 'ArrowDown' })
        await flushPromises()
        expect(focused()).toBe(expected)
      }
      for (const expected of ['1', '0', '0']) {
        await new DOMWrapper(document.activeElement!).trigger('keydown', { key: 'ArrowUp' })
        await flushPromises()
        expect(focused()).toBe(expected)
      }
      shown.unmount()
    })

    it('Enter opens what the row is about, and does nothing else that the row offers', async () => {
      const shown = await rows()
      await shown.find('[data-row="3"]').trigger('keydown', { key: 'Enter' })
      expect(opened).toEqual(['row 3'])
      await shown.find('[data-row="3"] .other').trigger('keydown', { key: 'Enter' })
      expect(opened).toEqual(['row 3'])
      shown.unmount()
    })

    it('arrow keys belong to the field that has the focus', async () => {
      const shown = await rows()
      const field = shown.find<HTMLElement>('[data-row="3"] input')
      field.element.focus()
      await field.trigger('keydown', { key: 'ArrowDown' })
      await flushPromises()
      expect(document.activeElement).toBe(field.element)
      shown.unmount()
    })

    it('a row that comes is shown, with the focus in its field', async () => {
      const items = ref(['one', 'two'])
      const shown = await rows({ fetch: () => Promise.resolve({ total: items.value.length, items: items.value }) })
      ;(shown.vm as unknown as { showWhenThere(index: number): void }).showWhenThere(2)
      items.value = [...items.value, 'three']
      await shown.setProps({ queryKey: ['keys', 'with one more'] })
      await flushPromises()
      await flushPromises()
      expect(document.activeElement?.getAttribute('aria-label')).toBe('three')
      shown.unmount()
    })
  })

  it('counts matches only once they are found, not those of the search before', async () => {
    let settle: (() => void) | undefined
    const shown = list({
      fetch: (part: Part) =>
        part.text === undefined
          ? Promise.resolve({ total: 1_000, items: [] })
          : new Promise((resolve) => {
              settle = () => resolve({ total: 3, items: [] })
            }),
    })
    await flushPromises()
    await shown.find('input').setValue('sur')
    vi.advanceTimersByTime(PAUSE)
    await flushPromises()
    expect(shown.find('.find [role=status]').text()).toBe('')
    settle!()
    await flushPromises()
    expect(shown.find('.find [role=status]').text()).toBe('3 matches')
  })

  it('a list within a page is as high as its rows, but no higher than it may be', async () => {
    inSight(10)
    const heightOf = async (count: number) => {
      const shown = list({ atMost: 5, rowHeight: 40, queryKey: ['high', count], fetch: () => Promise.resolve({ total: count, items: Array(count).fill('x') }) })
      await flushPromises()
      return (shown.find('[role=table]').element as HTMLElement).style.height
    }
    expect(await heightOf(2)).toBe('110px')
    expect(await heightOf(5)).toBe('230px')
    expect(await heightOf(900)).toBe('230px')
  })
})
