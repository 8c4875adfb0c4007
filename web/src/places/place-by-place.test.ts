import { aServer } from '@/api/testkit'
import { inSight } from '@/lists/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { createVuetify } from 'vuetify'
import PlaceByPlace from './PlaceByPlace.vue'
import { useWhy } from '@/common/useWhy'

describe('what somebody has, place by place', () => {
  async function list() {
    inSight(12)
    aServer({})
    const pinia = createPinia()
    setActivePinia(pinia)
    const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:id?', name: 'places', component: { template: '<i />' } }] })
    const page = mount(PlaceByPlace, {
      props: {
        person: { id: 'p-mia', name: 'Mia Torrance' },
        label: 'What it keeps from Mia Torrance',
        queryKey: ['x'],
        fetch: () => Promise.resolve({ total: 1, items: [{ place: 'f-1', path: 'Casualties / One', rights: [['find'], ['find', 'read']] }] }),
        heads: ['With this', 'With the other'],
        empty: 'None.',
        drafted: true,
      },
      global: { plugins: [createVuetify(), pinia, router, VueQueryPlugin] },
      attachTo: document.body,
    })
    await vi.waitFor(() => expect(page.findAll('[data-row]')).toHaveLength(1))
    return page
  }

  it('asks why of the person at the place of the line, with the draft in hand', async () => {
    const page = await list()
    await page.findAll('button').find((one) => one.text() === 'why')!.trigger('click')
    expect(useWhy().target).toMatchObject({ person: 'p-mia', place: 'f-1', drafted: true })
  })

  it('begins on the way back, and goes there', async () => {
    const page = await list()
    await flushPromises()
    expect(document.activeElement?.textContent).toBe('All people')
    await page.findAll('button').find((one) => one.text() === 'All people')!.trigger('click')
    expect(page.emitted('back')).toHaveLength(1)
  })

  it('shows as many palings as it has heads', async () => {
    const page = await list()
    expect(page.findAll('[data-row] svg.paling')).toHaveLength(2)
  })
})
