import { mount, RouterLinkStub } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { createVuetify } from 'vuetify'
import type { Schemas } from '@/api/client'
import AccessListTable from './AccessListTable.vue'

type Line = Schemas['AccessLine']

function line(changed: Partial<Omit<Line, 'entry'>> & { entry?: Partial<Line['entry']> }): Line {
  const { entry, ...rest } = changed
  return {
    own: true, state: 'ACTS', people: 7, outsiders: 0, drafted: 'NO', ...rest,
    entry: {
      id: 'e', kind: 'grant', place: 'lib', placeName: 'Casualties', subjectKind: 'group', subjectId: 'g', subjectName: 'Surveyors',
      role: 'Reader', rights: ['find', 'read'], types: [], typeIds: [], ...entry,
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
    expect(shown.findComponent(RouterLinkStub).text()).toBe('Casualties')
    expect(shown.findComponent(RouterLinkStub).props('to')).toEqual({ name: 'places', params: { id: 'lib' } })
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
    expect(shown.findAll('[data-state=withheld]')).toHaveLength(2)
    expect(shown.text()).toContain('withholds copy and revise')
  })

  it('says so if nobody has access', () => {
    expect(table([]).text()).toContain('nobody has any access')
  })
})
