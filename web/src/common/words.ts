import { sayDay, sayMinute } from './dates'

const NUMBER = new Intl.NumberFormat('en-GB')

export function day(instant: string): string {
  return sayDay(new Date(instant))
}

export function moment(instant: string): string {
  return sayMinute(new Date(instant))
}

export function number(value: number): string {
  return NUMBER.format(value)
}

/** "1 place", "12 places"; the plural is given where adding an s would be wrong. */
export function counted(value: number, one: string, many = `${one}s`): string {
  return `${number(value)} ${value === 1 ? one : many}`
}

/** "find, read and copy". */
export function listed(words: string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`
}

/** How long ago or how far ahead, in whole days, for things that hold for a time. */
export function fromNow(instant: string, now = Date.now()): string {
  const days = Math.round((new Date(instant).getTime() - now) / 86_400_000)
  if (days === 0) return 'today'
  return days > 0 ? `in ${counted(days, 'day')}` : `${counted(-days, 'day')} ago`
}

/** The last day that counts before an end. */
export const lastDay = (end: string) => day(new Date(Date.parse(end) - 1).toISOString())
