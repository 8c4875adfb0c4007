import { aServer, Refused, requests } from '@/api/testkit'
import { useNotices } from '@/common/useNotices'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import BinDialog from './BinDialog.vue'

const binned = (change: number, name: string, why?: string) => ({ change, name, kind: 'document', where: 'Casualties / C-2417', deletedAt: '2026-11-20T10:00:00Z', until: '2026-12-20T10:00:00Z', ...(why === undefined ? {} : { why }) })

describe('the bin', () => {
  async function dialog(answers: Record<string, () => unknown>) {
    aServer(answers)
    const pinia = createPinia()
    setActivePinia(pinia)
    const page = mount(BinDialog, {
      props: { modelValue: true },
      global: { plugins: [createVuetify(), pinia, VueQueryPlugin], stubs: { VDialog: { template: '<div><slot /></div>' } } },
    })
    await vi.waitFor(() => expect(page.text()).not.toContain('Looking'))
    return page
  }

  it('offers to put back what may be, and says why what may not', async () => {
    const page = await dialog({ 'GET /api/papers/bin': () => ({ items: [binned(7, 'Notes'), binned(8, 'List', 'You may not add this there.')], more: 12 }) })
    expect(page.findAll('button').map((one) => one.text())).toEqual(['Put back', 'Close'])
    expect(page.text()).toContain('You may not add this there.')
    expect(page.text()).toContain('and 12 older ones')
  })

  it('puts back by the number of the change and says where it is', async () => {
    const page = await dialog({ 'GET /api/papers/bin': () => ({ items: [binned(7, 'Notes')], more: 0 }), 'POST /api/papers/bin/7/return': () => undefined })
    const said = vi.spyOn(useNotices(), 'say')
    await page.find('button').trigger('click')
    await vi.waitFor(() => expect(said).toHaveBeenCalledWith('Notes is back in Casualties / C-2417.'))
    expect(requests.map(({ what }) => what)).toContain('POST /api/papers/bin/7/return')
  })

  it('says why it was refused, and can be pressed again', async () => {
    const page = await dialog({ 'GET /api/papers/bin': () => ({ items: [binned(7, 'Notes')], more: 0 }), 'POST /api/papers/bin/7/return': () => new Refused(403, { status: 403, title: 'Not allowed', detail: 'You may not add this there.' }) })
    const failed = vi.spyOn(useNotices(), 'fail')
    await page.find('button').trigger('click')
    await vi.waitFor(() => expect(failed).toHaveBeenCalled())
    await flushPromises()
    expect(page.find('button').attributes('disabled')).toBeUndefined()
  })

  it('says that nothing is in it', async () => {
    const page = await dialog({ 'GET /api/papers/bin': () => ({ items: [], more: 0 }) })
    expect(page.text()).toContain('Nothing is in it.')
  })
})
