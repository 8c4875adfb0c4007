import { onScopeDispose, ref, type Ref } from 'vue'

/** How long until another attempt to be told, once the server has refused. */
const AGAIN = 60_000

/**
 * Listens for changes that others put in force, and calls `changed` for each and whenever listening ends.
 * The result says whether the page is being told; as long as it is not, it has to ask by itself.
 */
export function useUpdates(changed: () => void): Ref<boolean> {
  const told = ref(false)
  let stream: EventSource | undefined
  let again: number | undefined

  const listen = () => {
    stream = new EventSource('/api/updates')
    stream.addEventListener('change', () => {
      told.value = true
      changed()
    })
    stream.onerror = () => {
      told.value = false
      changed()
      // What was only interrupted is opened again by the browser; what was refused is not.
      if (stream?.readyState === EventSource.CLOSED) {
        again = window.setTimeout(listen, AGAIN)
      }
    }
  }

  listen()
  onScopeDispose(() => {
    stream?.close()
    window.clearTimeout(again)
  })
  return told
}
