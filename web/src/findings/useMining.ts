import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'

const KEY = ['findings', 'mining']

/** What is being tried, as one says it. */
export const TRIED: Record<NonNullable<Schemas['LookingView']['kind']>, string> = {
  ENDED: 'entries that have ended',
  MERGE: 'groups with the same people',
  ROLE: 'roles that come to another role',
  NEW_ROLE: 'roles given together again and again',
  GROUP: 'people named one by one who are a group',
  NEW_GROUP: 'people named together again and again',
  LIFT: 'the same given at several places',
  REJOIN: 'places that could follow again',
  IDLE: 'entries that do nothing',
}

/** Looks in the background how the same could be said with less: it can be left, and is still there on coming back. */
export function useMining() {
  const client = useQueryClient()
  const query = useQuery({
    queryKey: KEY,
    queryFn: () => answer(api.GET('/api/findings/mining')),
    refetchInterval: ({ state }) => (state.data?.looking ? 1_000 : false),
  })
  const begin = useMutation({
    mutationFn: () => answer(api.POST('/api/findings/mining')),
    onSuccess: (now) => client.setQueryData(KEY, now),
  })
  const callOff = useMutation({
    mutationFn: () => answer(api.DELETE('/api/findings/mining')),
    onSettled: () => client.invalidateQueries({ queryKey: KEY }),
  })
  return {
    begin,
    callOff,
    looking: computed(() => query.data.value?.looking),
    found: computed(() => query.data.value?.found),
    asked: computed(() => !query.isPending.value),
    fault: computed(() => begin.error.value ?? callOff.error.value ?? query.error.value),
  }
}
