import type { Schemas } from '@/api/client'
import { moment } from '@/common/words'

type Severity = Schemas['FindingRow']['severity']

/** How grave a finding is, told by word and tone. */
export const SEVERITIES: { value: Severity; title: string; tone: string }[] = [
  { value: 'GRAVE', title: 'grave', tone: 'lose' },
  { value: 'SERIOUS', title: 'serious', tone: 'warn' },
  { value: 'UNTIDY', title: 'untidy', tone: 'quiet' },
]

export const severityOf = (severity: Severity) => SEVERITIES.find((one) => one.value === severity)!

/** What a fix would do, as one would say it. */
export function effectOf(fix: Pick<Schemas['FixView'], 'gaining' | 'losing' | 'lockOuts'>): string {
  const people = (count: number) => (count === 1 ? '1 person' : `${count} people`)
  const parts = [
    ...(fix.gaining > 0 ? [`${people(fix.gaining)} would gain something`] : []),
    ...(fix.losing > 0 ? [`${people(fix.losing)} would lose something`] : []),
    ...(fix.lockOuts > 0 ? [`nobody on staff would keep ${fix.lockOuts === 1 ? 'a place' : `${fix.lockOuts} places`}`] : []),
  ]
  return parts.length === 0 ? 'Nobody would gain or lose anything now.' : `${parts.join(', ')}.`
}

/** Since when a finding has been there. */
export function sinceWords(since: Schemas['SinceView']): string {
  if (since.at === undefined) return 'It is not looked back for this.'
  if (!since.known) return `It was there already ${moment(since.at)}. It was not looked further back.`
  if (since.byDate) return `It came after ${moment(since.at)} by a date: something began, ended or had lasted too long.`
  return since.change === undefined ? `It came ${moment(since.at)}.` : `It came ${moment(since.at)} with a change by ${since.change.author}: “${since.change.note}”.`
}

/** When and with what a finding went. */
export function wentWords(gone: Schemas['GoneView']): string {
  if (gone.byDate) return `Went after ${moment(gone.at)} by a date.`
  return gone.went === undefined ? `Went ${moment(gone.at)}.` : `Went ${moment(gone.at)} with a change by ${gone.went.author}: “${gone.went.note}”.`
}
