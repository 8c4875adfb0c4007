import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import { nextTick } from 'vue'
import { api } from '@/api/client'
import ReviewItems from './ReviewItems.vue'

const item = (number: number) => ({ number, kind: 'GRANT', sentence: `Grant ${number}`, where: '', since: '', people: 1, outsiders: 0, risk: 0, effect: '', takesRole: true, changed: false, comment: '' })
const review = { round: 1, name: 'Spring', due: '2026-12-24T00:00:00Z', askedBy: 'Wenna Carrow', needsComment: false, items: 6, decided: 0 }

describe('the items of one reviewer', () => {
  beforeEach(() => vi.restoreAllMocks())

  async function shown() {
    vi.spyOn(api, 'GET').mockResolvedValue({ data: { round: review, roles: [], items: { total: 6, offset: 0, items: [1, 2, 3, 4, 5, 6].map(item) } }, response: new Response() } as never)
    const page = mount(ReviewItems, { props: { round: 1 }, global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { DateField: true, ReturnDialog: true }, directives: { 'focus-first': {} } } })
    await vi.waitFor(() => expect(page.findAll('ol.items > li')).toHaveLength(6))
    return page
  }
  const chosen = (page: Awaited<ReturnType<typeof shown>>) => page.findAll('ol.items input').map((box) => (box.element as HTMLInputElement).checked)

  it('are chosen one by one, and with Shift all between', async () => {
    const page = await shown()
    const boxes = page.findAll('ol.items input')
    await boxes[1]!.trigger('click')
    await boxes[4]!.trigger('click', { shiftKey: true })
    await nextTick()
    expect(chosen(page)).toEqual([false, true, true, true, true, false])
    await boxes[2]!.trigger('click', { shiftKey: true })
    await nextTick()
    expect(chosen(page)).toEqual([false, true, false, false, false, false])
  })

  it('are chosen by key too', async () => {
    const page = await shown()
    const rows = page.findAll('ol.items > li')
    await rows[5]!.trigger('keydown', { key: ' ' })
    await rows[3]!.trigger('keydown', { key: ' ', shiftKey: true })
    await nextTick()
    expect(chosen(page)).toEqual([false, false, false, true, true, true])
  })
})
