import { addDays, addMonths, addWeeks, addYears, endOfMonth, endOfYear, format, isValid, parse, startOfDay } from 'date-fns'

/** A day as forms keep it: 2026-11-28; with a time of day, 2026-11-28T15:00. */
export const DAY = 'yyyy-MM-dd'
export const MINUTE = "yyyy-MM-dd'T'HH:mm"

const PATTERNS = ['d MMM yyyy', 'd MMMM yyyy', 'd/M/yyyy', 'd.M.yyyy', DAY]
/** Without a year: the next such day, or today. */
const YEARLESS = ['d MMM', 'd MMMM', 'd/M']
const STEPS: Record<string, (day: Date, amount: number) => Date> = { d: addDays, w: addWeeks, m: addMonths, y: addYears }

/** "28 Nov 2026", in whatever language the browser is. */
export function sayDay(day: Date): string {
  return format(day, 'd MMM yyyy')
}

export function sayMinute(at: Date): string {
  return format(at, 'd MMM yyyy, HH:mm')
}

/**
 * A day as people write it: 14 Nov, 14/11/2026, +4w, today, end of month. Undefined if it is none; days that a month does not
 * have are none. A day without a year is the next such day or, looking back, the last.
 */
export function readDay(written: string, now = new Date(), looksBack = false): Date | undefined {
  const text = written.trim().toLowerCase().replace(/\s+/g, ' ').replace(/\bsept\b/, 'sep')
  const today = startOfDay(now)
  switch (text) {
    case 'today':
      return today
    case 'tomorrow':
      return addDays(today, 1)
    case 'yesterday':
      return addDays(today, -1)
    case 'end of month':
      return startOfDay(endOfMonth(today))
    case 'end of next month':
      return startOfDay(endOfMonth(addMonths(today, 1)))
    case 'end of year':
      return startOfDay(endOfYear(today))
  }
  const step = /^([+-]) ?(\d{1,4}) ?(d|w|m|y)/.exec(text)
  if (step !== null && /^[+-] ?\d+ ?(d|days?|w|weeks?|m|months?|y|years?)$/.test(text)) {
    return STEPS[step[3]!]!(today, Number(`${step[1]}${step[2]}`))
  }
  for (const pattern of PATTERNS) {
    const day = parse(text, pattern, today)
    if (isValid(day) && day.getFullYear() >= 1900 && day.getFullYear() <= 9999) return startOfDay(day)
  }
  for (const pattern of YEARLESS) {
    const day = parse(text, pattern, today)
    if (!isValid(day)) continue
    if (looksBack) return day > today ? (sameDayOfAnotherYear(text, pattern, addYears(today, -1)) ?? startOfDay(day)) : startOfDay(day)
    return day < today ? (sameDayOfAnotherYear(text, pattern, addYears(today, 1)) ?? startOfDay(day)) : startOfDay(day)
  }
  return undefined
}

/** The 29th of February is not in every year. */
function sameDayOfAnotherYear(text: string, pattern: string, inThatYear: Date): Date | undefined {
  const day = parse(text, pattern, inThatYear)
  return isValid(day) ? startOfDay(day) : undefined
}

/** A day with a time of day: 14 Nov 15:00. */
export function readMinute(written: string, now = new Date(), looksBack = false): Date | undefined {
  const text = written.trim()
  const time = /^(.*?)(?:,? |T)(\d{1,2})[:.](\d{2})$/.exec(text)
  if (time === null) return undefined
  const day = readDay(time[1]!, now, looksBack)
  const [hours, minutes] = [Number(time[2]), Number(time[3])]
  if (day === undefined || hours > 23 || minutes > 59) return undefined
  day.setHours(hours, minutes)
  return day
}

export function kept(at: Date, withTime: boolean): string {
  return format(at, withTime ? MINUTE : DAY)
}

/** What a form keeps, as a date; undefined if it keeps nothing. */
export function fromKept(value: string): Date | undefined {
  const at = parse(value, value.includes('T') ? MINUTE : DAY, new Date())
  return isValid(at) ? at : undefined
}

/** What a form keeps, as a date or nothing if it keeps nothing. What cannot be read is never taken for nothing: it would be “no end”. */
function dayOrNone(day: string): Date | undefined {
  const at = fromKept(day)
  if (at === undefined && day.trim() !== '') throw new RangeError(`“${day}” is no day. Type one such as 14 Nov, +4w or end of month.`)
  return at
}

/** The instant at which a kept day begins, or nothing. */
export function beginningOf(day: string): string | undefined {
  return dayOrNone(day)?.toISOString()
}

/** The instant at which a kept day is over, which is the first that no longer counts; or nothing. */
export function endOf(day: string): string | undefined {
  const at = dayOrNone(day)
  return at === undefined ? undefined : addDays(at, 1).toISOString()
}

/** The last day that counts before an end, as forms keep it. */
export function lastDayOf(end: string | undefined): string {
  return end === undefined ? '' : format(new Date(Date.parse(end) - 1), DAY)
}

/** An end as the last moment that counts: "to the end of 30 Dec 2026", or "until 30 Dec 2026, 14:00". */
export function toTheEndOf(end: string): string {
  const at = new Date(end)
  return at.getTime() === startOfDay(at).getTime() ? `to the end of ${sayDay(addDays(at, -1))}` : `until ${sayMinute(at)}`
}
