import type { Schemas } from './client'

/** What a draft does for one person. */
export interface ShiftCounts {
  placesGaining: number
  placesLosing: number
  gained: string[]
  lost: string[]
}

/** Somebody for whom a draft would now do something else than was seen; a side is missing where nothing changes. */
export interface OtherShift {
  person: string
  outsider: boolean
  seen?: ShiftCounts
  now?: ShiftCounts
}

/** A problem document (RFC 9457) as this page uses it. */
export interface Problem {
  /** Of a draft that would now do something else than was seen. */
  totalsSeen?: Schemas['Totals']
  totalsNow?: Schemas['Totals']
  people?: OtherShift[]
  peopleInAll?: number
  status: number
  title: string
  detail: string
  type?: string
  faults?: { place: string; what: string; remedy: string; cycle?: string[] }[]
  candidates?: { id: string; name: string }[]
  clashes?: { change: number; author: string; at: string; note: string; what: string }[]
}

export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail)
    this.name = 'ProblemError'
  }

  /** The kind of problem, stable for programs. */
  get code(): string {
    return this.problem.type?.split(':').pop() ?? ''
  }
}

/** Reads what the server sent; anything that is not a problem document gets a plain sentence. */
export function problemOf(body: unknown, status: number): Problem {
  if (typeof body === 'object' && body !== null && 'detail' in body && typeof body.detail === 'string') {
    return { title: 'Not done', ...body, status, detail: body.detail } as Problem
  }
  return { status, title: 'Not done', detail: `The server answered ${status} and gave no reason.` }
}

/** One thing that was wrong, with what would be right; and the names along the cycle that would come about, if that is it. */
export interface FaultLine {
  text: string
  cycle: string[]
}

/** Everything that was wrong. */
export function faultsOf(error: unknown): FaultLine[] {
  if (!(error instanceof ProblemError)) return [plainly(String(error))]
  return (
    error.problem.faults?.map((fault) => ({
      text: `${fault.place.startsWith('change ') ? `${fault.place}: ` : ''}${fault.what} ${fault.remedy}`,
      cycle: fault.cycle ?? [],
    })) ?? [plainly(error.problem.detail)]
  )
}

export function plainly(text: string): FaultLine {
  return { text, cycle: [] }
}
