import { mount, RouterLinkStub } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import type { Schemas } from '@/api/client'
import AccessListTable from './AccessListTable.vue'

const session = vi.hoisted(() => ({ rooms: ['people', 'places'] }))
vi.mock('@/session/useSession', () => ({ useSession: () => ({ rooms: { value: session.rooms } }) }))

type Line = Schemas['AccessLine']

function line(changed: Partial<Omit<Line, 'entry'>> & { entry?: Partial<Line['entry']> }): Line {
  const { entry, ...rest } = changed
  return {
    own: true, state: 'ACTS', people: 7, outsiders: 0, drafted: 'NO', ...rest,
    entry: {
      id: 'e', kind: 'grant', place: 'lib', placeName: 'Casualties', subjectKind: 'group', subjectId: 'g', subjectName: 'Surveyors',
      role: 'Reader', rights: ['find', 'read'], types: [], typeIds: [], pass: false, ...entry,
    },
  }
}

describe('the access list', () => {
  const table = (lines: Line[], mayChange = true) =>
    mount(AccessListTable, {
      props: { place: 'f', lines, mayChange },
      global: { plugins: [createVuetify()], stubs: { RouterLink: RouterLinkStub, PeopleBehindDialog: true } },
    })

  it('names the place that a line from above comes from and leads there', () => {
    const shown = table([line({ own: false })])
    const place = shown.findAllComponents(RouterLinkStub).find((link) => link.text() === 'Casualties')
    expect(place?.props('to')).toEqual({ name: 'places', params: { id: 'lib' } })
  })

  it('leads to a group or a person that a line names, for whoever has their room', () => {
    const names = (shown: ReturnType<typeof table>) => shown.findAllComponents(RouterLinkStub).filter((link) => link.text() === 'Surveyors')
    expect(names(table([line({})]))[0]?.props('to')).toEqual({ name: 'people', params: { view: 'groups', id: 'g' } })
    expect(names(table([line({ entry: { subjectKind: 'unit' } })]))).toHaveLength(0)
    session.rooms = ['places']
    expect(names(table([line({})]))).toHaveLength(0)
    session.rooms = ['people', 'places']
  })

  it('lets own lines be removed, and lines from above not', () => {
    const shown = table([line({}), line({ own: false, entry: { id: 'above' } })])
    expect(shown.findAll('[aria-label^="Remove"]')).toHaveLength(1)
  })

  it('lets an auditor remove nothing', () => {
    expect(table([line({})], false).findAll('[aria-label^="Remove"]')).toHaveLength(0)
  })

  it('tells which line goes', async () => {
    const shown = table([line({ entry: { id: 'mine' } })])
    await shown.find('[aria-label="Remove Reader of Surveyors"]').trigger('click')
    expect((shown.emitted('remove')?.[0]?.[0] as Line).entry.id).toBe('mine')
  })

  it('sets outsiders apart and says why a line does nothing', () => {
    const shown = table([line({ outsiders: 3 }), line({ state: 'ENDED', entry: { id: 'x' } }), line({ state: 'NOBODY', entry: { id: 'y' } })])
    expect(shown.text()).toContain('3 outsiders')
    expect(shown.text()).toContain('has ended')
    expect(shown.text()).toContain('nobody is in it')
  })

  it('shows what the draft adds, removes and stops', () => {
    const shown = table([line({ drafted: 'ADDED' }), line({ drafted: 'REMOVED', entry: { id: 'x' } }), line({ own: false, drafted: 'REMOVED', entry: { id: 'y' } })])
    expect(shown.text()).toContain('added by your draft')
    expect(shown.text()).toContain('removed by your draft')
    expect(shown.text()).toContain('stopped by your draft')
    expect(shown.findAll('[aria-label^="Remove"]')).toHaveLength(0)
  })

  it('draws a withholding with gaps and names what it withholds', () => {
    const shown = table([line({ entry: { kind: 'withholding', role: undefined, rights: ['copy', 'revise'] } })])
    expect(shown.find('[data-state=withheld]').attributes('data-rights')).toBe('copy revise')
    expect(shown.text()).toContain('withholds copy and revise')
  })

  it('says so if nobody has access', () => {
    expect(table([]).text()).toContain('nobody has any access')
  })

  const who = (shown: ReturnType<typeof table>) => shown.findAll('tbody .who').map((one) => one.text())
  const named = (names: string[]) => names.map((subjectName, i) => line({ people: i, entry: { id: subjectName, subjectName } }))

  it('keeps the order in which lines act until it is sorted, and turns an order round', async () => {
    const shown = table(named(['Surveyors', 'Accounts', 'Management']))
    expect(who(shown)).toEqual(['Surveyors', 'Accounts', 'Management'])
    const sorter = shown.findAll('th button').find((one) => one.text() === 'Who')!
    await sorter.trigger('click')
    expect(who(shown)).toEqual(['Accounts', 'Management', 'Surveyors'])
    await sorter.trigger('click')
    expect(who(shown)).toEqual(['Surveyors', 'Management', 'Accounts'])
    expect(shown.find('th[aria-sort=descending]').text()).toBe('Who')
  })

  it('sorts the lines with the most people first', async () => {
    const shown = table(named(['None', 'One', 'Two']))
    await shown.findAll('th button').find((one) => one.text() === 'People')!.trigger('click')
    expect(who(shown)).toEqual(['Two', 'One', 'None'])
  })

  it('finds lines by whom they name, by the role, by the place and by the note', async () => {
    const shown = table([...named(['A', 'B', 'C', 'D']), line({ entry: { id: 'n', subjectName: 'E', note: 'until the audit' } }), line({ own: false, entry: { id: 'p', subjectName: 'F', placeName: 'Old cases', role: 'Keeper' } })])
    const field = shown.find('input:not([type=checkbox])')
    for (const [text, names] of [['audit', ['E']], ['old', ['F']], ['keeper', ['F']], ['b', ['B']], ['nothing like it', []]] as const) {
      await field.setValue(text)
      expect(who(shown)).toEqual(names)
    }
    expect(shown.text()).toContain('No line has “nothing like it” in it.')
  })

  it('draws of a very long list only a part, and keeps the height of the rest', () => {
    const shown = table(named(Array.from({ length: 900 }, (_, i) => `Group ${i}`)))
    expect(who(shown).length).toBeLessThan(100)
    expect(shown.find('tbody tr[aria-hidden]').attributes('style')).toContain('height')
  })
})
