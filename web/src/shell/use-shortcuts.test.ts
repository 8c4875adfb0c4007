import { mount } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { useShortcuts } from './useShortcuts'

/** Single keys lead to rooms only where nothing else is open that they could be meant for. */
describe('shortcuts', () => {
  const findings = vi.fn()
  const Page = defineComponent({ setup: () => (useShortcuts({ f: findings }), () => h('div', { role: 'listbox', class: 'list' })) })
  const press = (target: EventTarget) => target.dispatchEvent(new KeyboardEvent('keydown', { key: 'f', bubbles: true }))

  afterEach(() => {
    document.body.innerHTML = ''
    findings.mockClear()
  })

  it('act on the page itself', () => {
    const page = mount(Page, { attachTo: document.body })
    press(document.body)
    expect(findings).toHaveBeenCalledTimes(1)
    page.unmount()
  })

  it('leave a letter to the list in which it looks for a line', () => {
    const page = mount(Page, { attachTo: document.body })
    press(page.element)
    expect(findings).not.toHaveBeenCalled()
    page.unmount()
  })

  it('do nothing while a dialog or its list is open, wherever the focus is', () => {
    const page = mount(Page, { attachTo: document.body })
    for (const kind of ['v-dialog', 'v-menu']) {
      const open = document.createElement('div')
      open.className = `v-overlay v-overlay--active ${kind}`
      document.body.append(open)
      press(document.body)
      expect(findings, kind).not.toHaveBeenCalled()
      open.remove()
    }
    press(document.body)
    expect(findings).toHaveBeenCalledTimes(1)
    page.unmount()
  })
})
