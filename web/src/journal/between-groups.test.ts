import { aServer, requests } from '@/api/testkit'
import { inSight } from '@/lists/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { createVuetify } from 'vuetify'
import BetweenGroups from './BetweenGroups.vue'

const MIA = { id: 'p-mia', name: 'Mia Torrance', external: false, active: true }
const page = <T>(items: T[]) => ({ total: items.length, offset: 0, items })

async function list(by: 'change' | 'person') {
  inSight(12)
  aServer({
    'GET /api/journal/between/causes': () =>
      page([
        { cause: { change: 7, note: 'A case is closed.' }, people: 3, gaining: 1, losing: 2, places: 5 },
        { cause: { after: '2026-11-01T00:00:00Z', until: '2026-11-02T00:00:00Z' }, people: 1, gaining: 0, losing: 1, places: 1 },
      ]),
    'GET /api/journal/between/causes/people': () => page([{ person: MIA, places: 2, gaining: 0, losing: 2 }]),
    'GET /api/journal/between/causes/places': () => page([{ person: MIA, place: 'f-1', path: 'Casualties / One', before: ['find', 'read'], after: ['find'], causes: [{ change: 7, note: 'A case is closed.' }], moreCauses: 0 }]),
  })
  const pinia = createPinia()
  setActivePinia(pinia)
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/journal/:number?', name: 'journal', component: { template: '<i />' } },
      { path: '/:id?', name: 'places', component: { template: '<i />' } },
    ],
  })
  const shown = mount(BetweenGroups, {
    props: { by, span: { from: '2026-11-01T00:00:00Z', until: '2026-11-30T00:00:00Z', below: 'lib-cas', outsiders: true } },
    global: { plugins: [createVuetify(), pinia, router, VueQueryPlugin] },
    attachTo: document.body,
  })
  await vi.waitFor(() => expect(shown.findAll('[data-row]').length).toBeGreaterThan(0))
  return shown
}
const press = async (shown: Awaited<ReturnType<typeof list>>, text: string) => {
  await shown.findAll('button').find((one) => one.text().includes(text))!.trigger('click')
}
/** Others, such as who is signed in, may be asked beside it. */
const last = () => requests.filter((one) => one.what.includes('/between/')).at(-1)!

describe('what differs, put together', () => {
  it('goes from a change to its people to their places, and back with the focus on the way back', async () => {
    const shown = await list('change')
    await press(shown, 'change 7: A case is closed.')
    await vi.waitFor(() => expect(shown.text()).toContain('Mia Torrance'))
    expect(last().what).toBe('GET /api/journal/between/causes/people')
    expect(last().asked.query).toMatchObject({ change: '7', below: 'lib-cas', outsiders: 'true' })
    expect(document.activeElement?.textContent).toContain('Every change')
    await press(shown, 'Mia Torrance')
    await vi.waitFor(() => expect(shown.text()).toContain('Casualties'))
    expect(last().asked.query).toMatchObject({ change: '7', person: 'p-mia', below: 'lib-cas' })
    expect(shown.findAll('[data-row] svg.paling')).toHaveLength(2)
    await press(shown, 'Everybody who gained or lost')
    await vi.waitFor(() => expect(shown.text()).toContain('2 places'))
    await press(shown, 'Every change')
    await vi.waitFor(() => expect(shown.findAll('[data-row]')).toHaveLength(2))
    expect(document.activeElement?.classList.contains('groups')).toBe(true)
  })

  it('asks for what time did by its stretch', async () => {
    const shown = await list('change')
    await press(shown, 'something began or ended')
    await vi.waitFor(() => expect(last().asked.query).toMatchObject({ after: '2026-11-01T00:00:00Z', to: '2026-11-02T00:00:00Z' }))
  })

  it('begins with people where it is put together by person, and again when it is narrowed otherwise', async () => {
    const shown = await list('person')
    expect(last().what).toBe('GET /api/journal/between/causes/people')
    expect(last().asked.query.change).toBeUndefined()
    await press(shown, 'Mia Torrance')
    await vi.waitFor(() => expect(last().what).toBe('GET /api/journal/between/causes/places'))
    await shown.setProps({ span: { from: '2026-11-01T00:00:00Z', until: '2026-11-30T00:00:00Z', outsiders: false } })
    await vi.waitFor(() => expect(last().asked.query).toMatchObject({ outsiders: 'false' }))
    expect(last().what).toBe('GET /api/journal/between/causes/people')
  })
})
