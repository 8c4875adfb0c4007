import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import PagedList from './PagedList.vue'
import type { Part } from './part'

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
})
