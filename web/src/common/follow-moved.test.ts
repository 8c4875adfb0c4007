import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import { followMoved } from './followMoved'

const names = ref(['Amount', 'Broker', 'Cause'])
/** How long the list takes until it shows what was moved; meanwhile its rows are not there. */
let slow = 0
/** They are there as they were until then. */
let stays = false
const shownNames = ref<string[]>([])

const List = defineComponent({
  setup() {
    function move(event: Event, at: number, by: number) {
      const list = [...names.value]
      list.splice(at + by, 0, ...list.splice(at, 1))
      names.value = list
      if (slow > 0 && !stays) shownNames.value = []
      setTimeout(() => (shownNames.value = list), slow)
      followMoved(event.currentTarget, at, by)
    }
    const button = (name: string, at: number, by: number) =>
      h('button', { 'data-row-of': name, 'data-at': at, 'data-by': by, disabled: at + by < 0 || at + by >= 3, 'aria-label': `${name} ${by}`, onClick: (event: Event) => move(event, at, by) })
    return () => h('div', { 'data-moves': '' }, [h('input', { id: 'other' }), ...shownNames.value.map((name, at) => h('p', [button(name, at, -1), button(name, at, 1)]))])
  },
})

describe('the focus after a row was moved', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    names.value = ['Amount', 'Broker', 'Cause']
    shownNames.value = names.value
    slow = 0
    stays = false
    mount(List, { attachTo: document.body })
  })
  afterEach(() => {
    vi.useRealTimers()
    document.body.innerHTML = ''
  })

  async function press(label: string) {
    const button = document.querySelector<HTMLElement>(`[aria-label="${label}"]`)!
    button.focus()
    button.click()
    await vi.advanceTimersByTimeAsync(1_500)
  }
  const focused = () => document.activeElement?.getAttribute('aria-label')

  it('is on the same button of the same row, and at the end on the one that leads back', async () => {
    await press('Cause -1')
    expect(shownNames.value).toEqual(['Amount', 'Cause', 'Broker'])
    expect(focused()).toBe('Cause -1')
    await press('Cause -1')
    expect(focused()).toBe('Cause 1')
  })

  it('comes back when the list is drawn again later', async () => {
    slow = 400
    await press('Amount 1')
    expect(focused()).toBe('Amount 1')
  })

  it('moves the same row when it is pressed again before the list shows what was moved', async () => {
    slow = 400
    stays = true
    const button = document.querySelector<HTMLElement>('[aria-label="Cause -1"]')!
    button.focus()
    button.click()
    await vi.advanceTimersByTimeAsync(100)
    expect(focused()).toBe('Cause -1')
    expect(document.activeElement).toBe(button)
    await vi.advanceTimersByTimeAsync(1_500)
    expect(focused()).toBe('Cause -1')
    expect(document.activeElement).not.toBe(button)
  })

  it('stays with whoever has gone elsewhere meanwhile', async () => {
    slow = 400
    const button = document.querySelector<HTMLElement>('[aria-label="Amount 1"]')!
    button.focus()
    button.click()
    await vi.advanceTimersByTimeAsync(100)
    document.querySelector<HTMLElement>('#other')!.focus()
    await vi.advanceTimersByTimeAsync(1_500)
    expect(document.activeElement?.id).toBe('other')
  })
})
