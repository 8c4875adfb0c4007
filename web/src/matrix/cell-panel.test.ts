import { answered, aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import CellPanel from './CellPanel.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {}, query: {} }), useRouter: () => ({ push: vi.fn() }) }))

const cell = (more: object = {}) => ({
  subject: { kind: 'group', id: 'g-1', name: 'Surveyors', people: 9, outsiders: 0 },
  column: { kind: 'folder', id: 'f-1', name: 'Lady Ottoline' },
  path: 'Casualties / Lady Ottoline',
  rights: ['find', 'read'],
  withheld: [],
  from: 'HERE',
  entries: [],
  moreEntries: 0,
  reasons: [],
  people: [],
  differing: 0,
  asked: 0,
  ...more,
})
const person = (name: string, external = false) => ({ id: name, name, external, active: true })

async function panel(said: object, duties = ['access']) {
  aServer({
    'GET /api/session': () => ({ account: { login: 'w', name: 'W', duties, rooms: [], mayDraft: true }, demo: [] }),
    'GET /api/draft': () => ({ items: [] }),
    'GET /api/matrix/cell': () => said,
  })
  const shown = mount(CellPanel, {
    props: {
      look: { rows: 'GROUPS', subject: [], across: 'CONTAINERS', turned: false },
      subject: 'group:g-1',
      column: 'f-1',
      roles: new Map([[3, 'Reader']]),
    },
    global: {
      plugins: [
        createVuetify(),
        createPinia(),
        [VueQueryPlugin, { queryClientConfig: { defaultOptions: { queries: { retry: false } } } }],
      ],
      stubs: { RouterLink: { template: '<a><slot /></a>' } },
    },
  })
  await answered()
  return shown
}

describe('a cell that is opened', () => {
  it('is asked for by its subject and its column, within the matrix that is looked at', async () => {
    const shown = await panel(cell())
    expect(requests.find((one) => one.what === 'GET /api/matrix/cell')?.asked.query).toMatchObject({
      rows: 'GROUPS',
      of: 'group:g-1',
      column: 'f-1',
    })
    expect(shown.find('h2').text()).toBe('Surveyors at Lady Ottoline')
    expect(shown.text()).toContain('Casualties / Lady Ottoline')
    expect(shown.text()).toContain('No entry names it here or further up.')
  })

  it('says which entries give it, for whom, where, and for which types; and that there are more', async () => {
    const shown = await panel(
      cell({
        entries: [
          {
            id: 'e-1',
            kind: 'grant',
            role: 'Reader',
            rights: [],
            types: ['report'],
            place: 'root',
            placeName: 'Repository',
            subjectKind: 'group',
            subjectId: 'g-2',
            subjectName: 'Everyone',
          },
          {
            id: 'e-2',
            kind: 'withholding',
            rights: ['copy'],
            types: [],
            place: 'f-1',
            placeName: 'Lady Ottoline',
            subjectKind: 'group',
            subjectId: 'g-1',
            subjectName: 'Surveyors',
          },
        ],
        moreEntries: 3,
      }),
    )
    const lines = shown.findAll('ul li').map((line) => line.text().replace(/\s+/g, ' '))
    expect(lines[0]).toBe('Reader for Everyone at Repository, only report')
    expect(lines[1]).toBe('Withheld: copy at Lady Ottoline')
    expect(shown.text()).toContain('and 3 more entries')
  })

  it('tells people apart by what they have in fact, opens those who differ, and says how many were asked about', async () => {
    const shown = await panel(
      cell({
        people: [
          { how: 'EXACTLY', rights: ['find', 'read'], count: 7, people: [person('Ann')] },
          { how: 'LESS', rights: [], count: 2, people: [person('Ben'), person('Cor', true)] },
        ],
        reasons: [{ because: 'WALL', people: 2 }],
        differing: 900,
        asked: 500,
      }),
    )
    const groups = shown.findAll('details')
    expect(groups.map((one) => one.attributes('open') !== undefined)).toEqual([false, true])
    expect(groups[0]!.text()).toContain('and 6 more')
    expect(groups[1]!.text()).toContain('outsider')
    expect(shown.text()).toContain('a wall bars 2 people')
    expect(shown.text()).toContain('Of 900 people who have something else, 500 were asked about.')
    expect(shown.findAll('button[aria-label^="Why "]')).toHaveLength(3)
  })

  it('of a type offers no why, since that is asked of a place', async () => {
    const shown = await panel(
      cell({
        column: { kind: 'type', id: 'report', name: 'Report' },
        people: [{ how: 'EXACTLY', rights: ['find'], count: 1, people: [person('Ann')] }],
      }),
    )
    expect(shown.findAll('button[aria-label^="Why "]')).toHaveLength(0)
  })

  it('says what the draft makes of it, and what is strange about it', async () => {
    const shown = await panel(
      cell({ before: [], outlier: { rights: ['find', 'read'], down: { usual: [], alike: 7, of: 8 }, lacks: false } }),
    )
    expect(shown.text()).toContain('The draft makes it so; before, it was nothing.')
    expect(shown.text()).toContain('It has Reader, while 7 of 8 groups like it have nothing here.')
  })

  it('is changed by whoever may, and by nobody else', async () => {
    expect((await panel(cell(), ['access'])).text()).toContain('Change it')
    expect((await panel(cell(), ['audit'])).text()).not.toContain('Change it')
  })

  it('that cannot be shown says so', async () => {
    const shown = await panel(new Refused(404, { title: 'There is no such cell', detail: 'There is no such group.' }))
    expect(shown.find('[role=alert]').text()).toContain('There is no such')
  })
})
