import { useLocalStorage } from '@vueuse/core'

/** The place at which each account was last, in this browser. */
const last = useLocalStorage<Record<string, string>>('palegate-place', {})

export function lastPlaceOf(login: string): string | undefined {
  return last.value[login]
}

export function rememberPlace(login: string, place: string | undefined) {
  const { [login]: before, ...others } = last.value
  if (before !== place) last.value = place === undefined ? others : { ...others, [login]: place }
}
