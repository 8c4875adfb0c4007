import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import type { Schemas } from '@/api/client'
import { inSight, paused } from '@/lists/testkit'
import FieldRows from './FieldRows.vue'

type Field = Schemas['TypeField']

const field = (key: string, label: string, changed: Partial<Field> = {}): Field => ({ key, label, kind: 'TEXT', choices: [], required: false, hidden: false, ...changed })

describe('the fields of a type', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    inSight(30)
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.restoreAllMocks()
  })

  const rows = async (fields: Field[], mayChange = true) => {
    const shown = mount(FieldRows, {
      props: { mayChange, modelValue: fields, 'onUpdate:modelValue': (now: Field[]) => void shown.setProps({ modelValue: now }) },
      global: { plugins: [createVuetify(), VueQueryPlugin] },
    })
    await flushPromises()
    const now = () => shown.props('modelValue')
    const input = (label: string) => shown.findAll('.v-input').find((one) => one.find('label').exists() && one.text().includes(label))!.find('input')
    return { shown, now, input }
  }

  it('begin with none, and say that some things are there anyway', async () => {
    const { shown, now } = await rows([])
    expect(shown.text()).toContain('No fields yet.')
    await shown.find('.v-btn').trigger('click')
    expect(now()).toEqual([field('field-1', '')])
  })

  it('take their key from their name', async () => {
    const { now, input } = await rows([field('field-1', '')])
    await input('Field 1').setValue('Insured value')
    expect(now()[0]).toMatchObject({ label: 'Insured value', key: 'insured-value' })
    await input('Field 1').setValue('Value, insured')
    expect(now()[0]!.key).toBe('value-insured')
  })

  it('keep a key that is not their name: values are held under it', async () => {
    const { now, input } = await rows([field('value', 'Insured value')])
    await input('Field 1').setValue('Sum insured')
    expect(now()[0]).toMatchObject({ label: 'Sum insured', key: 'value' })
  })

  it('move up and down and are taken out, in the order in which they are shown', async () => {
    const { shown, now } = await rows([field('a', 'Amount'), field('b', 'Broker'), field('c', 'Cause')])
    await shown.find('[aria-label="Move Cause up"]').trigger('click')
    expect(now().map((one) => one.key)).toEqual(['a', 'c', 'b'])
    await shown.find('[aria-label="Move Amount down"]').trigger('click')
    expect(now().map((one) => one.key)).toEqual(['c', 'a', 'b'])
    await shown.find('[aria-label="Take out Amount"]').trigger('click')
    expect(now().map((one) => one.key)).toEqual(['c', 'b'])
  })

  it('do not move beyond the ends', async () => {
    const { shown } = await rows([field('a', 'Amount'), field('b', 'Broker')])
    expect(shown.find('[aria-label="Move Amount up"]').attributes('disabled')).toBeDefined()
    expect(shown.find('[aria-label="Move Broker down"]').attributes('disabled')).toBeDefined()
  })

  it('offer choices only where something is chosen, each once and without what surrounds it', async () => {
    const { shown, now, input } = await rows([field('a', 'Cause', { kind: 'CHOICE' }), field('b', 'Broker')])
    expect(shown.findAll('.v-input').filter((one) => one.text().includes('Can be chosen'))).toHaveLength(1)
    const choices = input('Can be chosen')
    ;(choices.element as HTMLInputElement).value = ' fire,  grounding , fire,, '
    await choices.trigger('change')
    expect(now()[0]!.choices).toEqual(['fire', 'grounding'])
  })

  it('have no width unless one is given', async () => {
    const { now, input } = await rows([field('a', 'Amount', { width: 80 })])
    await input('Width').setValue('120')
    expect(now()[0]!.width).toBe(120)
    await input('Width').setValue('')
    expect(now()[0]!.width).toBeUndefined()
  })

  it('offer nothing to those who only read', async () => {
    const { shown } = await rows([field('a', 'Amount')], false)
    expect(shown.findAll('button.linklike')).toHaveLength(0)
    expect(shown.find('.v-btn').exists()).toBe(false)
    expect(shown.find('input').attributes('readonly')).toBeDefined()
  })

  const MANY = Array.from({ length: 300 }, (_, i) => field(`f${i}`, `Mark ${String(i).padStart(3, '0')}`, { kind: i % 2 === 0 ? 'DATE' : 'TEXT' }))
  const numbers = (shown: Awaited<ReturnType<typeof rows>>['shown']) => shown.findAll('.number').map((one) => one.text())

  it('exist only where they are in sight, however many they are', async () => {
    const { shown } = await rows(MANY)
    expect(numbers(shown).length).toBeGreaterThan(10)
    expect(numbers(shown).length).toBeLessThan(80)
  })

  it('are looked for by name and kind, and keep their number in the type', async () => {
    const { shown } = await rows(MANY)
    await shown.find('.find input').setValue('mark 12')
    await paused()
    expect(numbers(shown)).toEqual(['121', '122', '123', '124', '125', '126', '127', '128', '129', '130'])
    await shown.find('.find input').setValue('date')
    await paused()
    expect(shown.find('.find [role=status]').text()).toBe('150 matches')
  })

  it('are put in order by a column, and are moved in their own order only', async () => {
    const { shown } = await rows([field('b', 'Broker'), field('a', 'Amount'), field('c', 'Cause', { required: true })])
    const sorter = (title: string) => shown.findAll('.sorter').find((one) => one.text() === title)!
    await sorter('Field').trigger('click')
    await flushPromises()
    expect(numbers(shown)).toEqual(['2', '1', '3'])
    expect(shown.find('[aria-label="Move Cause up"]').exists()).toBe(false)
    await sorter('Required').trigger('click')
    await flushPromises()
    expect(numbers(shown)[0]).toBe('3')
    await sorter('No.').trigger('click')
    await flushPromises()
    expect(shown.find('[aria-label="Move Cause up"]').exists()).toBe(true)
  })

  it('stay where they are while they are filled in, though the list is in order of their names', async () => {
    const { shown, input } = await rows([field('b', 'Broker'), field('a', 'Amount')])
    await shown.findAll('.sorter').find((one) => one.text() === 'Field')!.trigger('click')
    await flushPromises()
    await input('Field 2').setValue('Zone')
    await flushPromises()
    expect(numbers(shown)).toEqual(['2', '1'])
  })
})
