import { useEventListener, useLocalStorage } from '@vueuse/core'

/** Whether single keys act; people who dictate or tremble switch them off (WCAG 2.1.4). */
export const shortcutsOn = useLocalStorage('palegate-shortcuts', true, {
  serializer: { read: (kept) => kept !== 'off', write: (on) => (on ? 'on' : 'off') },
  writeDefaults: false,
})

export function switchShortcuts(on: boolean) {
  shortcutsOn.value = on
}

function isWriting(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable], [role="dialog"]') !== null
}

/** Runs an action when its key is pressed outside of fields and dialogs. */
export function useShortcuts(actions: Record<string, () => void>) {
  function pressed(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || isWriting(event.target)) {
      return
    }
    const action = actions[event.key]
    if (action !== undefined && (shortcutsOn.value || event.key === 'Escape')) {
      event.preventDefault()
      action()
    }
  }
  useEventListener(window, 'keydown', pressed)
}
