import { aServer } from '@/api/testkit'
import { inSight } from '@/lists/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import GroupAccess from './GroupAccess.vue'

const row = (place: string, document: boolean) => ({ place, path: place, document, rights: ['read'], withheld: [], origin: 'HERE', people: 7, exactly: 6, more: 1, less: 0 })

async function shownTo(rooms: string[]) {
  inSight(12)
  aServer({
    'GET /api/session': () => ({ account: { login: 'w', name: 'W', duties: [], rooms, mayDraft: true }, demo: [] }),
    'GET /api/groups/g/access': () => ({ total: 2, offset: 0, items: [row('folder', false), row('paper', true)] }),
  })
  const pinia = createPinia()
  setActivePinia(pinia)
  const shown = mount(GroupAccess, { props: { id: 'g' }, global: { plugins: [createVuetify(), pinia, VueQueryPlugin], stubs: { RouterLink: RouterLinkStub } } })
  await vi.waitFor(() => expect(shown.findAll('[data-row]')).toHaveLength(2))
  await vi.waitFor(() => expect(shown.findAllComponents(RouterLinkStub).length).toBe(rooms.includes('matrix') ? 4 : 2))
  return shown.findAllComponents(RouterLinkStub).map((link) => ({ to: link.props('to') as { name: string; query?: object }, text: link.text() }))
}

describe('what a group has', () => {
  it('opens to who of the group has more, less or just that, where the matrix has a cell for it', async () => {
    const links = (await shownTo(['people', 'matrix'])).filter((link) => link.to.name === 'matrix')
    expect(links.map((link) => link.text)).toEqual(['6 of 7', '1'])
    expect(links[0]!.to.query).toEqual({ rows: 'GROUPS', of: 'group:g', column: 'folder' })
  })

  it('does not lead to a room that somebody has not', async () => {
    expect((await shownTo(['people'])).every((link) => link.to.name === 'places')).toBe(true)
  })
})
