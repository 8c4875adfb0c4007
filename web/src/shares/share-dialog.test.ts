import { aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import ShareDialog from './ShareDialog.vue'

const ADJUSTERS = { kind: 'group', id: 'g-adjusters', name: 'Adjusters', text: 'Everyone who prepares.', people: 37, outside: 2 }
const OFFER = {
  roles: [
    { id: 'r-onlooker', name: 'Onlooker', rights: ['find'] },
    { id: 'r-reader', name: 'Reader', rights: ['find', 'read'] },
  ],
  days: 28, daysAtMost: 56, outsiders: true, proposed: [ADJUSTERS],
}
const DIGEST = 'a'.repeat(64)

/** What is confirmed is what was shown (section 8): nothing is sent before it is, nor what something stands in the way of. */
describe('sharing', () => {
  async function dialog(said: object, offer: object = OFFER) {
    aServer({ 'GET /api/papers/places/d-1/sharing': () => offer, 'POST /api/papers/places/d-1/sharing': () => said, 'POST /api/papers/places/d-1/shares': () => undefined, 'GET /api/papers/recipients': () => ({ total: 0, offset: 0, items: [] }) })
    const pinia = createPinia()
    setActivePinia(pinia)
    const page = mount(ShareDialog, {
      props: { modelValue: true, place: 'd-1', name: 'Letter' },
      global: { plugins: [createVuetify(), pinia, [VueQueryPlugin, { queryClientConfig: { defaultOptions: { queries: { retry: false } } } }]], stubs: { VDialog: { template: '<div><slot /></div>' } } },
      attachTo: document.body,
    })
    await vi.waitFor(() => expect(page.text()).not.toContain('Finding out what'))
    return page
  }
  const send = (page: Awaited<ReturnType<typeof dialog>>) => page.findAll('button').find((one) => one.text() === 'Share it')!

  it('reads to begin with, and cannot be sent before anybody is chosen', async () => {
    const page = await dialog({ obstacles: [], gaining: 3, outside: 2, later: false, names: [], digest: DIGEST })
    expect(page.text()).toContain('Reader')
    expect(send(page).attributes('disabled')).toBeDefined()
    page.unmount()
  })

  it('says who is let in, and sends the digest of just that', async () => {
    const page = await dialog({ obstacles: [], gaining: 3, outside: 2, later: false, names: ['Ada', 'Bo'], digest: DIGEST })
    await page.find('fieldset input').setValue(true)
    await vi.waitFor(() => expect(page.find('.said').text()).toContain('3 people, 2 from outside are let in: Ada, Bo and 1 other.'))
    expect(send(page).attributes('disabled')).toBeUndefined()
    await page.find('form').trigger('submit')
    const sent = await vi.waitUntil(() => requests.find(({ what }) => what === 'POST /api/papers/places/d-1/shares'))
    expect(sent.asked.body).toMatchObject({ seen: DIGEST, tell: false, share: { role: 'r-reader', subjects: [{ kind: 'group', id: 'g-adjusters' }] } })
    page.unmount()
  })

  it('cannot be sent while something stands in the way, or where it would give nothing', async () => {
    const refused = await dialog({ obstacles: [{ about: 'until', what: 'What is shared here lasts 56 days at most.', remedy: 'Choose an end until then.' }], gaining: 0, outside: 0, later: false, names: [], digest: DIGEST })
    await refused.find('fieldset input').setValue(true)
    await vi.waitFor(() => expect(refused.find('.said').text()).toContain('56 days at most. Choose'))
    expect(send(refused).attributes('disabled')).toBeDefined()
    refused.unmount()
    const nothing = await dialog({ obstacles: [], gaining: 0, outside: 0, later: false, names: [], digest: DIGEST })
    await nothing.find('fieldset input').setValue(true)
    await vi.waitFor(() => expect(nothing.find('.said').text()).toContain('it would give them nothing'))
    expect(send(nothing).attributes('disabled')).toBeDefined()
    nothing.unmount()
  })

  it('says why nothing may be shared, and offers nothing then', async () => {
    const page = await dialog({}, { why: 'Nobody shares here.', roles: [], days: 28, outsiders: false, proposed: [] })
    expect(page.text()).toContain('Nobody shares here.')
    expect(send(page)).toBeUndefined()
    page.unmount()
  })

  it('says why nothing could be worked out, and sends nothing then', async () => {
    const page = await dialog(new Refused(422, { status: 422, title: 'Not done', detail: 'It would already have ended.' }))
    await page.find('fieldset input').setValue(true)
    await vi.waitFor(() => expect(page.find('.said').text()).toBe('It would already have ended.'))
    expect(send(page).attributes('disabled')).toBeDefined()
    page.unmount()
  })
})
