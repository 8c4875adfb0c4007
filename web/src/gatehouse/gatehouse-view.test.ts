import { answered, aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import GatehouseView from './GatehouseView.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {}, query: {} }), useRouter: () => ({ push: vi.fn() }) }))

const QUIET = {
  change: 12,
  now: '2026-11-29T09:00:00Z',
  since: '2026-11-22T09:00:00Z',
  changes: [],
  more: 0,
  orMore: false,
  passed: [],
  morePassed: 0,
  ends: [],
  moreEnds: 0,
  proofs: [],
}
const ALL = ['gatehouse', 'findings', 'reviews', 'rounds', 'walls']

async function view(gate: object, rooms: string[] = ALL, more: Record<string, () => unknown> = {}) {
  aServer({
    'GET /api/session': () => ({
      account: { login: 'w', name: 'W', duties: ['access'], rooms, mayDraft: true },
      demo: [],
    }),
    'GET /api/gatehouse': () => gate,
    'GET /api/findings': () => ({ rules: [], lines: [] }),
    'GET /api/drafts': () => [],
    'GET /api/reviews': () => [],
    'GET /api/rounds': () => ({ rounds: [] }),
    'GET /api/walls': () => [],
    'POST /api/gatehouse/visit': () => ({}),
    ...more,
  })
  const shown = mount(GatehouseView, {
    global: {
      plugins: [
        createVuetify(),
        createPinia(),
        [VueQueryPlugin, { queryClientConfig: { defaultOptions: { queries: { retry: false } } } }],
      ],
      stubs: { RouterLink: { template: '<a><slot /></a>' }, FiguresOverTime: true },
    },
  })
  await answered()
  return shown
}

describe('the gatehouse', () => {
  it('is calm when there is nothing, and offers nothing to have seen', async () => {
    const shown = await view(QUIET)
    expect(shown.text()).toContain('Nothing needs you today.')
    expect(shown.text()).toContain('Nobody else has changed anything, and nothing has begun or ended by its date.')
    expect(shown.text()).not.toContain('I have seen this')
    expect(shown.findAll('.lines li')).toHaveLength(0)
  })

  it('is not calm before all was asked', async () => {
    let answer: (said: object) => void = () => undefined
    const shown = await view(QUIET, ALL, { 'GET /api/findings': () => new Promise((done) => (answer = done)) })
    expect(shown.text()).toContain('Looking through everything …')
    expect(shown.text()).not.toContain('Nothing needs you today.')
    answer({
      rules: [{ code: 'no-keeper', severity: 'GRAVE', title: 'places that nobody keeps', found: 2 }],
      lines: [],
    })
    await answered()
    expect(shown.text()).toContain('Places that nobody keeps: 2')
    expect(shown.text()).not.toContain('Looking through everything …')
  })

  it('nor where one answer failed: it says which, and shows the others', async () => {
    const shown = await view(QUIET, ALL, {
      'GET /api/findings': () =>
        new Refused(503, { title: 'The database does not answer', detail: 'Try again in a minute.' }),
      'GET /api/reviews': () => [{ round: 1, name: 'Autumn', items: 4, decided: 1, due: '2999-01-01T00:00:00Z' }],
    })
    expect(shown.find('.fault').text()).toBe('Try again in a minute.')
    expect(shown.text()).toContain('“Autumn”: 3 of 4 items to review')
    expect(shown.text()).not.toContain('Nothing needs you today.')
  })

  it('asks of each room only whoever has it', async () => {
    requests.length = 0
    await view(QUIET, ['gatehouse', 'walls'])
    const asked = requests.map((one) => one.what)
    expect(asked).toContain('GET /api/walls')
    for (const other of ['GET /api/findings', 'GET /api/reviews', 'GET /api/rounds']) expect(asked).not.toContain(other)
  })

  it('puts what is grave first, whichever room it comes from', async () => {
    const shown = await view(
      { ...QUIET, proofs: [{ wall: 'w-1', name: 'Seal', at: '2026-11-28T09:00:00Z', leaks: 2, changes: 0 }] },
      ALL,
      {
        'GET /api/findings': () => ({
          rules: [
            { code: 'role-unused', severity: 'UNTIDY', title: 'roles that are not used', found: 1 },
            { code: 'no-keeper', severity: 'GRAVE', title: 'places that nobody keeps', found: 1 },
          ],
          lines: [],
        }),
        'GET /api/drafts': () => [
          {
            id: 3,
            name: 'Divers',
            owner: 'W',
            mine: true,
            inHand: false,
            changes: 2,
            approvedBy: [],
            stopped: 'It is other than what was scheduled.',
          },
        ],
      },
    )
    expect(shown.findAll('.lines .grade').map((one) => one.text())).toEqual(['leak', 'grave', 'stopped', 'untidy'])
  })

  it('sends with “I have seen this” just what was shown, so that nothing later counts as seen', async () => {
    const shown = await view({
      ...QUIET,
      changes: [{ number: 11, author: 'Ola', note: 'Divers', at: '2026-11-28T09:00:00Z' }],
    })
    await shown
      .findAll('.v-btn')
      .find((button) => button.text() === 'I have seen this')!
      .trigger('click')
    await answered()
    expect(requests.find((one) => one.what === 'POST /api/gatehouse/visit')?.asked.body).toEqual({
      change: 12,
      now: '2026-11-29T09:00:00Z',
    })
    expect(requests.filter((one) => one.what === 'GET /api/gatehouse').length).toBeGreaterThan(1)
  })

  it('says that there is more than it lists, and does not claim to have counted what it has not', async () => {
    const shown = await view({
      ...QUIET,
      changes: [{ number: 11, author: 'Ola', note: 'Divers', at: '2026-11-28T09:00:00Z' }],
      more: 40,
      orMore: true,
      morePassed: 2,
      moreEnds: 5,
      ends: [
        { words: 'Reader for Tarn Audit', begins: false, at: '2026-12-01T22:59:59Z', about: 'place', aboutId: 'f-1' },
      ],
    })
    expect(shown.text()).toContain('at least 40 more changes')
    expect(shown.text()).toContain('2 more things have begun or ended by date')
    expect(shown.text()).toContain('and 5 more')
  })

  it('shows walls that stand, not such as are lifted', async () => {
    const wall = {
      id: 'w-1',
      name: 'Seal',
      kind: 'seal',
      state: 'STANDING',
      bars: true,
      people: 3,
      conflicts: 0,
      endingSoon: 0,
    }
    const shown = await view(QUIET, ALL, {
      'GET /api/walls': () => [wall, { ...wall, id: 'w-2', name: 'Old seal', state: 'LIFTED' }],
    })
    expect(shown.text()).toContain('Seal: stands, 3 people kept out')
    expect(shown.text()).not.toContain('Old seal')
  })
})
