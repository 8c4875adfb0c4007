import { describe, expect, it } from 'vitest'
import { counted, fromNow, listed } from './words'

describe('words', () => {
  it('counts in the singular and the plural', () => {
    expect(counted(1, 'place')).toBe('1 place')
    expect(counted(0, 'place')).toBe('0 places')
    expect(counted(12_500, 'person', 'people')).toBe('12,500 people')
  })

  it('lists as a sentence does', () => {
    expect(listed([])).toBe('')
    expect(listed(['find'])).toBe('find')
    expect(listed(['find', 'read', 'copy'])).toBe('find, read and copy')
  })

  it('says how far away a day is', () => {
    const now = Date.parse('2026-11-24T10:00:00Z')
    expect(fromNow('2026-11-27T10:00:00Z', now)).toBe('in 3 days')
    expect(fromNow('2026-11-23T10:00:00Z', now)).toBe('1 day ago')
    expect(fromNow('2026-11-24T15:00:00Z', now)).toBe('today')
  })
})
