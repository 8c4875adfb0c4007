import { mount, RouterLinkStub } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { createVuetify } from 'vuetify'
import type { Schemas } from '@/api/client'
import DraftTray from './DraftTray.vue'

const draft = ref<Schemas['Draft']>()
vi.mock('./useDraft', () => ({ useDraft: () => ({ draft, isFetching: ref(false), discard: { mutateAsync: vi.fn() } }) }))
const watched = ref<object[]>([])
vi.mock('./useWallWatch', () => ({ useWallWatch: () => ({ notices: watched, more: ref(0) }) }))
vi.mock('vue-router', () => ({ useRoute: () => ({ name: 'places' }), createRouter: vi.fn(), createWebHistory: vi.fn() }))

const TOTALS = { peopleGaining: 12, peopleLosing: 3, places: 40, documents: 418, pairsGaining: 99, pairsLosing: 9, outsidersGaining: 0 }
const ITEM = { id: 1, kind: 'AddGrant', about: 'place', aboutId: 'f', where: 'F', words: 'Give Reader to Mia' }

function drafted(changed: Partial<Schemas['Draft']>): Schemas['Draft'] {
  return {
    id: 1, name: 'Draft', change: 6, version: 1, seen: { change: 6, digest: 'ab'.repeat(32), at: '2026-11-24T10:00:00Z' }, items: [ITEM], totals: TOTALS, lockOuts: 0, authorLosesGovern: 0, withoutEffect: 0, wallConflicts: 0, oddWalls: 0,
    laterInstants: 0, clashes: [], approvalNeeded: [], approvedBy: [],
    ...changed,
  }
}

describe('the tray', () => {
  const tray = () =>
    mount(DraftTray, { global: { plugins: [createVuetify()], stubs: { RouterLink: RouterLinkStub, VDialog: true } } })

  beforeEach(() => {
    draft.value = undefined
    watched.value = []
  })

  it('says what it is for while nothing is drafted', () => {
    expect(tray().text()).toContain('Nothing drafted.')
  })

  it('counts what the draft would do', () => {
    draft.value = drafted({})
    expect(tray().text().replace(/\s+/g, ' ')).toContain('1 change · 12 people gain, 3 lose · 40 places · 418 documents')
  })

  it('opens every number to what it counts', () => {
    draft.value = drafted({ lockOuts: 1, totals: { ...TOTALS, outsidersGaining: 2 } })
    const links = tray().findAllComponents(RouterLinkStub).map((link) => [link.text(), (link.props('to') as { query?: object }).query])
    expect(links).toContainEqual(['12 people gain', { view: 'people', show: 'GAINS' }])
    expect(links).toContainEqual(['3 lose', { view: 'people', show: 'LOSSES' }])
    expect(links).toContainEqual(['2 outsiders gain', { view: 'people', show: 'OUTSIDERS' }])
    expect(links).toContainEqual(['1 place left without a keeper', { view: 'lock-outs', show: 'ALL' }])
  })

  it('says so if nothing changes now but something will', () => {
    draft.value = drafted({ totals: { ...TOTALS, places: 0, peopleGaining: 0, peopleLosing: 0, documents: 0 }, laterInstants: 1 })
    expect(tray().text().replace(/\s+/g, ' ')).toContain('changes nothing now, but later')
  })

  it('warns of clashes and of changes that can no longer be made', () => {
    draft.value = drafted({
      items: [{ ...ITEM, problem: 'The place does not exist any more.' }],
      clashes: [{ change: 7, author: 'Teodor', at: '2026-11-24T10:00:00Z', note: 'n', what: 'F' }],
    })
    expect(tray().text()).toContain('somebody changed the same meanwhile')
    expect(tray().text()).toContain('1 change can no longer be made')
  })

  it('says what is against the purpose of a wall, to whoever is told of it', () => {
    draft.value = drafted({})
    expect(tray().text()).not.toContain('wall’s purpose')
    watched.value = [{}, {}]
    expect(tray().text()).toContain('2 things against a wall’s purpose')
  })
})
