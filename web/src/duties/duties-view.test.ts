import { aServer, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import DutiesView from './DutiesView.vue'
import { DUTIES, LETS, SCOPES } from './duties'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {} }), useRouter: () => ({ push: vi.fn() }) }))

const line = (id: string, duty: string, name: string, more: object = {}) => ({
  id,
  duty,
  subject: { kind: 'person', id: `p-${id}`, name, people: 1, outsiders: 0 },
  holders: [{ person: { id: `p-${id}`, name, external: false, active: true } }],
  holdersInAll: 1,
  current: true,
  lately: 0,
  drafted: 'NO',
  ...more,
})

async function duties(held: string[], lines: object[]) {
  aServer({
    'GET /api/session': () => ({ account: { login: 'w', name: 'W', duties: held, rooms: [], mayDraft: true }, demo: [] }),
    'GET /api/duties': () => lines,
    'GET /api/draft': () => ({ items: [] }),
    'POST /api/draft/changes': () => ({ items: [] }),
  })
  const shown = mount(DutiesView, { global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { RouterLink: { template: '<a><slot /></a>' }, DutyDialog: true } } })
  await flushPromises()
  return shown
}

describe('the register of duties', () => {
  it('lists them in the order of the rules, and says what was never used', async () => {
    const shown = await duties(['system'], [line('a', 'SYSTEM', 'Ann'), line('b', 'ACCESS', 'Ben', { covers: 'Cases', lately: 2, lastUsed: '2026-11-20T10:00:00Z' })])
    expect(shown.findAll('tbody th').map((head) => head.text())).toEqual(['access', 'system'])
    expect(shown.text()).toContain('2 in 90 days')
    expect(shown.text()).toContain('never used')
    expect(shown.text()).toContain('Never used (1)')
  })

  it('finds a line by its duty, its holder or what it covers', async () => {
    const shown = await duties(['system'], [line('a', 'SYSTEM', 'Ann'), line('b', 'ACCESS', 'Ben', { covers: 'Cases' })])
    await shown.find('input[type=search]').setValue('cases')
    expect(shown.findAll('tbody')).toHaveLength(1)
    await shown.find('input[type=search]').setValue('nobody')
    expect(shown.text()).toContain('Nobody holds a duty like that.')
  })

  it('takes one back through the draft, and offers nothing to whoever only reads', async () => {
    const shown = await duties(['system'], [line('a', 'TYPES', 'Ann')])
    await shown.find('button[aria-label="Take back the duty types of Ann"]').trigger('click')
    await flushPromises()
    expect(requests.find((asked) => asked.what === 'POST /api/draft/changes')?.asked.body).toMatchObject({ kind: 'removeDuty', assignment: 'a' })
    const read = await duties(['audit'], [line('a', 'TYPES', 'Ann')])
    expect(read.findAll('.acts button')).toHaveLength(0)
    expect(read.text()).not.toContain('Hand out a duty')
  })

  it('says of every duty what it lets somebody do and what limits it', () => {
    DUTIES.forEach((duty) => {
      expect(LETS[duty]).not.toBe('')
      expect(['place', 'unit', 'all']).toContain(SCOPES[duty])
    })
  })
})
