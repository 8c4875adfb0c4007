import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import type { Schemas } from '@/api/client'
import { inSight, paused } from '@/lists/testkit'
import DraftChanges from './DraftChanges.vue'

type Item = Schemas['Item']
type Idle = Schemas['EntryView']

function item(id: number, changed: Partial<Item> = {}): Item {
  return { id, words: `Reader for crew ${id}`, about: 'place', aboutId: 'lib', where: `Casualties ${String.fromCharCode(91 - id)}`, ...changed } as Item
}

describe('the changes of a draft', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    inSight(30)
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.restoreAllMocks()
  })

  async function list(items: Item[], readonly = false, withoutEffect: Idle[] = []) {
    const shown = mount(DraftChanges, {
      props: { items, withoutEffect, readonly },
      global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { RouterLink: RouterLinkStub } },
    })
    await flushPromises()
    return shown
  }
  const numbers = (shown: Awaited<ReturnType<typeof list>>) => shown.findAll('.number').map((one) => one.text())
  const many = Array.from({ length: 20 }, (_, i) => item(i + 1))

  it('stand in the order in which they are made', async () => {
    const few = many.slice(0, 12)
    expect(numbers(await list(few))).toEqual(few.map((_, i) => String(i + 1)))
  })

  it('exist only where they are in sight, however many they are', async () => {
    const shown = await list(Array.from({ length: 5_000 }, (_, i) => item(i + 1)))
    expect(shown.find('[role=table]').attributes('aria-rowcount')).toBe('5001')
    expect(numbers(shown).length).toBeGreaterThan(10)
    expect(numbers(shown).length).toBeLessThan(60)
  })

  it('are looked for once they are many, and keep their number in the draft', async () => {
    const shown = await list(many)
    await shown.find('input').setValue('CREW 1')
    await paused()
    expect(numbers(shown)).toEqual(['1', '10', '11', '12', '13', '14', '15', '16', '17', '18', '19'])
    expect(shown.find('.find [role=status]').text()).toBe('11 matches')
  })

  it('are not looked for where a glance is enough', async () => {
    expect((await list(many.slice(0, 3))).find('input').exists()).toBe(false)
  })

  it('are put in order by where they act, and are moved in their own order only', async () => {
    const shown = await list(many.slice(0, 3))
    await shown.findAll('.sorter').find((one) => one.text() === 'Where')!.trigger('click')
    await flushPromises()
    expect(numbers(shown)).toEqual(['3', '2', '1'])
    expect(shown.find('[aria-label="Move change 2 up"]').exists()).toBe(false)
    await shown.findAll('.sorter').find((one) => one.text() === 'No.')!.trigger('click')
    await flushPromises()
    expect(shown.find('[aria-label="Move change 2 up"]').exists()).toBe(true)
  })

  it('move by one, wherever in what was found they stand', async () => {
    const shown = await list(many)
    await shown.find('input').setValue('crew 12')
    await paused()
    await shown.find('[aria-label="Move change 12 up"]').trigger('click')
    expect(shown.emitted('order')![0]![0]).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 11, 13, 14, 15, 16, 17, 18, 19, 20])
  })

  it('do not move beyond the ends', async () => {
    const shown = await list(many.slice(0, 2))
    expect(shown.find('[aria-label="Move change 1 up"]').exists()).toBe(false)
    expect(shown.find('[aria-label="Move change 2 down"]').exists()).toBe(false)
  })

  it('are taken out one by one', async () => {
    const shown = await list(many.slice(0, 3))
    await shown.find('[aria-label="Take change 2 out of the draft"]').trigger('click')
    expect(shown.emitted('remove')).toEqual([[2]])
  })

  it('are followed by the entries that change nothing, which have no number', async () => {
    const idle = { id: 'g-9', kind: 'grant', role: 'Reader', rights: [], subjectName: 'Night desk', placeName: 'Casualties' } as unknown as Idle
    const shown = await list(many.slice(0, 2), false, [idle])
    expect(numbers(shown)).toEqual(['1', '2', ''])
    expect(shown.findAll('.what').at(-1)!.text()).toBe('Reader for Night desk at Casualties changes nothing for anybody.')
  })

  it('say what stands in their way, and offer nothing to those who only read', async () => {
    const shown = await list([item(1, { problem: 'The place is gone.' })], true)
    expect(shown.find('.fault').text()).toBe('The place is gone.')
    expect(shown.findAll('[role=cell] button')).toHaveLength(0)
  })
})
