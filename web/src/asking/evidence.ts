import type { RouteLocationRaw } from 'vue-router'
import type { Schemas } from '@/api/client'

/** Words with which a question begins; other texts are names of things. */
const BEGINNINGS = /^(can|could|may|does|do|why|who|what)\s+\S/i

export const looksAsked = (text: string) => BEGINNINGS.test(text)

/** Whose days are meant. */
export const zone = () => Intl.DateTimeFormat().resolvedOptions().timeZone

/** Where what an answer rests on can be looked at. */
export function evidenceOf(evidence: Schemas['Proofs'] | undefined): { title: string; to: RouteLocationRaw } | undefined {
  if (evidence === undefined) return undefined
  const [kind, id] = evidence.thing?.split(/:(.*)/s) ?? []
  switch (evidence.kind) {
    case 'why':
    case 'ways':
      return { title: 'The place, and why', to: { name: 'places', params: { id: evidence.place }, query: { show: 'people' } } }
    case 'people':
      return { title: 'Everybody there', to: { name: 'places', params: { id: evidence.place }, query: { show: 'people' } } }
    case 'reach':
      return evidence.person !== undefined
        ? { title: 'The statement', to: { name: 'statements', query: { kind: 'subject', id: `person:${evidence.person}` } } }
        : { title: 'What it is named by', to: { name: 'people', params: { view: kind === 'unit' ? 'units' : 'groups', id } } }
    case 'wall':
      return { title: 'The wall', to: { name: 'walls', params: { id }, query: { view: 'barred' } } }
    default:
      return { title: 'Its history', to: { name: 'journal', query: { thing: evidence.thing, name: evidence.thingName } } }
  }
}
