import { answered, aServer, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import HoverCard from './HoverCard.vue'

const GROUP = { group: { id: 'g', name: 'Surveyors', direct: 2, people: 4, outsiders: 1, entries: 3, drafted: 'NO' }, members: [], gone: [], parents: [{ name: 'Adjusters' }] }
const PERSON = { person: { id: 'p', name: 'Mia Torrance', external: false, active: true, unit: 'Casualty' }, groups: [{ name: 'A' }, { name: 'B' }, { name: 'C' }, { name: 'D' }], documents: 12 }

function page() {
  document.body.innerHTML = '<a id="group" href="/people/groups/g">Surveyors</a> <a id="person" href="/people/persons/p">Mia</a> <a id="place" href="/places/x">A place</a>'
  aServer({ 'GET /api/groups/g': () => GROUP, 'GET /api/people/p': () => PERSON })
  return mount(HoverCard, { attachTo: document.body, global: { plugins: [createPinia(), VueQueryPlugin] } })
}
const over = (id: string) => document.getElementById(id)!.dispatchEvent(new PointerEvent('pointerover', { bubbles: true, pointerType: 'mouse', clientX: 900, clientY: 900 }))
async function wait() {
  await vi.advanceTimersByTimeAsync(400)
  await answered()
}

describe('the card of a name', () => {
  beforeEach(() => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  })
  afterEach(() => {
    vi.useRealTimers()
    document.body.innerHTML = ''
  })

  it('says of a group how many are in it, how many from outside, and where it is used', async () => {
    const shown = page()
    over('group')
    expect(shown.text()).toBe('')
    await wait()
    expect(shown.text()).toContain('Surveyors')
    expect(shown.text()).toContain('4 people · 1 outsider · named in 3 entries')
    expect(shown.text()).toContain('In Adjusters')
    expect(document.getElementById('group')!.getAttribute('aria-describedby')).toBe('hover-card')
    shown.unmount()
  })

  it('comes with the focus too, and goes with Escape and with the focus', async () => {
    const shown = page()
    document.getElementById('person')!.dispatchEvent(new FocusEvent('focusin', { bubbles: true }))
    await wait()
    expect(shown.text()).toContain('Reaches 12 documents')
    expect(shown.text()).toContain('In A, B, C and 1 other')
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }))
    await answered()
    expect(shown.text()).toBe('')
    expect(document.getElementById('person')!.hasAttribute('aria-describedby')).toBe(false)
    shown.unmount()
  })

  it('asks for nothing that is only passed over, and for nothing else than people and groups', async () => {
    const shown = page()
    over('group')
    over('place')
    await wait()
    over('place')
    await wait()
    expect(shown.text()).toBe('')
    expect(requests).toHaveLength(0)
    shown.unmount()
  })
})
