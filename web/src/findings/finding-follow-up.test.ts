import { answered, aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import FindingFollowUp from './FindingFollowUp.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {}, query: {} }), useRouter: () => ({ push: vi.fn() }) }))

const KEY = 'group-empty group:g-ice'
const NOBODY = { mayAssign: true, comments: [] }
const held = (more: object) => ({ login: 'ola', name: 'Ola', mine: false, gone: false, by: 'Wenna', at: '2026-11-28T09:00:00Z', ...more })

async function care(said: object, duties = ['access'], more: Record<string, (asked: { body: unknown }) => unknown> = {}) {
  aServer({
    'GET /api/session': () => ({ account: { login: 'wenna', name: 'Wenna', duties, rooms: [], mayDraft: true }, demo: [] }),
    'GET /api/findings/follow-up': () => said,
    'GET /api/drafts/colleagues': () => [{ login: 'ola', name: 'Ola' }],
    ...more,
  })
  const shown = mount(FindingFollowUp, { props: { findingKey: KEY }, global: { plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { VAutocomplete: { props: ['modelValue', 'items'], emits: ['update:modelValue'], template: '<div class="pick" @click="$emit(\'update:modelValue\', items[0]?.login)" />' } } } })
  await answered()
  return shown
}
const sent = (what: string) => requests.find((one) => one.what === what)?.asked
const buttons = (shown: Awaited<ReturnType<typeof care>>) => shown.findAll('.acts button').map((button) => button.text())

describe('the follow-up of a finding', () => {
  it('is nobody until somebody takes it up', async () => {
    const shown = await care(NOBODY, ['access'], { 'POST /api/findings/assignment': () => ({ ...NOBODY, assignment: held({ login: 'wenna', name: 'Wenna', mine: true }) }) })
    expect(shown.text()).toContain('Assigned to nobody.')
    expect(buttons(shown)).toEqual(['Take it on', 'Assign it …'])
    await shown.find('.acts button').trigger('click')
    await vi.waitFor(() => expect(sent('POST /api/findings/assignment')?.body).toEqual({ key: KEY, login: 'wenna' }))
  })

  it('is said with who gave it, to whom it was given', async () => {
    expect((await care({ ...NOBODY, mayAssign: false, assignment: held({ login: 'wenna', name: 'Wenna', mine: true, by: 'Ola' }) })).text()).toContain('Assigned to you by Ola, 28 Nov 2026.')
    expect((await care({ ...NOBODY, assignment: held({ login: 'wenna', name: 'Wenna', mine: true }) })).text()).toContain('Assigned to you, 28 Nov 2026.')
  })

  it('is not named to whoever may only know that somebody does, and they take it from nobody', async () => {
    const shown = await care({ mayAssign: false, comments: [], assignment: { mine: false, at: '2026-11-28T09:00:00Z' } })
    expect(shown.text()).toContain('Assigned to somebody else, 28 Nov 2026.')
    expect(buttons(shown)).toEqual([])
  })

  it('becomes a colleague who is chosen', async () => {
    const shown = await care(NOBODY, ['access'], { 'POST /api/findings/assignment': () => ({ ...NOBODY, assignment: held({}) }) })
    await shown.findAll('.acts button')[1]!.trigger('click')
    await vi.waitFor(() => expect(sent('GET /api/drafts/colleagues')).toBeDefined())
    await answered()
    expect(shown.find('form.assign button').attributes('disabled')).toBeDefined()
    await shown.find('.pick').trigger('click')
    await shown.find('form.assign').trigger('submit')
    await vi.waitFor(() => expect(sent('POST /api/findings/assignment')?.body).toEqual({ key: KEY, login: 'ola' }))
    await vi.waitFor(() => expect(shown.find('form.assign').exists()).toBe(false))
  })

  it('stays as it was where the colleague may not have it, and says so', async () => {
    const shown = await care(NOBODY, ['access'], { 'POST /api/findings/assignment': () => new Refused(422, { title: 'Not given', detail: 'Not given.', faults: [{ place: 'login', what: 'There is nobody of that name.', remedy: 'Choose another.' }] }) })
    await shown.findAll('.acts button')[1]!.trigger('click')
    await vi.waitFor(() => expect(shown.find('.pick').exists()).toBe(true))
    await answered()
    await shown.find('.pick').trigger('click')
    await shown.find('form.assign').trigger('submit')
    await vi.waitFor(() => expect(shown.text()).toContain('There is nobody of that name.'))
    expect(shown.find('form.assign').exists()).toBe(true)
  })

  it('is let go of by whom it is seen with', async () => {
    const shown = await care({ ...NOBODY, assignment: held({}) }, ['access'], { 'DELETE /api/findings/assignment': () => ({}) })
    await shown.find('button[aria-label="Take it back from Ola"]').trigger('click')
    await vi.waitFor(() => expect(sent('DELETE /api/findings/assignment')?.query).toEqual({ key: KEY, seen: 'ola' }))
  })

  it('is not an auditor’s business, but what is said is', async () => {
    const shown = await care({ ...NOBODY, comments: [{ by: 'Ola', at: '2026-11-28T09:00:00Z', text: 'Ended with the survey.' }] }, ['audit'], { 'POST /api/findings/comments': () => NOBODY })
    expect(buttons(shown)).toEqual([])
    expect(shown.find('.comments').text()).toContain('Ended with the survey.')
    expect(shown.find('form.say button').attributes('disabled')).toBeDefined()
    await shown.find('form.say input').setValue('Since the last audit.')
    await shown.find('form.say').trigger('submit')
    await vi.waitFor(() => expect(sent('POST /api/findings/comments')?.body).toEqual({ key: KEY, text: 'Since the last audit.' }))
    await vi.waitFor(() => expect((shown.find('form.say input').element as HTMLInputElement).value).toBe(''))
  })

  it('keeps a remark that was refused', async () => {
    const shown = await care(NOBODY, ['access'], { 'POST /api/findings/comments': () => new Refused(409, { title: 'Enough', detail: 'A finding has at most 100 comments.' }) })
    await shown.find('form.say input').setValue('One more')
    await shown.find('form.say').trigger('submit')
    await vi.waitFor(() => expect(shown.text()).toContain('A finding has at most 100 comments.'))
    expect((shown.find('form.say input').element as HTMLInputElement).value).toBe('One more')
  })
})
