import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { mount, RouterLinkStub } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { sentence } from './sentence'
import WhyStages from './WhyStages.vue'

function step(changed: Partial<Schemas['Step']>): Schemas['Step'] {
  return { number: 2, title: 'grants', before: [], after: [], reason: 'A sentence.', acting: [], guards: [], ...changed }
}

function drawn(...stages: Schemas['Step'][]) {
  const queryClient = new QueryClient()
  queryClient.setQueryData(['session'], { account: { rooms: ['people'] } })
  return mount(WhyStages, { props: { stages }, global: { plugins: [[VueQueryPlugin, { queryClient }]], stubs: { RouterLink: RouterLinkStub } } })
}

const ENTRY: Schemas['EntryView'] = {
  id: 'e', kind: 'grant', place: 'lib', placeName: 'Casualties', subjectKind: 'group', subjectId: 'g', subjectName: 'Adjusters',
  role: 'Preparer', rights: ['find', 'read'], types: ['Valuation'], typeIds: ['valuation'], pass: false,
}

describe('the stages of a why', () => {
  it('say their sentence each and mark those that changed the set', () => {
    const panel = drawn(step({ number: 0, title: 'active' }), step({ after: ['find'] }))
    expect(panel.findAll('[data-stage]').map((stage) => stage.attributes('data-changed'))).toEqual(['false', 'true'])
    expect(panel.text()).toContain('A sentence.')
  })

  it('draw a plate where a wall bars, and give its reason only if it was told', () => {
    const wall = { kind: 'wall', id: 'w', words: 'the screen', paths: [], morePaths: false }
    const hidden = drawn(step({ number: 1, title: 'walls', guards: [wall] }))
    expect(hidden.find('[data-state="walled"]').exists()).toBe(true)
    expect(hidden.text()).not.toContain('Reason')
    expect(drawn(step({ number: 1, title: 'walls', guards: [{ ...wall, reason: 'kin' }] })).text()).toContain('Reason: kin')
  })

  it('name the entry, where it comes from, and the chain of memberships', () => {
    const panel = drawn(step({ acting: [{ entry: ENTRY, here: false, morePaths: true, paths: [[{ kind: 'group', id: 't', name: 'Trainees' }, { kind: 'group', id: 'g', name: 'Adjusters' }]] }] }))
    expect(panel.text()).toContain('Preparer to Adjusters, for Valuation only')
    expect(panel.text()).toMatch(/by way of\s*Trainees\s*inside\s*Adjusters/)
    expect(panel.findAllComponents(RouterLinkStub).map((link) => (link.props('to') as { params: { id: string } }).params.id)).toEqual(['g', 'lib', 't', 'g'])
    // Drawn: from the person to the first group, and from that to the next.
    expect(panel.findAll('.chain svg')).toHaveLength(2)
    expect(panel.find('.chain svg circle').exists()).toBe(true)
    expect(panel.text()).toContain('more chains than are listed')
  })
})

describe('the sentence of an entry', () => {
  it('says what is withheld from whom', () => {
    expect(sentence({ ...ENTRY, kind: 'withholding', rights: ['copy'], types: [] })).toBe('copy withheld from Adjusters')
  })
})
