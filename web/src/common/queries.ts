import { QueryClient } from '@tanstack/vue-query'
import { ProblemError } from '@/api/problem'

const OUTAGE = new Set([0, 502, 503, 504])

/** Whether a failure passes by itself: the server or its database is away. */
export function isOutage(error: unknown): boolean {
  return error instanceof ProblemError && OUTAGE.has(error.problem.status)
}

export const queryClient = new QueryClient({
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
