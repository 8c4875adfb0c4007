/** A problem document (RFC 9457) as this page uses it. */
export interface Problem {
  status: number
  title: string
  detail: string
  type?: string
  faults?: { place: string; what: string; remedy: string }[]
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

/** Everything that was wrong, each with what would be right. */
export function faultsOf(error: unknown): string[] {
  if (!(error instanceof ProblemError)) return [String(error)]
  return error.problem.faults?.map((fault) => `${fault.place.startsWith('change ') ? `${fault.place}: ` : ''}${fault.what} ${fault.remedy}`) ?? [error.problem.detail]
}
