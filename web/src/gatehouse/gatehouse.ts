import type { RouteLocationRaw } from 'vue-router'
import type { Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import { counted, fromNow, moment } from '@/common/words'
import { severityOf } from '@/findings/finding'

/** One thing that needs somebody: what it is, where to look, and what to do next. */
export interface Attention {
  /** The smaller, the sooner. */
  weight: number
  tone: string
  /** A word for how grave it is. */
  grade: string
  words: string
  /** What opens it. */
  to: RouteLocationRaw
  step: string
}

const SEVERITY_WEIGHT = { GRAVE: 0, SERIOUS: 3, UNTIDY: 6 } as const

/** What rules found, a line each. */
export const ofFindings = (rules: readonly Schemas['FindingRule'][]): Attention[] =>
  rules
    .filter((rule) => rule.found > 0)
    .map((rule) => ({
      weight: SEVERITY_WEIGHT[rule.severity],
      tone: severityOf(rule.severity).tone,
      grade: severityOf(rule.severity).title,
      words: `${rule.title[0]!.toUpperCase()}${rule.title.slice(1)}: ${rule.found}`,
      to: { name: 'findings', query: { rule: rule.code } },
      step: 'Read and mend',
    }))

/** Findings that are assigned to one. */
export const ofMine = (mine: number): Attention[] =>
  mine === 0
    ? []
    : [
        {
          weight: 2,
          tone: 'warn',
          grade: 'yours',
          words: `${counted(mine, 'finding')} assigned to you`,
          to: { name: 'findings', query: { mine: 'yes' } },
          step: mine === 1 ? 'Go on with it' : 'Go on with them',
        },
      ]

/** Drafts that stopped, that wait for somebody to look, and one’s own that are not in force. */
export const ofDrafts = (drafts: readonly Schemas['DraftLine'][]): Attention[] =>
  drafts
    .filter((draft) => draft.changes > 0)
    .map((draft) => {
      const to = { name: 'drafts', params: { id: draft.id } }
      const changes = counted(draft.changes, 'change')
      if (draft.mine && draft.stopped !== undefined)
        return {
          weight: 1,
          tone: 'lose',
          grade: 'stopped',
          words: `Your draft “${draft.name}” did not come in force: ${draft.stopped}`,
          to,
          step: 'Look at it',
        }
      if (!draft.mine)
        return {
          weight: 3,
          tone: 'warn',
          grade: 'waits',
          words: `${draft.owner} shows you a draft, “${draft.name}”, of ${changes}${draft.approvedBy.length > 0 ? `, approved by ${draft.approvedBy.join(' and ')}` : ''}`,
          to,
          step: 'Rehearse and answer',
        }
      if (draft.dueAt !== undefined)
        return {
          weight: 5,
          tone: 'quiet',
          grade: 'due',
          words: `Your draft “${draft.name}”, ${changes}, comes in force ${moment(draft.dueAt)}`,
          to,
          step: 'Look at it',
        }
      return {
        weight: 5,
        tone: 'quiet',
        grade: 'yours',
        words: `Your draft “${draft.name}”, ${changes}, is not in force`,
        to,
        step: 'Go on with it',
      }
    })

/** Reviews that one is asked for. */
export const ofReviews = (reviews: readonly Schemas['ReviewLine'][], now = Date.now()): Attention[] =>
  reviews
    .filter((review) => review.handedInAt === undefined)
    .map((review) => {
      const over = Date.parse(review.due) < now
      return {
        weight: over ? 1 : 4,
        tone: over ? 'lose' : 'warn',
        grade: over ? 'overdue' : 'review',
        words: `“${review.name}”: ${review.items - review.decided} of ${counted(review.items, 'item')} to review, due ${toTheEndOf(review.due)}`,
        to: { name: 'reviews', params: { id: review.round } },
        step: 'Review',
      }
    })

/** Rounds that one runs: overdue, or handed in and waiting to be closed. */
export const ofRounds = (rounds: readonly Schemas['RoundLine'][], now = Date.now()): Attention[] =>
  rounds
    .filter((round) => round.open)
    .map((round) => {
      const over = Date.parse(round.due) < now
      const done = round.handedIn === round.reviewers
      return {
        weight: over || done ? 2 : 5,
        tone: over ? 'lose' : done ? 'warn' : 'quiet',
        grade: over ? 'overdue' : done ? 'handed in' : 'round',
        words: `The round “${round.name}”: ${round.decided} of ${counted(round.items, 'item')} decided, ${round.handedIn} of ${counted(round.reviewers, 'reviewer')} handed in, due ${toTheEndOf(round.due)}`,
        to: { name: 'rounds', params: { id: round.id } },
        step: over ? 'Remind them' : done ? 'Close it' : 'Look at it',
      }
    })

/** Walls with people on two sides, and such as bar whoever asks. */
export const ofWalls = (walls: readonly Schemas['WallLine'][]): Attention[] =>
  walls
    .filter((wall) => wall.state !== 'LIFTED' && wall.endingSoon > 0)
    .map((wall) => ({
      weight: 4,
      tone: 'warn',
      grade: 'wall',
      words: `${counted(wall.endingSoon, 'exception')} from the wall “${wall.name}” ${wall.endingSoon === 1 ? 'ends' : 'end'} soon`,
      to: { name: 'walls', params: { id: wall.id } },
      step: 'Look at it',
    }))

/** How a wall stands, in a line. */
export function wallWords(wall: Pick<Schemas['WallLine'], 'state' | 'bars' | 'people' | 'conflicts'>): string {
  const stands = wall.state === 'PLANNED' ? 'planned' : wall.bars ? 'stands' : 'stands, but not now'
  return `${stands}, ${counted(wall.people, 'person', 'people')} kept out${wall.conflicts > 0 ? `, ${counted(wall.conflicts, 'conflict')}` : ''}`
}

/** Proofs that found a way through, and such as are of long ago. */
export const ofProofs = (proofs: readonly Schemas['LastProof'][], now = Date.now()): Attention[] =>
  proofs.flatMap((proof) => {
    const to = { name: 'walls', params: { id: proof.wall }, query: { view: 'proofs' } }
    if (proof.leaks > 0)
      return [
        {
          weight: 0,
          tone: 'lose',
          grade: 'leak',
          words: `The last proof of the wall “${proof.name}” found ${counted(proof.leaks, 'pair')} it does not keep apart`,
          to,
          step: 'Look at it',
        },
      ]
    const days = (now - Date.parse(proof.at)) / 86_400_000
    return days > 30 && proof.changes > 0
      ? [
          {
            weight: 6,
            tone: 'quiet',
            grade: 'wall',
            words: `The wall “${proof.name}” was last proved ${fromNow(proof.at, now)}, ${counted(proof.changes, 'change')} before the newest`,
            to,
            step: 'Prove it again',
          },
        ]
      : []
  })

/** In order of weight, of one weight as they came. */
export const inOrder = (lines: Attention[]): Attention[] =>
  lines
    .map((line, i) => ({ line, i }))
    .sort((a, b) => a.line.weight - b.line.weight || a.i - b.i)
    .map(({ line }) => line)

/** What began or ended by its date, in words. */
export function datedWords(thing: Pick<Schemas['DatedThing'], 'words' | 'begins' | 'at'>, ahead: boolean): string {
  const words = `${thing.words[0]!.toUpperCase()}${thing.words.slice(1)}`
  return thing.begins
    ? `${words} ${ahead ? 'begins' : 'began'} ${moment(thing.at)}`
    : `${words} ${ahead ? 'holds' : 'held'} ${toTheEndOf(thing.at)}`
}

/** Where a dated thing is looked at. */
export function datedLink(thing: Pick<Schemas['DatedThing'], 'about' | 'aboutId'>): RouteLocationRaw {
  const rooms: Record<string, RouteLocationRaw> = {
    place: { name: 'places', params: { id: thing.aboutId } },
    group: { name: 'people', params: { view: 'groups', id: thing.aboutId } },
    type: { name: 'types', params: { id: thing.aboutId } },
    wall: { name: 'walls', params: { id: thing.aboutId } },
    duty: { name: 'duties' },
  }
  return rooms[thing.about] ?? { name: 'places' }
}

export type Month = Schemas['Month']

/** What is drawn over the months, each with how it is read of a month. */
export const PICTURES: {
  key: string
  title: string
  lines: { title: string; of: (month: Month) => number | undefined; dash?: number[] }[]
}[] = [
  { key: 'people', title: 'People with access', lines: [{ title: 'people', of: (month) => month.people }] },
  { key: 'outsiders', title: 'Outsiders among them', lines: [{ title: 'outsiders', of: (month) => month.outsiders }] },
  { key: 'breaks', title: 'Breaks', lines: [{ title: 'breaks', of: (month) => month.breaks }] },
  { key: 'entries', title: 'Entries', lines: [{ title: 'entries', of: (month) => month.entries }] },
  {
    key: 'findings',
    title: 'Findings of the structure',
    lines: [
      { title: 'grave', of: (month) => month.grave },
      { title: 'serious', of: (month) => month.serious, dash: [5, 3] },
      { title: 'untidy', of: (month) => month.untidy, dash: [2, 3] },
    ],
  },
]
