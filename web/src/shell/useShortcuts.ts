import { useEventListener, useLocalStorage } from '@vueuse/core'

/** Whether single keys act; people who dictate or tremble switch them off (WCAG 2.1.4). */
export const shortcutsOn = useLocalStorage('palegate-shortcuts', true, {
  serializer: { read: (kept) => kept !== 'off', write: (on) => (on ? 'on' : 'off') },
  writeDefaults: false,
})

export function switchShortcuts(on: boolean) {
  shortcutsOn.value = on
}

/** Keys belong to the field, the list or the dialog that is open, also while the focus is still on its way there. */
function belongsElsewhere(target: EventTarget | null): boolean {
  const here = 'input, textarea, select, [contenteditable], [role="dialog"], [role="listbox"], [role="menu"]'
  return (target instanceof HTMLElement && target.closest(here) !== null) || document.querySelector('.v-overlay--active:is(.v-dialog, .v-menu)') !== null
}

/** Runs an action when its key is pressed outside of fields, open lists and dialogs. */
export function useShortcuts(actions: Record<string, () => void>) {
  function pressed(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || belongsElsewhere(event.target)) {
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
