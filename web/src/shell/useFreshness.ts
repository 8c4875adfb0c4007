import { useQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { answer, api } from '@/api/client'
import { ProblemError } from '@/api/problem'
import { useUpdates } from '@/updates/useUpdates'
import { isOutage, queryClient } from '@/common/queries'

const EVERY = 5_000

/**
 * Follows the newest change: another administrator's change makes this page fetch again what it shows,
 * and a server or database that is away is said until it is back. The page is told, and asks every few
 * seconds as long as it is not.
 */
export function useFreshness() {
  const told = useUpdates(() => void queryClient.invalidateQueries({ queryKey: ['head'] }))
  const head = useQuery({
    queryKey: ['head'],
    queryFn: () => answer(api.GET('/api/session')),
    refetchInterval: () => (told.value ? false : EVERY),
    retry: false,
    staleTime: 0,
  })
  watch(
    () => head.data.value?.change,
    (now, before) => {
      if (before !== undefined && now !== undefined && now !== before) {
        // What somebody administers may have become another, too.
        void queryClient.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'head' })
      }
    },
  )
  watch(
    () => head.isError.value,
    (away, wasAway) => {
      if (wasAway && !away) {
        void queryClient.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'head' })
      }
    },
  )
  return computed(() => {
    const error = head.error.value
    if (head.data.value !== undefined && head.data.value.account === undefined) {
      return 'You have been signed out. Reload the page to sign in again; your draft is kept.'
    }
    return isOutage(error) && error instanceof ProblemError ? `${error.problem.title}. ${error.problem.detail}` : ''
  })
}
