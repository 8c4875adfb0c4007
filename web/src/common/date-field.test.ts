import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { createVuetify } from 'vuetify'
import { defineComponent, h, nextTick, ref } from 'vue'
import DateField from './DateField.vue'

/** As an address keeps it: what is no day is not kept at all. */
const keeper = (kept: { value: string }, looksBack = false) =>
  defineComponent(
    () => () =>
      h(DateField, {
        label: 'At the end of',
        looksBack,
        modelValue: kept.value,
        'onUpdate:modelValue': (value: string) => {
          kept.value = /^\d{4}-\d{2}-\d{2}$/.test(value) ? value : ''
        },
      }),
  )

async function type(field: ReturnType<ReturnType<typeof mount>['find']>, text: string) {
  // Into what the field shows by then, as keys go; the first letter takes the place of what was there.
  const input = field.element as HTMLInputElement
  for (const letter of text) {
    await field.setValue(letter === text[0] && input.value !== '' && !text.startsWith(input.value) ? letter : input.value + letter)
    await nextTick()
  }
}

describe('a field for a day', () => {
  it('keeps what is being typed over a day, although nothing is kept for what cannot be read yet', async () => {
    const kept = ref('2026-03-01')
    const shown = mount(keeper(kept), { global: { plugins: [createVuetify()] }, attachTo: document.body })
    const field = shown.find('input')
    ;(field.element as HTMLInputElement).focus()
    await type(field, '1 Sep 2026')
    expect(kept.value).toBe('2026-09-01')
    expect((field.element as HTMLInputElement).value).toBe('1 Sep 2026')
    shown.unmount()
  })

  it('shows another day that is set from elsewhere, and forgets what was wrong with the one before', async () => {
    const kept = ref('2026-03-01')
    const shown = mount(keeper(kept), { global: { plugins: [createVuetify()] }, attachTo: document.body })
    const field = shown.find('input')
    ;(field.element as HTMLInputElement).focus()
    await type(field, 'some day')
    expect((field.element as HTMLInputElement).validationMessage).toContain('Type a day such as')
    ;(field.element as HTMLInputElement).blur()
    kept.value = '2026-05-02'
    await nextTick()
    expect((field.element as HTMLInputElement).value).toBe('2 May 2026')
    expect((field.element as HTMLInputElement).validationMessage).toBe('')
    shown.unmount()
  })
})
