import type { RouteLocationRaw } from 'vue-router'
import { answer, api } from '@/api/client'
import { looksAsked, zone } from '@/asking/evidence'
import { ROOMS } from '@/common/rooms'
import { counted, moment } from '@/common/words'

/** One line of the palette: somewhere to go, or something to do. */
export interface Offer {
  /** Tells it from all others, and is how it is remembered. */
  id: string
  /** What kind of thing it is, in a word. */
  kind: string
  title: string
  about: string
  /** What it leads to, as place:ID, by which its name is found again. */
  thing?: string | undefined
  to?: RouteLocationRaw
  run?: () => void
  /** What stands in the field when it is taken: the palette stays open, to be typed on. */
  fill?: string
}

/** Answers a text with offers. Further ones, such as questions that are typed, are sources like these. */
export interface Source {
  name: string
  /** The room that somebody’s duties must use for it to be asked. */
  room: string
  find: (text: string) => Promise<Offer[]>
}

const FEW = 5
const part = (text: string) => ({ text, limit: FEW, offset: 0 })

export const SOURCES: Source[] = [
  {
    name: 'questions',
    room: 'journal',
    find: async (text) => {
      if (!looksAsked(text)) return []
      const found = await answer(api.GET('/api/asking', { params: { query: { text, zone: zone() } } }))
      if (!found.understood) return []
      const back = found.askedBack.flatMap((one) => one.options).slice(0, FEW)
      return back.length > 0
        ? back.map((one) => ({ id: `ask ${one.text}`, kind: 'you mean', title: one.name, about: one.about, to: { name: 'ask', query: { q: one.text } } }))
        : [{ id: `ask ${text}`, kind: 'answer', title: found.sentence ?? found.reading ?? text, about: found.reading ?? '', to: { name: 'ask', query: { q: text } } }]
    },
  },
  {
    name: 'completions',
    room: 'journal',
    find: async (text) =>
      // One letter begins everything.
      text.length < 2 ? [] : (await answer(api.GET('/api/asking/completions', { params: { query: { text } } }))).map((one) => ({ id: `complete ${one}`, kind: 'ask', title: one.trim(), about: one.endsWith(' ') ? '…' : '', fill: one })),
  },
  {
    name: 'places',
    room: 'places',
    find: async (text) =>
      (await answer(api.GET('/api/places', { params: { query: { text } } }))).items
        .slice(0, FEW)
        .map((one) => ({ id: `place ${one.id}`, thing: `place:${one.id}`, kind: one.kind, title: one.name, about: one.path, to: { name: 'places', params: { id: one.id } } })),
  },
  {
    name: 'people',
    room: 'people',
    find: async (text) =>
      (await answer(api.GET('/api/people', { params: { query: part(text) } }))).items.map((one) => ({
        id: `person ${one.id}`,
        thing: `person:${one.id}`,
        kind: one.external ? 'outsider' : 'person',
        title: one.name,
        about: [one.unit, one.active ? '' : 'not active'].filter(Boolean).join(' · '),
        to: { name: 'people', params: { view: 'persons', id: one.id } },
      })),
  },
  {
    name: 'groups',
    room: 'people',
    find: async (text) =>
      (await answer(api.GET('/api/groups', { params: { query: part(text) } }))).items.map((one) => ({
        id: `group ${one.id}`,
        thing: `group:${one.id}`,
        kind: 'group',
        title: one.name,
        about: counted(one.people, 'person', 'people'),
        to: { name: 'people', params: { view: 'groups', id: one.id } },
      })),
  },
  {
    name: 'roles',
    room: 'roles',
    find: async (text) =>
      (await answer(api.GET('/api/roles')))
        .filter((one) => one.name.toLowerCase().includes(text.toLowerCase()))
        .slice(0, FEW)
        .map((one) => ({ id: `role ${one.id}`, thing: `role:${one.id}`, kind: 'role', title: one.name, about: `${counted(one.grants, 'grant')}`, to: { name: 'roles', params: { id: one.id } } })),
  },
  {
    name: 'types',
    room: 'types',
    find: async (text) =>
      (await answer(api.GET('/api/types')))
        .filter((one) => `${one.name} ${one.shortName ?? ''}`.toLowerCase().includes(text.toLowerCase()))
        .slice(0, FEW)
        .map((one) => ({ id: `type ${one.id}`, thing: `type:${one.id}`, kind: 'type', title: one.name, about: counted(one.documents, 'document'), to: { name: 'types', params: { id: one.id } } })),
  },
  {
    name: 'walls',
    room: 'walls',
    find: async (text) =>
      (await answer(api.GET('/api/walls')))
        .filter((one) => one.name.toLowerCase().includes(text.toLowerCase()))
        .slice(0, FEW)
        .map((one) => ({ id: `wall ${one.id}`, thing: `wall:${one.id}`, kind: 'wall', title: one.name, about: `${one.kind}, keeps out ${counted(one.people, 'person', 'people')}`, to: { name: 'walls', params: { id: one.id } } })),
  },
  {
    name: 'statements',
    room: 'statements',
    find: async (text) => [
      ...(await answer(api.GET('/api/places', { params: { query: { text } } }))).items
        .slice(0, 2)
        .map((one) => ({ id: `statement ${one.id}`, thing: `place:${one.id}`, kind: 'statement', title: `Who can reach ${one.name}`, about: one.path, to: { name: 'statements', query: { kind: 'place', id: one.id } } })),
      ...(await answer(api.GET('/api/people', { params: { query: part(text) } }))).items
        .slice(0, 2)
        .map((one) => ({ id: `statement ${one.id}`, thing: `person:${one.id}`, kind: 'statement', title: `What ${one.name} can reach`, about: one.unit ?? '', to: { name: 'statements', query: { kind: 'subject', id: `person:${one.id}` } } })),
    ],
  },
  {
    name: 'changes',
    room: 'journal',
    find: async (text) =>
      (await answer(api.GET('/api/journal', { params: { query: part(text) } }))).items.map((one) => ({
        id: `change ${one.number}`,
        kind: `change ${one.number}`,
        title: one.note,
        about: `${one.author}, ${moment(one.at)}`,
        to: { name: 'journal', params: { number: one.number } },
      })),
  },
]

/** The rooms themselves. */
export function roomsAmong(mine: readonly string[]): Offer[] {
  return ROOMS.filter((room) => mine.includes(room.name)).map((room) => ({ id: `room ${room.name}`, kind: 'room', title: room.title, about: room.about, to: { name: room.name } }))
}

/** Whether all words of the text stand in what an offer says, in whatever order. */
export function matches(offer: Offer, text: string): boolean {
  const said = `${offer.title} ${offer.kind} ${offer.about}`.toLowerCase()
  return text.toLowerCase().split(/\s+/).every((word) => said.includes(word))
}
