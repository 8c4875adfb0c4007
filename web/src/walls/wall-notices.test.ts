import { answered, aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import WallNotices from './WallNotices.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {}, query: {} }), useRouter: () => ({ push: vi.fn() }), createRouter: vi.fn(), createWebHistory: vi.fn() }))

const MIA = { id: 'm', name: 'Mia Torrance', external: false, active: true }
const OLA = { id: 'o', name: 'Ola Lindqvist', external: false, active: true }
const VIEW = {
  audiences: [
    { audience: 'KEEPERS', people: [OLA], more: 0, total: 1, withoutAddress: 1, seen: 'sha256:1' },
    { audience: 'KEPT_OUT', people: [MIA], more: 0, total: 1, withoutAddress: 0, seen: 'sha256:2' },
  ],
  keptOutText: 'There are papers that are not for you.',
  notices: [{ id: 7, audience: 'KEEPERS', text: 'Keep it.', at: '2026-11-24T10:00:00Z', by: 'Wenna', readers: [{ person: OLA }, { person: MIA, acknowledged: '2026-11-25T10:00:00Z' }] }],
}

async function view(duties: string[], more: Record<string, () => unknown> = {}) {
  aServer({ 'GET /api/session': () => ({ account: { login: 'w', name: 'W', duties, rooms: [], mayDraft: true }, demo: [] }), 'GET /api/walls/w/notices': () => VIEW, ...more })
  const shown = mount(WallNotices, {
    props: { id: 'w', name: 'Kept apart', drafted: 'NO' },
    global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { RouterLink: { template: '<a><slot /></a>' }, VDialog: { props: ['modelValue'], template: '<div v-if="modelValue"><slot /></div>' } } },
  })
  await answered()
  return shown
}
const press = async (shown: Awaited<ReturnType<typeof view>>, label: string) => {
  await shown.find(`button[aria-label="${label}"]`).trigger('click')
}

describe('notices of a wall', () => {
  it('say whom they would reach and who has confirmed them', async () => {
    const text = (await view(['walls'])).text().replace(/\s+/g, ' ')
    expect(text).toContain('Those who keep papers inside: 1 person, 1 without an address')
    expect(text).toContain('1 of 2 people confirmed it.')
  })

  it('are sent with whom was shown, in words of one’s own', async () => {
    const shown = await view(['walls'], { 'POST /api/walls/w/notices': () => ({ people: 1, letters: 0 }) })
    await press(shown, 'Tell those who keep papers inside')
    await shown.find('textarea').setValue('Keep C-2607 to yourselves.')
    await shown.find('form').trigger('submit')
    await answered()
    expect(requests.filter((one) => one.what === 'POST /api/walls/w/notices').map((one) => one.asked.body)).toEqual([{ audience: 'KEEPERS', text: 'Keep C-2607 to yourselves.', seen: 'sha256:1' }])
    expect(shown.find('form').exists()).toBe(false)
  })

  it('leave no words to the author for those whom the wall keeps out', async () => {
    const shown = await view(['walls'])
    await press(shown, 'Tell those whom it keeps out')
    expect(shown.find('textarea').exists()).toBe(false)
    expect(shown.find('blockquote').text()).toBe('There are papers that are not for you.')
  })

  it('stay open with what is wrong when others would be reached by now', async () => {
    const shown = await view(['walls'], {
      'POST /api/walls/w/notices': () => new Refused(409, { code: 'others-meanwhile', title: 'Others', detail: 'Whom this notice would reach has changed.' }),
    })
    await press(shown, 'Tell those who keep papers inside')
    await shown.find('form').trigger('submit')
    await answered()
    expect(shown.find('form').text()).toContain('Whom this notice would reach has changed.')
  })

  it('are only read by whoever audits', async () => {
    const shown = await view(['audit'])
    expect(shown.text()).not.toContain('Tell them')
    expect(shown.text()).not.toContain('Write again')
  })
})
