import type { RouteLocationRaw } from 'vue-router'

/** Where the thing that a change is about can be seen; nothing where it has no page. */
export function thingLink(item: { about: string; aboutId: string }): RouteLocationRaw | undefined {
  const ROOMS: Record<string, RouteLocationRaw> = {
    place: { name: 'places', params: { id: item.aboutId } },
    group: { name: 'people', params: { view: 'groups', id: item.aboutId } },
    person: { name: 'people', params: { view: 'persons', id: item.aboutId } },
    unit: { name: 'people', params: { view: 'units' } },
    role: { name: 'roles', params: { id: item.aboutId } },
    type: { name: 'types', params: { id: item.aboutId } },
    wall: { name: 'walls', params: { id: item.aboutId } },
    draft: { name: 'drafts', params: { id: item.aboutId } },
    duty: { name: 'duties' },
    pass: { name: 'shares', params: { view: 'register' }, query: { show: 'PASSES' } },
    separation: { name: 'roles' },
  }
  return ROOMS[item.about]
}
