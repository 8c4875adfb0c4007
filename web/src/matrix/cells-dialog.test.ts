import { answered, aServer, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount, type VueWrapper } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import CellsDialog from './CellsDialog.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {}, query: {} }), useRouter: () => ({ push: vi.fn() }) }))

const CELLS = [
  { subject: { kind: 'group' as const, id: 'g-1' }, place: 'f-1' },
  { subject: { kind: 'group' as const, id: 'g-1' }, place: 'f-2' },
]
const EFFECT = {
  peopleGaining: 0,
  peopleLosing: 4,
  places: 2,
  documents: 0,
  pairsGaining: 0,
  pairsLosing: 8,
  outsidersGaining: 0,
}
const way = (kind: string, more: object = {}) => ({
  kind,
  met: 2,
  changes: [{ kind: 'removeGrant', place: 'f-1', entry: 'e-1' }],
  effect: EFFECT,
  lockOuts: 0,
  ...more,
})

async function dialog(ways: object) {
  aServer({
    'GET /api/session': () => ({
      account: { login: 'w', name: 'W', duties: ['access'], rooms: [], mayDraft: true },
      demo: [],
    }),
    'GET /api/draft': () => ({ items: [] }),
    'POST /api/draft/changes': () => ({ items: [] }),
    'POST /api/draft/changes/many': () => ({ items: [] }),
    'POST /api/matrix/ways': () => ways,
  })
  const shown = mount(CellsDialog, {
    props: {
      cells: CELLS,
      like: CELLS[0]!,
      likeWords: 'Surveyors at Lady Ottoline: Reader',
      roles: [{ id: 'r-1', name: 'Reader' }],
    },
    global: {
      directives: { focusFirst: {} },
      plugins: [createVuetify(), createPinia(), VueQueryPlugin],
      // The choice itself is the component library's; what is chosen is said by the test.
      stubs: {
        VDialog: { template: '<div><slot /></div>' },
        VSelect: {
          props: ['modelValue', 'label'],
          emits: ['update:modelValue'],
          template: '<div class="select" :data-label="label" />',
        },
        RouterLink: true,
      },
    },
  })
  await answered()
  return shown
}
const choose = async (shown: VueWrapper, label: string, value: unknown) => {
  const select = shown
    .findAllComponents('.select')
    .find((one) => (one as VueWrapper).attributes('data-label') === label) as VueWrapper
  select.vm.$emit('update:modelValue', value)
  await answered()
}
const asked = () =>
  requests.filter((one) => one.what === 'POST /api/matrix/ways').map((one) => one.asked.body as Record<string, unknown>)

describe('many cells at once', () => {
  it('asks for no ways before it is clear what is wished', async () => {
    const shown = await dialog({ cells: 2, already: 0, noRole: 0, ways: [] })
    expect(shown.find('h2').text()).toBe('Change 2 cells')
    expect(asked()).toHaveLength(0)
    await choose(shown, 'Role', 'r-1')
    expect(asked()[0]).toMatchObject({ wish: 'ROLE', role: 'r-1', cells: CELLS })
    expect(asked()[0]).not.toHaveProperty('rights')
  })

  it('sends of a wish only what belongs to it', async () => {
    const shown = await dialog({ cells: 2, already: 0, noRole: 0, ways: [] })
    await choose(shown, 'They are to', 'WITHHOLD')
    expect(asked()).toHaveLength(0)
    await choose(shown, 'Rights', ['copy'])
    await choose(shown, 'They are to', 'MATCH')
    await choose(shown, 'They are to', 'CLEAR')
    expect(asked().map((one) => [one.wish, one.rights, (one.like as object | undefined) !== undefined])).toEqual([
      ['WITHHOLD', ['copy'], false],
      ['MATCH', undefined, true],
      ['CLEAR', undefined, false],
    ])
  })

  it('counts each way before anything is drafted, and drafts all of its changes together', async () => {
    const shown = await dialog({
      cells: 2,
      already: 1,
      noRole: 0,
      ways: [way('HERE'), way('BREAK', { met: 1, lockOuts: 1 })],
    })
    await choose(shown, 'They are to', 'CLEAR')
    expect(shown.text()).toContain('1 of them is so already.')
    const lines = shown.findAll('.ways li').map((line) => line.text().replace(/\s+/g, ' '))
    expect(lines[0]).toContain('All 2 cells are then as wished. 4 people lose something, at 2 places.')
    expect(lines[1]).toContain('1 of 2 cells are then as wished.')
    expect(lines[1]).toContain('nobody on staff would keep 1 place')
    expect(requests.some((one) => one.what.startsWith('POST /api/draft'))).toBe(false)
    await shown.find('button[aria-label="Add to the draft: Set it here"]').trigger('click')
    await answered()
    expect(requests.some((one) => one.what.startsWith('POST /api/draft'))).toBe(true)
    expect(shown.emitted('close')).toHaveLength(1)
  })

  it('says when there is nothing to do, no such role, and no way', async () => {
    const done = await dialog({ cells: 2, already: 2, noRole: 0, ways: [] })
    await choose(done, 'They are to', 'CLEAR')
    expect(done.text()).toContain('All of them are so already.')
    expect(done.text()).not.toContain('No single way does it')
    const none = await dialog({ cells: 2, already: 0, noRole: 1, ways: [] })
    await choose(none, 'They are to', 'CLEAR')
    expect(none.text()).toContain('1 cell needs a set of rights that is no role’s.')
    const stuck = await dialog({ cells: 2, already: 0, noRole: 0, ways: [] })
    await choose(stuck, 'They are to', 'CLEAR')
    expect(stuck.text()).toContain('No single way does it')
  })
})
