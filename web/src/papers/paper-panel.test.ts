import { aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import type { Schemas } from '@/api/client'
import { useNotices } from '@/common/useNotices'
import PaperPanel from './PaperPanel.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {} }), useRouter: () => ({ push: vi.fn() }) }))

const paper = (acts: Schemas['PaperOffer'][], more: object = {}) =>
  ({
    paper: { id: 'd-1', name: 'Survey', kind: 'document', type: 'Report', rights: ['find', 'read'], conditions: [], passage: false },
    path: [
      { id: 'root', name: 'Repository' },
      { id: 'f-1', name: 'Case' },
      { id: 'd-1', name: 'Survey' },
    ],
    fields: [{ field: { key: 'sheet', label: 'Sheet', kind: 'TEXT', choices: [], required: false, hidden: false }, value: '7' }],
    others: { case: 'C-1' },
    acts,
    versions: [],
    addsFolders: false,
    adds: [],
    ...more,
  }) as unknown as Schemas['PaperDetail']

async function panel(detail: Schemas['PaperDetail']) {
  const pinia = createPinia()
  const shown = mount(PaperPanel, { props: { detail }, global: { directives: { focusFirst: {} }, plugins: [createVuetify(), pinia, VueQueryPlugin], stubs: { RouterLink: { template: '<a><slot /></a>' }, PaperContent: true } } })
  await flushPromises()
  return { shown, notices: useNotices(pinia) }
}

describe('what one may do with a paper', () => {
  it('offers just that, and says of the rest why not', async () => {
    aServer({})
    const { shown } = await panel(paper([{ act: 'OPEN' }, { act: 'DESCRIBE' }, { act: 'DELETE', why: 'You may not delete this.' }]))
    expect(shown.findAll('.acts .v-btn').map((button) => button.text())).toEqual(['Describe …'])
    expect(shown.text()).toContain('1 thing you may not do here')
    expect(shown.find('.refused').text()).toContain('You may not delete this.')
    expect(shown.find('dl').text()).toContain('Sheet7')
  })

  it('sends the whole description, with the labels that are no fields', async () => {
    aServer({ 'POST /api/papers/places/d-1/description': () => ({}) })
    const { shown } = await panel(paper([{ act: 'DESCRIBE' }]))
    await shown.find('.acts .v-btn').trigger('click')
    await shown.find('form').trigger('submit')
    await flushPromises()
    expect(requests[0]?.asked.body).toEqual({ name: 'Survey', labels: { case: 'C-1', sheet: '7' } })
  })

  it('asks before it deletes, goes up afterwards, and stays where it was refused', async () => {
    aServer({ 'DELETE /api/papers/places/d-1': () => ({}) })
    const { shown } = await panel(paper([{ act: 'DELETE' }]))
    await shown.find('.acts .v-btn').trigger('click')
    expect(requests).toHaveLength(0)
    await shown.find('[role=alertdialog] .v-btn').trigger('click')
    await vi.waitFor(() => expect(shown.emitted('gone')).toEqual([['f-1']]))
    aServer({ 'DELETE /api/papers/places/d-1': () => new Refused(409, { title: 'It is not empty', detail: 'Delete what is in it first.' }) })
    const again = await panel(paper([{ act: 'DELETE' }]))
    await again.shown.find('.acts .v-btn').trigger('click')
    await again.shown.find('[role=alertdialog] .v-btn').trigger('click')
    await vi.waitFor(() => expect(again.notices.failed).toBe(true))
    expect(again.shown.emitted('gone')).toBeUndefined()
  })

  it('says of a place that only leads on that it does', async () => {
    aServer({})
    const { shown } = await panel(paper([], { paper: { id: 'f-1', name: 'Case', kind: 'folder', rights: [], conditions: [], passage: true } }))
    expect(shown.text()).toContain('it only leads to something that you can')
    expect(shown.findAll('.acts')).toHaveLength(0)
  })
})
