import { answered, aServer, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import FewerEntries from './FewerEntries.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {}, query: {} }), useRouter: () => ({ push: vi.fn() }) }))

const remove = (entry: string) => ({ kind: 'removeGrant', place: 'f-1', entry })
const FOUND = {
  before: 40,
  after: 30,
  cut: false,
  proposals: [
    { kind: 'ENDED', words: 'Drop 4 entries that have ended.', saves: 4, changes: [remove('e-1'), remove('e-2')] },
    { kind: 'LIFTED', words: 'Give Reader once at Casualties.', saves: 6, changes: [remove('e-3')] },
  ],
}

async function fewer(found: object, duties = ['access']) {
  aServer({
    'GET /api/session': () => ({ account: { login: 'w', name: 'W', duties, rooms: [], mayDraft: true }, demo: [] }),
    'GET /api/draft': () => ({ items: [] }),
    'POST /api/draft/changes': () => ({ items: [] }),
    'POST /api/draft/changes/many': () => ({ items: [] }),
    'GET /api/findings/mining': () => found,
  })
  const shown = mount(FewerEntries, { global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { RouterLink: { template: '<a><slot /></a>' } } } })
  await answered()
  return shown
}
const drafted = () => requests.filter((one) => one.what.startsWith('POST /api/draft')).flatMap((one) => JSON.stringify(one.asked.body).match(/e-\d/g) ?? [])

describe('the same with fewer entries', () => {
  it('says how many there are, how many there could be, and that nobody gains or loses anything', async () => {
    const shown = await fewer(FOUND)
    expect(shown.text()).toContain('40 entries could be 30, 25 in a hundred fewer.')
    expect(shown.text()).not.toContain('There was not time to try everything.')
    expect(shown.findAll('li').map((line) => line.find('.quiet').text())).toEqual(['4 entries fewer', '6 entries fewer'])
  })

  it('drafts a proposal together with those that it stands on', async () => {
    const shown = await fewer(FOUND)
    await shown.find('button[aria-label="Add up to here: Drop 4 entries that have ended."]').trigger('click')
    await answered()
    expect(drafted()).toEqual(['e-1', 'e-2'])
    expect(shown.find('[role=status]').text()).toContain('1 proposal is in your draft.')
    expect(shown.findAll('li button').every((button) => button.attributes('disabled') !== undefined)).toBe(true)
  })

  it('drafts all of them in their order', async () => {
    const shown = await fewer(FOUND)
    await shown.find('.acts button').trigger('click')
    await answered()
    expect(drafted()).toEqual(['e-1', 'e-2', 'e-3'])
    expect(shown.find('[role=status]').text()).toContain('2 proposals are in your draft.')
  })

  it('says when not everything was tried, and when nothing is to be had', async () => {
    expect((await fewer({ ...FOUND, cut: true })).text()).toContain('There was not time to try everything.')
    expect((await fewer({ before: 12, after: 12, cut: false, proposals: [] })).text()).toContain('Nothing can be said with fewer entries than the 12 that there are.')
  })

  it('is read, not drafted, by whoever does not administer access', async () => {
    const shown = await fewer(FOUND, ['audit'])
    expect(shown.findAll('button')).toHaveLength(0)
    expect(shown.findAll('li')).toHaveLength(2)
  })
})
