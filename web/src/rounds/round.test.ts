import { describe, expect, it } from 'vitest'
import { DECISIONS, suffices, wantsComment, wordOf } from './round'

const form = (decision: string | undefined, more: Partial<{ role: string; until: string; comment: string }> = {}) => ({ decision, role: '', until: '', comment: '', ...more })

describe('what a reviewer has to say', () => {
  it('nothing is decided by itself', () => {
    expect(suffices(form(undefined), false)).toBe(false)
    expect(wordOf(undefined)).toBe('open')
  })
  it('a change says to what', () => {
    expect(suffices(form('CHANGE'), false)).toBe(false)
    expect(suffices(form('CHANGE', { role: 'r-reader' }), false)).toBe(true)
    expect(suffices(form('CHANGE', { until: '2026-12-31' }), false)).toBe(true)
  })
  it('a question is asked, and a reason given where the round wants one, but not for keep', () => {
    expect(suffices(form('ASK'), false)).toBe(false)
    expect(suffices(form('ASK', { comment: 'Who is that?' }), false)).toBe(true)
    expect(suffices(form('REMOVE'), true)).toBe(false)
    expect(suffices(form('REMOVE', { comment: '  ' }), true)).toBe(false)
    expect(suffices(form('KEEP'), true)).toBe(true)
    expect(wantsComment('NOT_MINE', true)).toBe(true)
    expect(wantsComment('NOT_MINE', false)).toBe(false)
  })
  it('every decision has a key of its own', () => {
    expect(new Set(DECISIONS.map((one) => one.key)).size).toBe(DECISIONS.length)
  })
})
