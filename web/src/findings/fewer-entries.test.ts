import { answered, aServer, requests } from '@/api/testkit'
import { useQueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import FewerEntries from './FewerEntries.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {}, query: {} }), useRouter: () => ({ push: vi.fn() }) }))

const remove = (entry: string) => ({ kind: 'removeGrant', place: 'f-1', entry })
const size = (entries: number) => ({ entries, groups: 5, memberships: 20, roles: 4 })
const FOUND = {
  before: size(40),
  after: size(30),
  tried: 9,
  more: 0,
  cut: false,
  proposals: [
    { kind: 'ENDED', words: 'Drop 4 entries that have ended.', saves: 4, groups: 0, changes: [remove('e-1'), remove('e-2')] },
    { kind: 'LIFT', words: 'Give Reader once at Casualties.', saves: 6, groups: 1, changes: [remove('e-3')] },
  ],
}

async function fewer(found: object | undefined, duties = ['access'], looking?: object) {
  aServer({
    'GET /api/session': () => ({ account: { login: 'w', name: 'W', duties, rooms: [], mayDraft: true }, demo: [] }),
    'GET /api/draft': () => ({ items: [] }),
    'POST /api/draft/changes': () => ({ items: [] }),
    'POST /api/draft/changes/many': () => ({ items: [] }),
    'GET /api/findings/mining': () => ({ ...(found && { found }), ...(looking && { looking }) }),
    'POST /api/findings/mining': () => ({ looking: { tried: 0, candidates: 0, saved: 0 } }),
    'DELETE /api/findings/mining': () => undefined,
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
    expect(shown.text()).not.toContain('before everything was tried')
    expect(shown.findAll('li').map((line) => line.find('.quiet').text())).toEqual(['4 entries fewer', '6 entries fewer, 1 group fewer'])
  })

  it('says what else becomes more or less', async () => {
    expect((await fewer(FOUND)).text()).not.toContain('There would be')
    expect((await fewer({ ...FOUND, after: { ...size(30), groups: 6, memberships: 23 } })).text()).toContain('There would be 6 groups instead of 5 and 23 memberships instead of 20.')
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
    expect((await fewer({ ...FOUND, cut: true })).text()).toContain('It was cancelled, or time ran out, before everything was tried.')
    expect((await fewer({ ...FOUND, more: 3 })).text()).toContain('3 more are not listed')
    expect((await fewer({ ...FOUND, after: size(40), proposals: [] })).text()).toContain('Nothing can be said with fewer entries than the 40 that there are.')
  })

  it('offers what is found in another state, whatever was drafted of the one before', async () => {
    const shown = await fewer(FOUND)
    await shown.find('.acts button').trigger('click')
    await answered()
    expect(shown.findAll('li button').every((button) => button.attributes('disabled') !== undefined)).toBe(true)
    const found = { ...FOUND, before: size(30), after: size(28) }
    shown.vm.$.appContext.app.runWithContext(() => useQueryClient().setQueryData(['findings', 'mining'], { found }))
    await answered()
    expect(shown.text()).toContain('30 entries could be 28')
    expect(shown.findAll('li button').every((button) => button.attributes('disabled') === undefined)).toBe(true)
  })

  it('begins only when it is asked to, and says how far it is', async () => {
    const shown = await fewer(undefined)
    expect(shown.text()).toContain('Look for them')
    expect(requests.some((one) => one.what === 'POST /api/findings/mining')).toBe(false)
    await shown.find('.acts button').trigger('click')
    await answered()
    expect(shown.find('[role=status]').text()).toContain('Waiting for its turn')
    const looking = await fewer(undefined, ['access'], { kind: 'GROUP', tried: 12, candidates: 1400, saved: 31 })
    expect(looking.find('[role=status]').text()).toContain('Trying people named one by one who are a group: 12 of 1,400. 31 entries saved so far.')
  })

  it('can be called off', async () => {
    const shown = await fewer(undefined, ['access'], { kind: 'IDLE', tried: 1, candidates: 2, saved: 0 })
    await shown.find('.acts button').trigger('click')
    await answered()
    expect(requests.map((one) => one.what)).toContain('DELETE /api/findings/mining')
  })

  it('is read, not drafted, by whoever does not administer access', async () => {
    const shown = await fewer(FOUND, ['audit'])
    expect(shown.findAll('button')).toHaveLength(0)
    expect(shown.findAll('li')).toHaveLength(2)
  })
})
