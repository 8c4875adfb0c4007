import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import { aServer, Refused, requests } from '@/api/testkit'
import type { WhyTarget } from '@/common/useWhy'
import WhyAnswer from './WhyAnswer.vue'

const WHY = {
  person: { id: 'p-mia', name: 'Mia Torrance', external: false, active: true },
  place: 'lib-acc', path: 'Accounts / New Fee note', at: '2026-11-24T10:00:00Z', drafted: false, rights: ['find', 'read'], standing: ['find', 'read'], walled: false, stages: [], silent: [],
}

/** Why, asked of what is there, of what is not there yet and of what is only being thought of. */
describe('why', () => {
  async function asked(target: WhyTarget, said: unknown = WHY) {
    aServer({ 'GET /api/why': () => said, 'POST /api/draft/preview/why': () => said })
    const page = mount(WhyAnswer, {
      props: { target },
      global: {
        plugins: [createVuetify(), createPinia(), [VueQueryPlugin, { queryClientConfig: { defaultOptions: { queries: { retry: false } } } }]],
        stubs: { WaysTo: { template: '<i class="ways" />' }, PersonName: { template: '<b />' } },
      },
    })
    await vi.waitFor(() => expect(page.text()).not.toContain('Working it out'))
    return page
  }

  it('offers what it would take of what is there', async () => {
    const page = await asked({ person: 'p-mia', place: 'lib-acc' })
    expect(page.find('.ways').exists()).toBe(true)
    expect(requests[0]!.asked.query).toEqual({ person: 'p-mia', place: 'lib-acc' })
  })

  it('asks of a document that is not there yet by its type, and offers nothing there', async () => {
    const page = await asked({ person: 'p-mia', place: 'lib-acc', type: 'fee', drafted: false })
    expect(requests[0]!.asked.query).toEqual({ person: 'p-mia', place: 'lib-acc', type: 'fee', drafted: 'false' })
    expect(page.text()).toContain('New Fee note')
    expect(page.find('.ways').exists()).toBe(false)
  })

  it('asks of changes that are not drafted with the changes, and says so', async () => {
    const changes = [{ kind: 'break' as const, place: 'lib-acc', start: 'EMPTY' as const }]
    const page = await asked({ person: 'p-mia', place: 'lib-acc', changes, after: true }, { ...WHY, drafted: true })
    expect(requests[0]).toEqual({ what: 'POST /api/draft/preview/why', asked: { body: { person: 'p-mia', place: 'lib-acc', changes, after: true }, query: {} } })
    expect(page.text()).toContain('as it would be with this')
    expect(page.find('.ways').exists()).toBe(false)
  })

  it('says what went wrong', async () => {
    const page = await asked({ person: 'p-mia', place: 'lib-acc' }, new Refused(404, { status: 404, title: 'Not there', detail: 'There is no place [lib-acc].' }))
    expect(page.find('[role=alert]').text()).toBe('There is no place [lib-acc].')
  })
})
