import { answered, aServer, Refused } from '@/api/testkit'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it, vi } from 'vitest'
import { createVuetify } from 'vuetify'
import WallWatchNotices from './WallWatchNotices.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: {}, query: {} }), useRouter: () => ({ push: vi.fn() }), createRouter: vi.fn(), createWebHistory: vi.fn() }))

const DRAFT = { id: 1, name: 'Draft', change: 6, version: 1, seen: { change: 6, digest: 'ab', at: '2026-11-24T10:00:00Z' }, items: [{}], totals: {} }
const NOTICES = {
  notices: [
    { kind: 'OUTSIDE', wall: 'w', wallName: 'Kept apart', place: 'p', path: 'Cases / Loose', said: 'c 7101', like: 'C-7101' },
    { kind: 'INSIDE', wall: 'w', wallName: 'Kept apart', side: 'Owners', place: 'q', path: 'Cases / C-7102', said: 'C-7102', like: 'C7101' },
    { kind: 'LET_IN', wall: 'w', wallName: 'Kept apart', person: { id: 'm', name: 'Mia Torrance' } },
    { kind: 'IN_VAIN', wall: 'w', wallName: 'Kept apart', place: 'r', path: 'Cases / C-7101', whom: 'Trainees' },
    { kind: 'GAINED_OUTSIDE', wall: 'w', wallName: 'Kept apart', side: 'Owners', place: 's', path: 'Cases / Loose', whom: 'Mia Torrance', said: 'c 7101', like: 'C-7101', from: '2026-12-24T00:00:00Z' },
  ],
  more: 1,
}

let last: ReturnType<typeof mount> | undefined
async function notices(duties: string[], said: () => unknown = () => NOTICES) {
  const watch = vi.fn(said)
  aServer({ 'GET /api/session': () => ({ account: { login: 'w', name: 'W', duties, rooms: [], mayDraft: true }, demo: [] }), 'GET /api/draft': () => DRAFT, 'GET /api/draft/wall-watch': watch })
  const shown = mount(WallWatchNotices, { global: { plugins: [createVuetify(), createPinia(), [VueQueryPlugin, { queryClientConfig: { defaultOptions: { queries: { retry: false } } } }]], stubs: { RouterLink: { template: '<a><slot /></a>' } } } })
  await answered()
  await answered()
  last = shown
  return { text: shown.text().replace(/\s+/g, ' '), watch }
}

describe('what a draft does against the purpose of a wall', () => {
  it('is a sentence each, with what speaks for it', async () => {
    const { text } = await notices(['walls'])
    expect(text).toContain('Cases / Loose would lie outside Kept apart, and looks as if it belonged inside: “c 7101” is like “C-7101”.')
    expect(text).toContain('Cases / C-7102 would lie behind Kept apart (side Owners), and looks as if it belonged elsewhere: “C-7102” is of another matter than C7101.')
    expect(text).toContain('Mia Torrance would no longer be kept out by Kept apart')
    expect(text).toContain('Trainees would be given Cases / C-7101, of which Kept apart keeps them out: it gives nothing.')
    expect(text).toContain('Mia Torrance would come to have rights at Cases / Loose from 24 Dec 2026, 00:00 on. It looks as if it belonged behind Kept apart (side Owners), which keeps them out, and lies outside: “c 7101” is like “C-7101”.')
    expect(text).toContain('1 more is not listed.')
  })

  it('is not taken for nothing when it could not be worked out', async () => {
    const { text } = await notices(['walls'], () => new Refused(500, { title: 'Failed', detail: 'It broke.', status: 500 }))
    expect(text).toContain('What it does to walls could not be worked out. It broke.')
  })

  it('is said to be looked for when that takes long', async () => {
    const { text } = await notices(['walls'], () => new Promise(() => undefined))
    expect(text).toBe('')
    await vi.waitFor(() => expect(last!.text()).toBe('Looking at what it does to walls …'), 2_000)
  })

  it('is not even asked for by whoever may not know of walls', async () => {
    const { text, watch } = await notices(['access'])
    expect(text).toBe('')
    expect(watch).not.toHaveBeenCalled()
  })
})
