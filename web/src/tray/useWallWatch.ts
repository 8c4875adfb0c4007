import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { useSession } from '@/session/useSession'
import { useDraft } from './useDraft'

/** What the draft does to standing walls against what they are for; asked only by those who may know of walls. */
export function useWallWatch() {
  const { may } = useSession()
  const { draft } = useDraft()
  const query = useQuery({
    queryKey: computed(() => ['wall-watch', draft.value?.seen.digest, draft.value?.version]),
    queryFn: () => answer(api.GET('/api/draft/wall-watch')),
    enabled: computed(() => may('walls') && (draft.value?.items.length ?? 0) > 0),
  })
  const notices = computed(() => ((draft.value?.items.length ?? 0) > 0 ? (query.data.value?.notices ?? []) : []))
  const more = computed(() => (notices.value.length > 0 ? (query.data.value?.more ?? 0) : 0))
  return { notices, more }
}
