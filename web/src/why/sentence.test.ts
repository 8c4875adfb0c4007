import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { period, sentence } from './sentence'

const entry = (changed: Partial<Schemas['EntryView']>) => ({ kind: 'grant', role: 'Reader', rights: [], subjectName: 'Surveyors', types: [], ...changed }) as unknown as Schemas['EntryView']

describe('an entry in a few words', () => {
  it('says what a grant gives to whom', () => {
    expect(sentence(entry({}))).toBe('Reader to Surveyors')
  })

  it('says what a withholding takes from whom', () => {
    expect(sentence(entry({ kind: 'withholding', rights: ['copy', 'revise'] as Schemas['EntryView']['rights'] }))).toBe('copy and revise withheld from Surveyors')
  })

  it('says who shared it, or that it was a pass', () => {
    expect(sentence(entry({ sharedBy: 'Mia Torrance' }))).toBe('Reader to Surveyors, shared by Mia Torrance')
    expect(sentence(entry({ pass: true }))).toBe('Reader to Surveyors, through a pass')
  })

  it('says to which types it is narrowed', () => {
    expect(sentence(entry({ types: ['Fee note', 'Valuation'] }))).toBe('Reader to Surveyors, for Fee note and Valuation only')
  })
})

describe('a period in words', () => {
  it('has a beginning, an end, both or neither', () => {
    expect(period({})).toBe('')
    expect(period({ from: '2026-05-01T00:00:00Z' })).toMatch(/^ from 1 May 2026$/)
    expect(period({ until: '2026-06-03T12:00:00Z' })).toMatch(/^ until 3 Jun 2026, \d\d:00$/)
    expect(period({ until: new Date(2026, 5, 3).toISOString() })).toBe(' to the end of 2 Jun 2026')
    expect(period({ from: '2026-05-01T12:00:00Z', until: '2026-06-03T12:00:00Z' })).toMatch(/^ from 1 May 2026 until 3 Jun 2026, \d\d:00$/)
  })
})
