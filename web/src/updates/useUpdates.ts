import { useEventListener, useTimeoutFn } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef, type Ref } from 'vue'

/** How long until another attempt to be told, once the server has refused. */
const AGAIN = 60_000

/**
 * Listens for changes that others put in force, and calls `changed` for each and whenever listening ends.
 * The result says whether the page is being told; as long as it is not, it has to ask by itself.
 */
export function useUpdates(changed: () => void): Ref<boolean> {
  const told = ref(false)
  const stream = shallowRef(new EventSource('/api/updates'))
  const again = useTimeoutFn(() => (stream.value = new EventSource('/api/updates')), AGAIN, { immediate: false })

  useEventListener(stream, 'change', () => {
    told.value = true
    changed()
  })
  useEventListener(stream, 'error', () => {
    told.value = false
    changed()
    // What was only interrupted is opened again by the browser; what was refused is not.
    if (stream.value.readyState === EventSource.CLOSED) again.start()
  })
  onScopeDispose(() => stream.value.close())
  return told
}
