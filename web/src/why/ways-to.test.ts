import { mount } from '@vue/test-utils'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import type { Schemas } from '@/api/client'
import { answered, aServer } from '@/api/testkit'
import WaysTo from './WaysTo.vue'

type Way = Schemas['Way']

const found = { answer: {} as unknown, drafted: [] as unknown[], mayChange: true }

const way = (changed: Partial<Way>): Way => ({ words: 'grant Reader at Casualties', changes: [{ kind: 'addGrant' }], otherPeople: 0, otherPairs: 0, documents: 0, lockOuts: 0, ...changed }) as Way

describe('ways to a right', () => {
  beforeEach(() => {
    found.drafted = []
    found.mayChange = true
  })

  async function asked(ways: Way[], impossible?: string) {
    found.answer = { ways, impossible }
    aServer({
      'GET /api/why/ways': () => found.answer,
      'GET /api/draft': () => ({ items: [] }),
      'POST /api/draft/changes': ({ body }) => {
        found.drafted.push(body)
        return { items: [] }
      },
    })
    const queryClient = new QueryClient()
    queryClient.setQueryData(['session'], { account: { rooms: [], duties: [], mayDraft: found.mayChange } })
    const shown = mount(WaysTo, {
      props: { person: 'p-mia', place: 'f-1', held: ['find'] },
      global: { plugins: [createVuetify(), createPinia(), [VueQueryPlugin, { queryClient }]] },
    })
    await shown.findAll('.rights button')[1]!.trigger('click')
    await answered()
    return shown
  }

  it('are asked for by the right: what is held can be taken, what is missing given', async () => {
    const shown = await asked([])
    const words = shown.findAll('.rights button').map((one) => one.text().replace(/\s+/g, ' '))
    expect(words[0]).toBe('− find')
    expect(words.slice(1).every((one) => one.startsWith('+'))).toBe(true)
  })

  it.each([
    [{}, 'touches nobody and nothing else'],
    [{ otherPairs: 1 }, 'also changes what the same person has at 1 other place'],
    [{ otherPeople: 1, otherPairs: 12 }, 'also changes 1 other person, 12 people at places in all'],
    [{ otherPeople: 40, otherPairs: 1200, documents: 30 }, 'also changes 40 other people, 1,200 people at places in all · 30 documents'],
    [{ lockOuts: 2 }, 'touches nobody and nothing else · 2 places left without a keeper'],
  ])('say what else they change: %o', async (effects, words) => {
    const shown = await asked([way(effects)])
    expect(shown.find('li .quiet').text()).toBe(words)
  })

  it('begin like a sentence and are counted for those who hear them', async () => {
    const shown = await asked([way({}), way({ words: 'take the withholding away' })])
    expect(shown.findAll('li p:first-child').map((one) => one.text())).toEqual(['Grant Reader at Casualties.', 'Take the withholding away.'])
    expect(shown.find('.sr').text()).toBe(`2 ways to give ${shown.findAll('.rights button')[1]!.text().replace(/^\+\s*/, '')}`)
  })

  it('say why there is none', async () => {
    const shown = await asked([], 'A wall keeps Mia out, and has no exception.')
    expect(shown.find('[role=status]').text()).toBe('A wall keeps Mia out, and has no exception.')
    expect(shown.findAll('li')).toHaveLength(0)
  })

  it('go into the draft with all their steps, in order', async () => {
    const shown = await asked([way({ changes: [{ kind: 'removeWithholding' }, { kind: 'addGrant' }] as Way['changes'] })])
    await shown.find('li .linklike').trigger('click')
    await vi.waitFor(() => expect(found.drafted).toHaveLength(2))
    expect(found.drafted).toEqual([{ kind: 'removeWithholding' }, { kind: 'addGrant' }])
  })

  it('are only told where they need another duty or nothing may be changed', async () => {
    expect((await asked([way({ changes: [] })])).find('li .linklike').exists()).toBe(false)
    found.mayChange = false
    expect((await asked([way({})])).find('li .linklike').exists()).toBe(false)
  })
})
