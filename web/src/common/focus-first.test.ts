import { mount } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, withDirectives } from 'vue'
import { focusFirst } from './focusFirst'

const Form = defineComponent({
  props: { hidden: Boolean },
  setup: (props) => () =>
    h('form', [
      withDirectives(h('div', [h('input', { id: 'first', disabled: props.hidden })]), [[focusFirst]]),
      h('input', { id: 'second' }),
    ]),
})

describe('the first field of a form', () => {
  afterEach(() => {
    vi.useRealTimers()
    document.body.innerHTML = ''
  })

  it('has the focus at once', () => {
    mount(Form, { attachTo: document.body })
    expect(document.activeElement?.id).toBe('first')
  })

  it('gets it as soon as it can have it', async () => {
    vi.useFakeTimers()
    const shown = mount(Form, { attachTo: document.body, props: { hidden: true } })
    expect(document.activeElement?.id).not.toBe('first')
    await shown.setProps({ hidden: false })
    vi.advanceTimersByTime(40)
    expect(document.activeElement?.id).toBe('first')
  })

  it('never takes it from a field that somebody has gone into', async () => {
    vi.useFakeTimers()
    const shown = mount(Form, { attachTo: document.body, props: { hidden: true } })
    shown.find<HTMLInputElement>('#second').element.focus()
    await shown.setProps({ hidden: false })
    vi.advanceTimersByTime(2_000)
    expect(document.activeElement?.id).toBe('second')
  })
})
