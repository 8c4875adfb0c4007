import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { loadAhead, QUIET_FOR } from './loadAhead'

const loaded: string[] = []
const view = (name: string) => ({ path: `/${name}`, name, component: () => (loaded.push(name), name === 'broken' ? Promise.reject(new Error('no such script')) : Promise.resolve({ template: '<p />' })) })
const router = () => createRouter({ history: createMemoryHistory(), routes: ['matrix', 'broken', 'places', 'duties'].map(view) })
const atOnce = (then: () => void) => void setTimeout(then, 0)

describe('the scripts of rooms', () => {
  beforeEach(() => {
    loaded.length = 0
    vi.useFakeTimers()
  })
  afterEach(() => vi.useRealTimers())

  it('are loaded one after the other once it has been quiet, those of the rooms that one has', async () => {
    loadAhead(router(), ['matrix', 'places', 'never-was'], atOnce)
    await vi.advanceTimersByTimeAsync(QUIET_FOR - 1)
    expect(loaded).toEqual([])
    await vi.advanceTimersByTimeAsync(10)
    expect(loaded).toEqual(['matrix', 'places'])
  })

  it('are left where one cannot be loaded: the server does not answer', async () => {
    loadAhead(router(), ['matrix', 'broken', 'places'], atOnce)
    await vi.advanceTimersByTimeAsync(QUIET_FOR + 100)
    expect(loaded).toEqual(['matrix', 'broken'])
  })

  it('are not loaded any more once one has signed out', async () => {
    const stop = loadAhead(router(), ['matrix', 'places'], atOnce)
    await vi.advanceTimersByTimeAsync(QUIET_FOR)
    stop()
    await vi.advanceTimersByTimeAsync(QUIET_FOR)
    expect(loaded.length).toBeLessThanOrEqual(1)
  })
})
