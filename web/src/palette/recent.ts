import { useLocalStorage } from '@vueuse/core'
import { answer, api } from '@/api/client'
import type { Offer } from './sources'

const KEPT = 12

/** Where an account went: the room or the thing, never a name. What somebody may not know any more is looked up anew and not found. */
interface Went {
  id: string
  kind: string
  /** As place:ID; missing for a room. */
  thing?: string | undefined
  to: NonNullable<Offer['to']>
}

const recent = useLocalStorage<Record<string, Went[]>>('palegate-recent', {})

export function remember(login: string, offer: Offer) {
  const { id, kind, thing, to } = offer
  if (to === undefined || (thing === undefined && kind !== 'room')) return
  const others = (recent.value[login] ?? []).filter((one) => one.id !== id)
  recent.value = { ...recent.value, [login]: [{ id, kind, thing, to }, ...others].slice(0, KEPT) }
}

/** The last first, with the names that they have now; what is gone or hidden is left out. */
export async function recentOf(login: string, rooms: Offer[]): Promise<Offer[]> {
  const went = recent.value[login] ?? []
  const asked = went.flatMap((one) => one.thing ?? [])
  const named = asked.length === 0 ? [] : await answer(api.GET('/api/things', { params: { query: { thing: asked } } }))
  const names = new Map(named.map((one) => [one.thing, one]))
  return went.flatMap((one) => {
    if (one.thing === undefined) return rooms.filter((room) => room.id === one.id)
    const known = names.get(one.thing)
    if (known === undefined) return []
    const title = one.kind !== 'statement' ? known.name : one.thing.startsWith('place:') ? `Who can reach ${known.name}` : `What ${known.name} can reach`
    return [{ ...one, title, about: known.path ?? '' }]
  })
}
