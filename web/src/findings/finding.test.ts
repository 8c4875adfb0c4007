import { describe, expect, it } from 'vitest'
import { effectOf, severityOf } from './finding'

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
