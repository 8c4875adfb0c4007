import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { createVuetify } from 'vuetify'
import { aServer, Refused, requests } from '@/api/testkit'
import { queryClient } from '@/common/queries'
import PassView from './PassView.vue'

const OFFERED = { place: 'Letter', role: 'Reader', rights: ['find', 'read'], maker: 'Mia', open: false }

/** A pass at its address (section 11): an error names its own cause. */
describe('a pass', () => {
  async function pass(answers: Parameters<typeof aServer>[0]) {
    aServer(answers)
    queryClient.clear()
    const pinia = createPinia()
    setActivePinia(pinia)
    const empty = { template: '<div />' }
    const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/pass/:id', name: 'pass', component: empty }, { path: '/papers/:id', name: 'papers', component: empty }] })
    await router.push('/pass/pa-1')
    const page = mount(PassView, { global: { plugins: [createVuetify(), pinia, router, [VueQueryPlugin, { queryClient }]] } })
    await vi.waitFor(() => expect(page.text()).not.toContain('Finding out what'))
    return { page, router }
  }

  it('says that there is none only if there is none', async () => {
    const none = await pass({ 'GET /api/papers/passes/pa-1': () => new Refused(404, { status: 404, title: 'Not there', detail: 'There is no pass.' }) })
    expect(none.page.text()).toContain('There is no such pass')
    const broken = await pass({ 'GET /api/papers/passes/pa-1': () => new Refused(429, { status: 429, title: 'Too many', detail: 'Wait a minute.' }) })
    expect(broken.page.text()).toContain('Wait a minute.')
    expect(broken.page.text()).not.toContain('no such pass')
  })

  it('opens with a press and leads to the place', async () => {
    const { page, router } = await pass({ 'GET /api/papers/passes/pa-1': () => OFFERED, 'POST /api/papers/passes/pa-1/opening': () => ({ place: 'd-1' }) })
    await page.find('button').trigger('click')
    await vi.waitFor(() => expect(router.currentRoute.value.fullPath).toBe('/papers/d-1'))
    expect(requests.some(({ what }) => what === 'POST /api/papers/passes/pa-1/opening')).toBe(true)
  })

  it('says from when it opens, and offers nothing before', async () => {
    const { page } = await pass({ 'GET /api/papers/passes/pa-1': () => ({ ...OFFERED, from: '2999-01-05T12:00:00Z', why: 'This pass cannot be opened yet. Open it once it has begun.' }) })
    expect(page.text()).toContain('2999')
    expect(page.find('button').exists()).toBe(false)
  })
})
