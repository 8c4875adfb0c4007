import { describe, expect, it } from 'vitest'
import { beginningOf, endOf, kept, lastDayOf, readDay, readMinute, sayDay, toTheEndOf } from './dates'

const NOW = new Date(2026, 10, 28, 15, 30)
const read = (text: string) => {
  const day = readDay(text, NOW)
  return day === undefined ? undefined : sayDay(day)
}

describe('a day as people write it', () => {
  it.each([
    ['14 Nov 2027', '14 Nov 2027'],
    ['14 november 2027', '14 Nov 2027'],
    ['14/11/2027', '14 Nov 2027'],
    ['3.2.2027', '3 Feb 2027'],
    ['2027-02-03', '3 Feb 2027'],
    ['today', '28 Nov 2026'],
    ['Tomorrow', '29 Nov 2026'],
    ['+4w', '26 Dec 2026'],
    ['+ 3 days', '1 Dec 2026'],
    ['-1m', '28 Oct 2026'],
    ['+1y', '28 Nov 2027'],
    ['end of month', '30 Nov 2026'],
    ['end of  next month', '31 Dec 2026'],
    ['end of year', '31 Dec 2026'],
  ])('reads %s', (text, day) => expect(read(text)).toBe(day))

  it('takes a day without a year for the next one, and today for today', () => {
    expect(read('14 Nov')).toBe('14 Nov 2027')
    expect(read('28 Nov')).toBe('28 Nov 2026')
    expect(read('30/12')).toBe('30 Dec 2026')
  })

  it('takes it for the last one where a field looks back', () => {
    const back = (text: string) => sayDay(readDay(text, NOW, true)!)
    expect(back('14 Nov')).toBe('14 Nov 2026')
    expect(back('28 Nov')).toBe('28 Nov 2026')
    expect(back('30/12')).toBe('30 Dec 2025')
    expect(back('30 Dec 2027')).toBe('30 Dec 2027')
    expect(kept(readMinute('30 Dec 9:05', NOW, true)!, true)).toBe('2025-12-30T09:05')
  })

  it.each(['', 'soon', '31 Feb', '30 Feb 2027', '12/14/2026', '+4q', '4w', '99999-01-01'])('does not guess what %s means', (text) => expect(read(text)).toBeUndefined())

  it('reads a time of day only whole', () => {
    expect(kept(readMinute('14 Nov 9:05', NOW)!, true)).toBe('2027-11-14T09:05')
    expect(readMinute('14 Nov', NOW)).toBeUndefined()
    expect(readMinute('14 Nov 25:00', NOW)).toBeUndefined()
  })
})

describe('an end', () => {
  it('is said as the last moment that counts', () => {
    expect(toTheEndOf(new Date(2026, 11, 31).toISOString())).toBe('to the end of 30 Dec 2026')
    expect(toTheEndOf(new Date(2026, 11, 31, 14).toISOString())).toBe('until 31 Dec 2026, 14:00')
  })

  it('of a day is the beginning of the next, in summer time too', () => {
    for (const day of ['2026-12-30', '2026-03-28', '2026-03-29', '2026-10-24', '2026-10-25', '2028-02-28']) {
      expect(lastDayOf(endOf(day))).toBe(day)
      expect(toTheEndOf(endOf(day)!)).toContain('to the end of')
      expect(Date.parse(endOf(day)!)).toBeGreaterThan(Date.parse(beginningOf(day)!))
    }
  })

  it('that cannot be read is never none', () => {
    expect(() => endOf('soon')).toThrow(/no day/)
    expect(() => beginningOf('31 Feb')).toThrow(/no day/)
  })

  it('that is not given is none', () => {
    expect(endOf('')).toBeUndefined()
    expect(beginningOf('')).toBeUndefined()
    expect(lastDayOf(undefined)).toBe('')
  })
})
