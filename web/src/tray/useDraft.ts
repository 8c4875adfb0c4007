import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useNotices } from '@/common/useNotices'

const KEY = ['draft']

/** The signed-in person's draft: what is in it, and what it would do. */
export function useDraft() {
  const client = useQueryClient()
  const notices = useNotices()
  const query = useQuery({ queryKey: KEY, queryFn: () => answer(api.GET('/api/draft')) })
  const draft = computed(() => query.data.value)

  /** Everything on screen may show the draft, so everything is asked for again. */
  async function refresh(now?: Schemas['Draft']) {
    if (now !== undefined) client.setQueryData(KEY, now)
    await client.invalidateQueries({ predicate: (asked) => asked.queryKey[0] !== 'session' })
  }

  const add = useMutation({
    mutationFn: (change: Schemas['Change']) => answer(api.POST('/api/draft/changes', { body: change })),
    // What is shown is fetched again meanwhile; nobody has to wait for it.
    onSuccess: (now) => void refresh(now),
  })
  const addMany = useMutation({
    mutationFn: (changes: Schemas['Change'][]) => answer(api.POST('/api/draft/changes/many', { body: { changes } })),
    // What is shown is fetched again meanwhile; nobody has to wait for it.
    onSuccess: (now) => void refresh(now),
  })
  const reorder = useMutation({
    mutationFn: (items: number[]) => answer(api.POST('/api/draft/order', { body: { items } })),
    // What is shown is fetched again meanwhile; nobody has to wait for it.
    onSuccess: (now) => void refresh(now),
    onError: notices.fail,
  })
  const remove = useMutation({
    mutationFn: (id: number) => answer(api.DELETE('/api/draft/changes/{id}', { params: { path: { id } } })),
    // What is shown is fetched again meanwhile; nobody has to wait for it.
    onSuccess: (now) => void refresh(now),
    onError: notices.fail,
  })
  const discard = useMutation({
    mutationFn: () => answer(api.DELETE('/api/draft')),
    onSuccess: async () => {
      notices.say('The draft is discarded. Nothing was changed.')
      await refresh()
    },
    onError: notices.fail,
  })
  const renew = useMutation({
    mutationFn: () => answer(api.POST('/api/draft/renewal')),
    // What is shown is fetched again meanwhile; nobody has to wait for it.
    onSuccess: (now) => void refresh(now),
    onError: notices.fail,
  })
  const putInForce = useMutation({
    mutationFn: (body: Schemas['PutInForce']) => answer(api.POST('/api/draft/in-force', { body })),
    onSettled: () => refresh(),
  })

  return { draft, isFetching: query.isFetching, add, addMany, reorder, remove, discard, renew, putInForce, refresh }
}
