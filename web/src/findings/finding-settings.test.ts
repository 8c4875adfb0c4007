import { answered, aServer, Refused, requests } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import FindingSettings from './FindingSettings.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {}, query: {} }), useRouter: () => ({ push: vi.fn() }) }))

const SETTINGS = {
  limits: { soonDays: 14, checkedOutDays: 30, nearlySamePeople: 2, unusedDays: 180, draftDays: 30 },
  rules: [
    { code: 'no-keeper', severity: 'GRAVE', title: 'places that nobody keeps' },
    { code: 'role-unused', severity: 'UNTIDY', title: 'roles that are not used', off: { by: 'Wenna Carrow', at: '2026-11-20T09:00:00Z', reason: 'Kept for the spring.' } },
  ],
}

async function settings(duties: string[], more: Record<string, (asked: { body: unknown }) => unknown> = {}) {
  aServer({
    'GET /api/session': () => ({ account: { login: 'w', name: 'W', duties, rooms: [], mayDraft: true }, demo: [] }),
    'GET /api/findings/settings': () => SETTINGS,
    ...more,
  })
  const shown = mount(FindingSettings, { global: { directives: { focusFirst: {} }, plugins: [createVuetify(), createPinia(), VueQueryPlugin], stubs: { VDialog: { template: '<div><slot /></div>' } } } })
  await answered()
  return shown
}

describe('what is looked for', () => {
  it('says of a rule that is switched off by whom, when and why', async () => {
    const shown = await settings(['audit'])
    const lines = shown.findAll('.rules li')
    expect(lines).toHaveLength(2)
    expect(lines[1]!.text()).toContain('Switched off by Wenna Carrow, 20 Nov 2026: “Kept for the spring.”')
  })

  it('is read by all who may look at findings, and changed by whoever looks after the system', async () => {
    const read = await settings(['access'])
    expect(read.findAll('.rules button')).toHaveLength(0)
    expect(read.text()).not.toContain('Set these')
    expect(read.findAll('input').every((field) => field.attributes('readonly') !== undefined)).toBe(true)
    const change = await settings(['system'])
    expect(change.findAll('.rules button').map((button) => button.attributes('aria-label'))).toEqual(['Switch off: places that nobody keeps', 'Look for it again: roles that are not used'])
    expect(change.text()).toContain('Set these')
  })

  it('asks for a reason before it stops looking', async () => {
    const shown = await settings(['system'], { 'POST /api/findings/settings/off/no-keeper': () => SETTINGS })
    await shown.find('button[aria-label="Switch off: places that nobody keeps"]').trigger('click')
    const button = () => shown.find('form.why button')
    expect(button().attributes('disabled')).toBeDefined()
    await shown.find('form.why input').setValue('   ')
    expect(button().attributes('disabled')).toBeDefined()
    await shown.find('form.why input').setValue('We keep them in another way.')
    await shown.find('form.why').trigger('submit')
    await answered()
    expect(requests.find((one) => one.what === 'POST /api/findings/settings/off/no-keeper')?.asked.body).toEqual({ reason: 'We keep them in another way.' })
    expect(shown.find('form.why').exists()).toBe(false)
  })

  it('looks again without being asked why', async () => {
    let now = SETTINGS
    const on = { ...SETTINGS, rules: SETTINGS.rules.map((rule) => ({ ...rule, off: undefined })) } as unknown as typeof SETTINGS
    const shown = await settings(['system'], { 'GET /api/findings/settings': () => now, 'DELETE /api/findings/settings/off/role-unused': () => (now = on) })
    await shown.find('button[aria-label="Look for it again: roles that are not used"]').trigger('click')
    await answered()
    expect(shown.text()).not.toContain('Kept for the spring.')
  })

  it('says what is wrong with a limit, and keeps what was typed', async () => {
    const shown = await settings(['system'], { 'POST /api/findings/settings/limits': () => new Refused(400, { title: 'That cannot be set', detail: 'A limit is wrong.', faults: [{ place: 'soonDays', what: 'It is 0 days.', remedy: 'From 1 to 365 days.' }] }) })
    await shown.find('input[type=number]').setValue('0')
    await shown.find('form.limits').trigger('submit')
    await vi.waitFor(() => expect(shown.text()).toContain('It is 0 days.'))
    expect(requests.find((one) => one.what === 'POST /api/findings/settings/limits')?.asked.body).toMatchObject({ soonDays: 0 })
    expect(shown.text()).toContain('It is 0 days.')
    expect((shown.find('input[type=number]').element as HTMLInputElement).value).toBe('0')
  })
})
