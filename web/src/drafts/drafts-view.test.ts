import { aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import DraftsView from './DraftsView.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {} }), useRouter: () => ({ push: vi.fn() }) }))

async function draftsView() {
  const shown = mount(DraftsView, { global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { ApprovalRules: true, OpenedDraft: true } } })
  await flushPromises()
  const field = shown.find<HTMLInputElement>('form.begin input')
  const begin = async (name: string) => {
    await field.setValue(name)
    await shown.find('form.begin').trigger('submit')
  }
  return { shown, field, begin }
}

describe('the list of drafts', () => {
  it('empties the name of a draft that was begun, but keeps what was typed meanwhile', async () => {
    let answered = () => {}
    aServer({ 'GET /api/drafts': () => [], 'GET /api/draft': () => ({}), 'POST /api/drafts': () => new Promise((resolve) => (answered = () => resolve({}))) })
    const { field, begin } = await draftsView()
    await begin('Leavers')
    await flushPromises()
    await field.setValue('Case 2431')
    answered()
    await flushPromises()
    expect(field.element.value).toBe('Case 2431')
    await begin('Case 2431')
    await flushPromises()
    answered()
    await flushPromises()
    expect(field.element.value).toBe('')
    expect(requests.filter((asked) => asked.what === 'POST /api/drafts')).toHaveLength(2)
  })

  it('keeps a name that was refused', async () => {
    aServer({
      'GET /api/drafts': () => [],
      'GET /api/draft': () => ({}),
      'POST /api/drafts': () => new Refused(409, { title: 'There is one of that name' }),
    })
    const { field, begin } = await draftsView()
    await begin('Leavers')
    await flushPromises()
    expect(field.element.value).toBe('Leavers')
  })
})
