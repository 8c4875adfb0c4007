import { answered, aServer, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import { createMemoryHistory, createRouter } from 'vue-router'
import LeaverForm from './LeaverForm.vue'

const PERSON = { id: 'p-mia', name: 'Mia Torrance', external: false, active: true }
const share = (id: string, kind: string, state = 'STANDING', gone = false) => ({ kind, id, place: 'f', name: 'F', path: '', with: [], role: 'Reader', roleId: 'r', state, people: 1, outside: 0, opened: 0, drafted: 'NO', gone })

async function form(duties: string[]) {
  aServer({
    'GET /api/session': () => ({ account: { login: 'w', name: 'W', duties, rooms: [], mayDraft: true }, demo: [] }),
    'GET /api/people/p-mia': () => ({ person: PERSON }),
    'GET /api/people/p-mia/owned': () => ({ total: 0, offset: 0, items: [] }),
    'GET /api/people': () => ({ total: 0, offset: 0, items: [] }),
    'GET /api/places': () => ({ total: 0, offset: 0, items: [] }),
    'GET /api/shares': ({ query }) => (expect(query.maker).toBe('p-mia'), { total: 4, offset: 0, items: [share('e-1', 'SHARE'), share('pa-1', 'PASS'), share('e-old', 'SHARE', 'ENDED'), share('e-gone', 'SHARE', 'STANDING', true)] }),
  })
  const pinia = createPinia()
  setActivePinia(pinia)
  const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/walls', component: { template: '<i />' } }, { path: '/shares', name: 'shares', component: { template: '<i />' } }] })
  await router.push('/walls?person=p-mia')
  const shown = mount(LeaverForm, { global: { plugins: [createVuetify(), pinia, VueQueryPlugin, router], stubs: { RouterLink: RouterLinkStub, teleport: true } } })
  for (let i = 0; i < 4; i++) await answered()
  return shown
}

describe('somebody who leaves', () => {
  afterEach(() => vi.restoreAllMocks())

  it('is said to go on letting others in, by what stands still, and nothing is chosen beforehand', async () => {
    const shown = await form(['walls', 'access'])
    expect(shown.text().replace(/\s+/g, ' ')).toContain('What Mia Torrance has let others into goes on: 1 share and 1 pass')
    expect((shown.find('input[type=checkbox]').element as HTMLInputElement).checked).toBe(false)
  })

  it('is not asked about by whoever may not take anything back', async () => {
    const shown = await form(['walls'])
    expect(shown.text()).not.toContain('goes on')
    expect(requests.some((one) => one.what === 'GET /api/shares')).toBe(false)
  })
})
