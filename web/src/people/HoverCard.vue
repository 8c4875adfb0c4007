<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useEventListener, useTimeoutFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { counted, listed } from '@/common/words'

/** A short card of a person or a group, wherever their name is a link: on hover after a moment, and with the focus. */
const PAUSE = 350
const NAMED = /^\/people\/(groups|persons)\/([^/?#]+)$/
const FEW = 3

interface Of {
  view: 'groups' | 'persons'
  id: string
}
const of = ref<Of>()
const place = ref({ left: 0, top: 0 })
let link: HTMLAnchorElement | undefined
let next: { link: HTMLAnchorElement; of: Of } | undefined

const { start, stop } = useTimeoutFn(
  () => {
    if (next === undefined || !next.link.isConnected) return
    link = next.link
    of.value = next.of
    const at = link.getBoundingClientRect()
    // Below the name, or above it where there is no room.
    place.value = { left: Math.max(8, Math.min(at.left, window.innerWidth - 340)), top: at.bottom + 150 > window.innerHeight ? Math.max(8, at.top - 116) : at.bottom + 2 }
    link.setAttribute('aria-describedby', 'hover-card')
  },
  PAUSE,
  { immediate: false },
)
function close() {
  stop()
  next = undefined
  link?.removeAttribute('aria-describedby')
  link = undefined
  of.value = undefined
}
function meant(target: EventTarget | null): { link: HTMLAnchorElement; of: Of } | undefined {
  const anchor = target instanceof Element ? target.closest<HTMLAnchorElement>('a[href]') : null
  const found = anchor === null ? null : NAMED.exec(anchor.getAttribute('href') ?? '')
  // On the page of the thing itself there is all of it.
  return anchor === null || found === null || window.location.pathname === found[0] ? undefined : { link: anchor, of: { view: found[1] as Of['view'], id: decodeURIComponent(found[2]!) } }
}
const card = ref<HTMLElement>()
/** The pointer may go onto the card; what lies below it can be pressed all the same. */
function isOnCard(event: PointerEvent): boolean {
  const box = card.value?.getBoundingClientRect()
  return box !== undefined && event.clientX >= box.left && event.clientX <= box.right && event.clientY >= box.top - 4 && event.clientY <= box.bottom
}
function begin(target: EventTarget | null) {
  const found = meant(target)
  if (found === undefined) {
    close()
    return
  }
  if (found.link === link || found.link === next?.link) return
  close()
  next = found
  start()
}
useEventListener(document, 'pointerover', (event) => event.pointerType === 'mouse' && !isOnCard(event) && begin(event.target))
useEventListener(document, 'focusin', (event) => begin(event.target))
useEventListener(document, 'keydown', (event) => event.key === 'Escape' && close())
useEventListener(document, 'click', close)
useEventListener(document, 'scroll', close, { capture: true, passive: true })

const group = useQuery({
  queryKey: computed(() => ['card', 'group', of.value?.id]),
  enabled: computed(() => of.value?.view === 'groups'),
  queryFn: () => answer(api.GET('/api/groups/{id}', { params: { path: { id: of.value!.id } } })),
})
const person = useQuery({
  queryKey: computed(() => ['card', 'person', of.value?.id]),
  enabled: computed(() => of.value?.view === 'persons'),
  queryFn: () => answer(api.GET('/api/people/{id}', { params: { path: { id: of.value!.id } } })),
})
const lines = computed<string[] | undefined>(() => {
  if (of.value?.view === 'groups' && group.data.value !== undefined) {
    const { group: line, parents } = group.data.value
    return [
      [counted(line.people, 'person', 'people'), line.outsiders > 0 ? counted(line.outsiders, 'outsider') : '', line.entries > 0 ? `named in ${counted(line.entries, 'entry', 'entries')}` : 'named in no entry'].filter(Boolean).join(' · '),
      line.description ?? '',
      parents.length > 0 ? `In ${listed([...parents.slice(0, FEW).map((one) => one.name), ...(parents.length > FEW ? [counted(parents.length - FEW, 'other')] : [])])}` : '',
    ].filter(Boolean)
  }
  if (of.value?.view === 'persons' && person.data.value !== undefined) {
    const one = person.data.value
    const groups = one.groups.map((belongs) => belongs.name)
    return [
      [one.person.external ? 'outsider' : (one.person.unit ?? 'staff'), one.person.active ? '' : 'not active'].filter(Boolean).join(' · '),
      `Reaches ${counted(one.documents, 'document')}`,
      groups.length > 0 ? `In ${listed([...groups.slice(0, FEW), ...(groups.length > FEW ? [counted(groups.length - FEW, 'other')] : [])])}` : '',
    ].filter(Boolean)
  }
  return undefined
})
const name = computed(() => (of.value?.view === 'groups' ? group.data.value?.group.name : person.data.value?.person.name))
</script>

<template>
  <div v-if="of !== undefined && lines !== undefined" id="hover-card" ref="card" class="sheet card" role="tooltip" :style="{ left: `${place.left}px`, top: `${place.top}px` }">
    <strong>{{ name }}</strong>
    <p v-for="line in lines" :key="line">{{ line }}</p>
  </div>
</template>

<style scoped>
.card {
  position: fixed;
  pointer-events: none;
  z-index: 3000;
  max-width: 330px;
  padding: 8px 12px;
  box-shadow: 0 3px 12px rgb(0 0 0 / 18%);
  font-size: 0.94rem;
}
.card p {
  margin: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  display: -webkit-box;
  -webkit-line-clamp: 2;
  -webkit-box-orient: vertical;
}
</style>
