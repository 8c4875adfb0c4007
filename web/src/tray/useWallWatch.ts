import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { useSession } from '@/session/useSession'
import { useDraft } from './useDraft'

/** A wait that is shorter is not worth a word. */
const LONG = 800

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
  /** Not known yet is not the same as nothing. */
  const waiting = computed(() => query.isFetching.value && query.data.value === undefined)
  const long = refDebounced(waiting, LONG)
  const looking = computed(() => waiting.value && long.value)
  const failed = computed(() => (query.isError.value ? (query.error.value?.message ?? 'The server gave no reason.') : undefined))
  return { notices, more, looking, failed }
}
