import { useLocalStorage } from '@vueuse/core'
import type { Offer } from './sources'

const KEPT = 12

/** By the account, since several people may use one browser. Only where one went: what one did may not be there any more. */
const recent = useLocalStorage<Record<string, Offer[]>>('palegate-recent', {})

export function recentOf(login: string): Offer[] {
  return recent.value[login] ?? []
}

export function remember(login: string, offer: Offer) {
  if (offer.to === undefined) return
  const others = recentOf(login).filter((one) => one.id !== offer.id)
  recent.value = { ...recent.value, [login]: [offer, ...others].slice(0, KEPT) }
}
