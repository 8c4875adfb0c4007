import { QueryCache, QueryClient } from '@tanstack/vue-query'
import { ProblemError } from '@/api/problem'

const OUTAGE = new Set([0, 502, 503, 504])

/** Whether a failure passes by itself: the server or its database is away. */
export function isOutage(error: unknown): boolean {
  return error instanceof ProblemError && OUTAGE.has(error.problem.status)
}

/** Whether an answer says that there is nothing there for whoever asks: no longer, or never. */
export function isGone(error: unknown): boolean {
  return error instanceof ProblemError && (error.problem.status === 403 || error.problem.status === 404)
}

export const queryClient = new QueryClient({
  queryCache: new QueryCache({
    // What may no longer be known is not left on the screen: a wall that was raised takes it away from an open page too.
    onError: (error, query) => {
      if (isGone(error) && query.state.data !== undefined) query.setState({ data: undefined })
    },
  }),
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      refetchOnWindowFocus: true,
      // An outage is waited out for as long as it takes; anything else is shown at once.
      retry: (_count, error) => isOutage(error),
      retryDelay: 2_000,
    },
  },
})
