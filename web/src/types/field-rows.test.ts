import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { createVuetify } from 'vuetify'
import type { Schemas } from '@/api/client'
import FieldRows from './FieldRows.vue'

type Field = Schemas['TypeField']

const field = (key: string, label: string, changed: Partial<Field> = {}): Field => ({ key, label, kind: 'TEXT', choices: [], required: false, hidden: false, ...changed })

describe('the fields of a type', () => {
  const rows = (fields: Field[], mayChange = true) => {
    const shown = mount(FieldRows, {
      props: { mayChange, modelValue: fields, 'onUpdate:modelValue': (now: Field[]) => void shown.setProps({ modelValue: now }) },
      global: { plugins: [createVuetify()] },
    })
    const now = () => shown.props('modelValue')
    const input = (label: string) => shown.findAll('.v-input').find((one) => one.find('label').exists() && one.text().includes(label))!.find('input')
    return { shown, now, input }
  }

  it('begin with none, and say that some things are there anyway', async () => {
    const { shown, now } = rows([])
    expect(shown.text()).toContain('No fields yet.')
    await shown.find('.v-btn').trigger('click')
    expect(now()).toEqual([field('field-1', '')])
  })

  it('take their key from their name', async () => {
    const { now, input } = rows([field('field-1', '')])
    await input('Field 1').setValue('Insured value')
    expect(now()[0]).toMatchObject({ label: 'Insured value', key: 'insured-value' })
    await input('Field 1').setValue('Value, insured')
    expect(now()[0]!.key).toBe('value-insured')
  })

  it('keep a key that is not their name: values are held under it', async () => {
    const { now, input } = rows([field('value', 'Insured value')])
    await input('Field 1').setValue('Sum insured')
    expect(now()[0]).toMatchObject({ label: 'Sum insured', key: 'value' })
  })

  it('move up and down and are taken out, in the order in which they are shown', async () => {
    const { shown, now } = rows([field('a', 'Amount'), field('b', 'Broker'), field('c', 'Cause')])
    await shown.find('[aria-label="Move Cause up"]').trigger('click')
    expect(now().map((one) => one.key)).toEqual(['a', 'c', 'b'])
    await shown.find('[aria-label="Move Amount down"]').trigger('click')
    expect(now().map((one) => one.key)).toEqual(['c', 'a', 'b'])
    await shown.find('[aria-label="Take out Amount"]').trigger('click')
    expect(now().map((one) => one.key)).toEqual(['c', 'b'])
  })

  it('do not move beyond the ends', () => {
    const { shown } = rows([field('a', 'Amount'), field('b', 'Broker')])
    expect(shown.find('[aria-label="Move Amount up"]').attributes('disabled')).toBeDefined()
    expect(shown.find('[aria-label="Move Broker down"]').attributes('disabled')).toBeDefined()
  })

  it('offer choices only where something is chosen, each once and without what surrounds it', async () => {
    const { shown, now, input } = rows([field('a', 'Cause', { kind: 'CHOICE' }), field('b', 'Broker')])
    expect(shown.findAll('.v-input').filter((one) => one.text().includes('Can be chosen'))).toHaveLength(1)
    const choices = input('Can be chosen')
    ;(choices.element as HTMLInputElement).value = ' fire,  grounding , fire,, '
    await choices.trigger('change')
    expect(now()[0]!.choices).toEqual(['fire', 'grounding'])
  })

  it('have no width unless one is given', async () => {
    const { now, input } = rows([field('a', 'Amount', { width: 80 })])
    await input('Width').setValue('120')
    expect(now()[0]!.width).toBe(120)
    await input('Width').setValue('')
    expect(now()[0]!.width).toBeUndefined()
  })

  it('offer nothing to those who only read', () => {
    const { shown } = rows([field('a', 'Amount')], false)
    expect(shown.findAll('button.linklike')).toHaveLength(0)
    expect(shown.find('.v-btn').exists()).toBe(false)
    expect(shown.find('input').attributes('readonly')).toBeDefined()
  })
})
