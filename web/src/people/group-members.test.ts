import { aServer, requests } from '@/api/testkit'
import { inSight } from '@/lists/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import type { Schemas } from '@/api/client'
import GroupMembers from './GroupMembers.vue'

const session = vi.hoisted(() => ({ duties: ['people'] }))
vi.mock('@/session/useSession', () => ({ useSession: () => ({ may: (duty: string) => session.duties.includes(duty), rooms: { value: ['people'] } }) }))
const drafted = vi.hoisted(() => ({ changes: [] as unknown[] }))
vi.mock('@/tray/useDrafting', () => ({ useDrafting: () => ({ draftAt: (changes: unknown[]) => drafted.changes.push(...changes) }) }))

const member = (id: string, name: string, external = false): Schemas['Member'] => ({ kind: 'person', id, name, people: 1, outsiders: external ? 1 : 0, external, active: true, current: true, drafted: 'NO' })

describe('members of a group, many at once', () => {
  beforeEach(() => {
    drafted.changes = []
    session.duties = ['people']
  })
  async function list() {
    inSight(12)
    aServer({})
    const pinia = createPinia()
    setActivePinia(pinia)
    const shown = mount(GroupMembers, {
      props: { id: 'g', members: [member('d', 'Dov'), member('a', 'Ada', true), member('c', 'Cato'), member('b', 'Bram', true)], gone: [member('e', 'Eve')], version: 1 },
      global: { plugins: [createVuetify(), pinia, VueQueryPlugin], stubs: { RouterLink: RouterLinkStub } },
      attachTo: document.body,
    })
    await vi.waitFor(() => expect(shown.findAll('[data-row]')).toHaveLength(5))
    return shown
  }
  const box = (shown: Awaited<ReturnType<typeof list>>, name: string) => shown.find(`[aria-label="Choose ${name}"]`)
  const press = (shown: Awaited<ReturnType<typeof list>>, text: string) => shown.findAll('button').find((one) => one.text().startsWith(text))!.trigger('click')

  it('takes all out that are chosen, in one go and each once', async () => {
    const shown = await list()
    expect(box(shown, 'Eve').exists()).toBe(false)
    await box(shown, 'Dov').trigger('click')
    await box(shown, 'Cato').trigger('click', { shiftKey: true })
    expect(shown.text()).toContain('3 members chosen')
    await press(shown, 'Take them out')
    expect(drafted.changes.map((one) => (one as { member: string }).member)).toEqual(['d', 'a', 'c'])
    expect(requests.filter((one) => one.what.startsWith('POST'))).toHaveLength(0)
  })

  it('chooses all, all but one, and the outsiders', async () => {
    const shown = await list()
    await press(shown, 'Choose 2 from outside')
    expect(shown.text()).toContain('2 members chosen')
    await shown.find('.tools input').trigger('change')
    expect(shown.text()).toContain('4 members chosen')
    await box(shown, 'Ada').trigger('click')
    await press(shown, 'Take them out')
    expect(drafted.changes.map((one) => (one as { member: string }).member)).toEqual(['d', 'c', 'b'])
  })

  it('forgets who is not there any more', async () => {
    const shown = await list()
    await press(shown, 'Choose 2 from outside')
    await shown.setProps({ members: [member('d', 'Dov'), member('a', 'Ada', true), member('c', 'Cato')], version: 2 })
    expect(shown.text()).toContain('1 member chosen')
  })

  it('offers what to do with those who are chosen also while none or one of them is looked for', async () => {
    const shown = await list()
    await shown.find('.tools input').trigger('change')
    await shown.setProps({ members: [member('d', 'Dov')], version: 3 })
    await vi.waitFor(() => expect(shown.text()).toContain('1 member chosen'))
    expect(shown.text()).toContain('Take it out')
  })

  it('offers nothing of it to whoever may not', async () => {
    session.duties = []
    const shown = await list()
    expect(shown.findAll('input[type=checkbox]')).toHaveLength(0)
  })
})
