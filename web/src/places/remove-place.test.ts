import { aServer, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import PlaceDialog from './PlaceDialog.vue'

const removal = (...places: string[]) => ({ containers: 2, documents: places.length - 2, links: 0, changes: places.map((place) => ({ kind: 'removePlace', place })) })

describe('removing a place', () => {
  function dialog(found: object) {
    aServer({ 'GET /api/places/f-1/removal': () => found, 'POST /api/draft/changes': () => ({}), 'POST /api/draft/changes/many': () => ({}), 'GET /api/draft': () => ({}) })
    return mount(PlaceDialog, {
      props: { modelValue: true, detail: { place: { id: 'f-1', kind: 'folder' }, nameDrafted: 'Old case', labels: {}, inheritedLabels: [] } as never },
      global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { VDialog: { template: '<div><slot /></div>' }, PlacePicker: true } },
    })
  }
  const pressed = (page: ReturnType<typeof dialog>, title: string) => page.findAll('button').find((one) => one.text() === title)!.trigger('click')

  it('drafts at once what has nothing below it', async () => {
    const page = dialog({ containers: 1, documents: 0, links: 0, changes: [{ kind: 'removePlace', place: 'f-1' }] })
    await pressed(page, 'Remove it')
    await vi.waitFor(() => expect(requests.map(({ what }) => what)).toContain('POST /api/draft/changes'))
  })

  it('says what is below before it drafts all of it, deepest first', async () => {
    const page = dialog(removal('d-2', 'd-1', 'f-2', 'f-1'))
    await pressed(page, 'Remove it')
    await vi.waitFor(() => expect(page.text()).toContain('Below it are 1 folder and 2 documents.'))
    expect(requests.map(({ what }) => what).filter((one) => one.startsWith('POST'))).toEqual([])
    await pressed(page, 'Remove it with everything below')
    await vi.waitFor(() => expect(requests.map(({ what }) => what)).toContain('POST /api/draft/changes/many'))
    const sent = requests.find(({ what }) => what === 'POST /api/draft/changes/many')!.asked.body as { changes: { place: string }[] }
    expect(sent.changes.map((one) => one.place)).toEqual(['d-2', 'd-1', 'f-2', 'f-1'])
  })

  it('drafts nothing if one keeps it', async () => {
    const page = dialog(removal('d-2', 'd-1', 'f-2', 'f-1'))
    await pressed(page, 'Remove it')
    await vi.waitFor(() => expect(page.text()).toContain('Below it are'))
    await pressed(page, 'Keep it')
    expect(page.text()).not.toContain('Below it are')
    expect(requests.map(({ what }) => what).filter((one) => one.startsWith('POST'))).toEqual([])
  })
})
