import { aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import type { Schemas } from '@/api/client'
import { inSight } from '@/lists/testkit'
import PutInForceForm from './PutInForceForm.vue'

const push = vi.fn<(to: object) => Promise<void>>(() => Promise.resolve())
vi.mock('vue-router', () => ({ useRouter: () => ({ push }), createRouter: vi.fn(), createWebHistory: vi.fn() }))

const TOTALS = { peopleGaining: 1, peopleLosing: 0, places: 4, documents: 3, pairsGaining: 4, pairsLosing: 0, outsidersGaining: 0 }
const SEEN = { change: 6, digest: 'ab'.repeat(32), at: '2026-11-24T10:00:00Z' }
const CLASH = { change: 7, author: 'Teodor Brask', at: '2026-11-24T10:00:00Z', note: 'for the audit', what: 'the group Surveyors' }

function drafted(changed: Partial<Schemas['Draft']> = {}): Schemas['Draft'] {
  return {
    id: 4, name: 'Draft', change: 6, version: 3, seen: SEEN, items: [], totals: TOTALS, lockOuts: 0, authorLosesGovern: 0, withoutEffect: 0, wallConflicts: 0, oddWalls: 0,
    laterInstants: 0, clashes: [], approvalNeeded: [], approvedBy: [],
    ...changed,
  }
}

describe('putting in force', () => {
  beforeEach(() => {
    inSight(10)
    push.mockClear()
    aServer({ 'POST /api/draft/in-force': () => ({ change: 8 }), 'GET /api/draft': () => drafted(), 'POST /api/draft/renewal': () => drafted() })
  })
  afterEach(() => vi.restoreAllMocks())

  async function form(changed: Partial<Schemas['Draft']> = {}) {
    const shown = mount(PutInForceForm, {
      props: { draft: drafted(changed) },
      global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { RouterLink: RouterLinkStub } },
    })
    await flushPromises()
    return shown
  }
  type Form = Awaited<ReturnType<typeof form>>
  const button = (shown: Form) => shown.find('button[type=submit]')
  const sent = () => requests.filter(({ what }) => what === 'POST /api/draft/in-force').map(({ asked }) => asked.body as Schemas['PutInForce'])

  async function send(shown: Form, why: string) {
    await shown.find('input[type=text]').setValue(why)
    await shown.find('form').trigger('submit')
    await vi.waitFor(() => expect(sent().length).toBeGreaterThan(0))
    await flushPromises()
  }

  it('needs a note that says why', async () => {
    const shown = await form()
    expect(button(shown).attributes('disabled')).toBeDefined()
    await shown.find('input[type=text]').setValue('   ')
    expect(button(shown).attributes('disabled')).toBeDefined()
    await shown.find('input[type=text]').setValue('Mia reads the contracts')
    expect(button(shown).attributes('disabled')).toBeUndefined()
  })

  it('needs a place without a keeper to be meant', async () => {
    const shown = await form({ lockOuts: 2 })
    await shown.find('input[type=text]').setValue('closing the archive')
    expect(shown.text()).toContain('2 places left without a keeper: this is meant')
    expect(button(shown).attributes('disabled')).toBeDefined()
    await shown.find('input[type=checkbox]').setValue(true)
    expect(button(shown).attributes('disabled')).toBeUndefined()
    await send(shown, 'closing the archive')
    expect(sent()[0]).toMatchObject({ version: 3, seen: SEEN, acceptLockOuts: true })
  })

  it('shows the change in the journal once it is in force', async () => {
    await send(await form(), 'Mia reads the contracts')
    await vi.waitFor(() => expect(push).toHaveBeenCalledWith({ name: 'journal', params: { number: 8 } }))
    expect(sent()[0]).toMatchObject({ version: 3, note: 'Mia reads the contracts', acceptLockOuts: false })
  })

  it('names the request: what is sent twice is carried out once', async () => {
    const shown = await form()
    await send(shown, 'once')
    await shown.find('form').trigger('submit')
    await vi.waitFor(() => expect(sent().length).toBe(2))
    expect(sent()[0]!.request).toBeTruthy()
    expect(sent()[1]!.request).toBe(sent()[0]!.request)
    await send(await form(), 'another form')
    expect(sent().at(-1)!.request).not.toBe(sent()[0]!.request)
  })

  it('keeps the note and says every fault when it is refused', async () => {
    aServer({
      'POST /api/draft/in-force': () =>
        new Refused(422, {
          status: 422,
          title: 'Not accepted',
          detail: 'Two changes can no longer be made.',
          faults: [
            { place: 'change 1', what: 'The place is gone.', remedy: 'Take the change out.' },
            { place: 'change 2', what: 'The group is gone.', remedy: 'Choose another.' },
          ],
        }),
      'GET /api/draft': () => drafted(),
    })
    const shown = await form()
    await send(shown, 'Mia reads the contracts')
    await vi.waitFor(() => expect(shown.find('.fault[role=alert]').exists()).toBe(true))
    expect(shown.find('.fault[role=alert]').text()).toContain('Two changes can no longer be made.')
    expect(shown.find('.fault[role=alert]').text()).toContain('change 1: The place is gone. Take the change out.')
    expect(shown.find('.fault[role=alert]').text()).toContain('change 2: The group is gone. Choose another.')
    expect(shown.find<HTMLInputElement>('input[type=text]').element.value).toBe('Mia reads the contracts')
    expect(push).not.toHaveBeenCalled()
  })

  it('lists what somebody else changed, and waits until that has been seen', async () => {
    const shown = await form({ clashes: [CLASH, { ...CLASH, change: 9, what: 'the place Casualties' }] })
    await vi.waitFor(() => expect(shown.findAll('[data-row]').length).toBe(2))
    expect(shown.findAll('[data-row]')[0]!.text()).toContain('Teodor Brask changed the group Surveyors with change 7')
    expect(shown.find('button[type=submit]').exists()).toBe(false)
    await shown.findAll('button').find((one) => one.text().includes('I have seen it'))!.trigger('click')
    await vi.waitFor(() => expect(requests.map(({ what }) => what)).toContain('POST /api/draft/renewal'))
  })

  it('says who has approved, and why somebody else still has to', async () => {
    expect((await form({ approvalNeeded: ['rights change in Board papers'] })).text()).toContain('Somebody else has to approve this first, because rights change in Board papers.')
    const both = (await form({ approvalNeeded: ['it takes the duty types'], approvedBy: ['Teodor Brask'] })).text()
    expect(both).toContain('because it takes the duty types')
    expect(both).toContain('Approved by Teodor Brask.')
  })

  it('shows what was seen against what would be now, when that is not the same', async () => {
    aServer({
      'POST /api/draft/in-force': () =>
        new Refused(409, {
          status: 409,
          type: 'urn:palegate:problem:difference-moved',
          title: 'Other',
          detail: 'Nothing was done.',
          totalsSeen: TOTALS,
          totalsNow: { ...TOTALS, peopleGaining: 2, outsidersGaining: 1 },
          people: [{ person: 'Nell Hark', outsider: true, now: { placesGaining: 4, placesLosing: 0, gained: ['find', 'read'], lost: [] } }],
          peopleInAll: 1,
        }),
      'GET /api/draft': () => drafted(),
    })
    const shown = await form()
    await send(shown, 'Mia reads the contracts')
    await vi.waitFor(() => expect(shown.find('table.other').exists()).toBe(true))
    expect(shown.find('table.other').text()).toContain('Outsiders who gain01')
    expect(shown.find('.fault[role=alert]').text()).toContain('Nell Hark, an outsider: gains find and read at 4 places now; you saw nothing.')
  })

  it('waits until it has been looked at again, if what the draft does becomes something else on the screen', async () => {
    const shown = await form()
    await shown.find('input[type=text]').setValue('Mia reads the contracts')
    await shown.setProps({ draft: drafted({ seen: { ...SEEN, change: 7, digest: 'cd'.repeat(32) } }) })
    expect(button(shown).attributes('disabled')).toBeDefined()
    await shown.findAll('button').find((one) => one.text().includes('I have looked at it again'))!.trigger('click')
    expect(button(shown).attributes('disabled')).toBeUndefined()
    await send(shown, 'Mia reads the contracts')
    expect(sent()[0]!.seen.digest).toBe('cd'.repeat(32))
  })

  it('finds out by the name of the request whether it was put in force, when the answer got lost', async () => {
    aServer({
      'POST /api/draft/in-force': () => new Refused(500, { status: 500, title: 'Broken', detail: 'It is not known.' }),
      'GET /api/draft': () => drafted(),
      'GET /api/draft/in-force/r-1': () => ({ change: 12 }),
    })
    vi.spyOn(crypto, 'randomUUID').mockReturnValue('r-1' as ReturnType<typeof crypto.randomUUID>)
    await send(await form(), 'Mia reads the contracts')
    await vi.waitFor(() => expect(push).toHaveBeenCalledWith({ name: 'journal', params: { number: 12 } }))
  })
})
