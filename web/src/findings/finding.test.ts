import { describe, expect, it } from 'vitest'
import { effectOf, severityOf, sinceWords } from './finding'

describe('what a fix would do', () => {
  it('says that nothing happens, or whom it happens to', () => {
    expect(effectOf({ gaining: 0, losing: 0, lockOuts: 0 })).toBe('Nobody would gain or lose anything now.')
    expect(effectOf({ gaining: 1, losing: 3, lockOuts: 0 })).toBe('1 person would gain something, 3 people would lose something.')
    expect(effectOf({ gaining: 0, losing: 0, lockOuts: 2 })).toBe('nobody on staff would keep 2 places.')
  })
  it('has a word for every severity', () => {
    expect(severityOf('GRAVE').title).toBe('grave')
    expect(severityOf('UNTIDY').tone).toBe('quiet')
  })
})

describe('since when a finding has been there', () => {
  const at = '2026-10-03T09:30:00Z'
  it('names the change that brought it, as far as it may be told', () => {
    expect(sinceWords({ known: true, byDate: false, at, change: { number: 57, author: 'Ola', note: 'Divers left.' } })).toBe('It came 3 Oct 2026, 09:30 with a change by Ola: “Divers left.”.')
    expect(sinceWords({ known: true, byDate: false, at })).toBe('It came 3 Oct 2026, 09:30.')
  })
  it('says that a date brought it, or that it is older than was looked', () => {
    expect(sinceWords({ known: true, byDate: true, at })).toContain('by a date')
    expect(sinceWords({ known: false, byDate: false, at })).toContain('there already')
    expect(sinceWords({ known: false, byDate: false })).toContain('not looked back')
  })
})
