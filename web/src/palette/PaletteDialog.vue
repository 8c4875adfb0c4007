<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useDebounceFn, useMutationObserver, watchDebounced } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import PageDialog from '@/common/PageDialog.vue'
import { useSession } from '@/session/useSession'
import { actionsOf } from './screenActions'
import { recentOf, remember } from './recent'
import { matches, roomsAmong, SOURCES, type Offer } from './sources'

/** Goes to anything and does anything of the present screen, by typing a part of its name. */
const open = defineModel<boolean>({ required: true })

/** How long after the last key the server is asked, in milliseconds. */
const PAUSE = 120

const router = useRouter()
const { account, rooms } = useSession()
const typed = ref('')
const text = ref('')
watchDebounced(typed, (now) => (text.value = now.trim()), { debounce: PAUSE })

// A page that was still loading when the palette opened has more to do later.
const screen = document.querySelector<HTMLElement>('#work')
const actions = shallowRef(screen === null ? [] : actionsOf(screen))
const look = useDebounceFn(() => {
  if (screen !== null) actions.value = actionsOf(screen)
}, PAUSE)
useMutationObserver(() => screen, look, { childList: true, subtree: true })
const here = computed(() => [...actions.value, ...roomsAmong(rooms.value)])
const login = account.value?.login ?? ''
const went = useQuery({ queryKey: ['palette-recent', login], queryFn: () => recentOf(login, roomsAmong(rooms.value)), staleTime: 0 })

const found = useQuery({
  queryKey: computed(() => ['palette', text.value]),
  enabled: computed(() => text.value !== ''),
  queryFn: async () => {
    const asked = SOURCES.filter((source) => rooms.value.includes(source.room)).map((source) => source.find(text.value))
    // One source that fails does not take the others along.
    const answers = await Promise.allSettled(asked)
    if (answers.length > 0 && answers.every((one) => one.status === 'rejected')) throw (answers[0] as PromiseRejectedResult).reason
    return answers.flatMap((one) => (one.status === 'fulfilled' ? one.value : []))
  },
})
const settled = computed(() => typed.value.trim() === text.value && (text.value === '' || !found.isFetching.value))
const offers = computed<Offer[]>(() => {
  const wanted = typed.value.trim()
  const last = went.data.value ?? []
  if (wanted === '') return unlike([...last, ...here.value])
  const known = found.data.value ?? []
  return unlike([...last.filter((one) => matches(one, wanted)), ...here.value.filter((one) => matches(one, wanted)), ...(wanted === text.value ? known : [])])
})
function unlike(all: Offer[]): Offer[] {
  const seen = new Set<string>()
  return all.filter((one) => !seen.has(one.id) && seen.add(one.id))
}

const at = ref(0)
watch(typed, () => (at.value = 0))
const list = ref<HTMLElement>()

function move(step: number) {
  if (offers.value.length === 0) return
  at.value = (at.value + step + offers.value.length) % offers.value.length
  void nextTick(() => list.value?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' }))
}

/** Enter is for what is seen: it waits until that answers what is typed. */
const waiting = ref(false)
watch(settled, (now) => {
  if (now && waiting.value) take(offers.value[at.value])
})
function enter() {
  const offer = offers.value[at.value]
  if (offer !== undefined && (settled.value || offer.run !== undefined || offer.fill !== undefined || offer.kind === 'room')) take(offer)
  else waiting.value = !settled.value
}
/** Goes on with the first way in which what is typed may go on; where there is none the key does what it always does. */
function complete(event: KeyboardEvent) {
  const chosen = offers.value[at.value]
  const first = chosen?.fill === undefined ? offers.value.find((offer) => offer.fill !== undefined) : chosen
  if (first === undefined) return
  event.preventDefault()
  take(first)
}
const field = ref<HTMLInputElement>()
function take(offer: Offer | undefined) {
  waiting.value = false
  if (offer === undefined) return
  if (offer.fill !== undefined) {
    typed.value = offer.fill
    field.value?.focus()
    return
  }
  open.value = false
  remember(login, offer)
  if (offer.to !== undefined) void router.push(offer.to)
  // The dialog gives the focus back first.
  else void nextTick(() => offer.run?.())
}
</script>

<template>
  <PageDialog v-model="open" max-width="620" aria-labelledby="palette-title" class="palette">
    <div v-focus-first class="sheet" @keydown.down.prevent="move(1)" @keydown.up.prevent="move(-1)" @keydown.enter.prevent="enter" @keydown.tab.exact="complete">
      <h2 id="palette-title" class="sr">Go to anything, do anything</h2>
      <input
        ref="field"
        v-model="typed"
        type="text"
        role="combobox"
        aria-expanded="true"
        aria-controls="palette-offers"
        :aria-activedescendant="offers.length > 0 ? `offer-${at}` : undefined"
        aria-label="Go to a place, a person, a group, a change, or do something here"
        placeholder="A place, a person, a group … what to do, or a question: can Mia read …"
        autocomplete="off"
        maxlength="200"
      />
      <ul v-show="offers.length > 0" id="palette-offers" ref="list" role="listbox" aria-label="What there is">
        <li v-for="(offer, i) in offers" :id="`offer-${i}`" :key="offer.id" role="option" :aria-selected="i === at" @click="take(offer)" @mousemove="at = i">
          <span class="kind">{{ offer.kind }}</span>
          <span class="title">{{ offer.title }}</span>
          <span class="quiet about">{{ offer.about }}</span>
        </li>
      </ul>
      <p class="quiet says" role="status">
        <template v-if="found.isError.value && text !== ''">{{ found.error.value?.message }}</template>
        <template v-else-if="!settled">Looking …</template>
        <template v-else-if="offers.length === 0">Nothing of that name that you may know.</template>
        <template v-else-if="typed.trim() === ''">What you went to last comes first, then what this screen can do.</template>
        <template v-else-if="offers.some((offer) => offer.fill !== undefined)">↑ ↓ choose, Enter goes there, Tab goes on with the question.</template>
        <template v-else>↑ ↓ choose, Enter goes there.</template>
      </p>
    </div>
  </PageDialog>
</template>

<style scoped>
.sheet {
  overflow: hidden;
}
input {
  width: 100%;
  font: inherit;
  font-size: 1.1rem;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid rgba(var(--v-theme-on-surface), 0.34);
  padding: 12px 16px;
  outline: none;
}
input:focus-visible {
  border-bottom: 2px solid rgb(var(--v-theme-primary));
  padding-bottom: 11px;
}
ul {
  list-style: none;
  max-height: min(52vh, 420px);
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: 84px auto 1fr;
  gap: 12px;
  padding: 3px 16px;
  cursor: pointer;
  white-space: nowrap;
}
li[aria-selected='true'] {
  background: rgba(var(--v-theme-primary), 0.16);
  box-shadow: inset 4px 0 rgb(var(--v-theme-primary));
}
.kind {
  color: var(--pg-quiet);
}
.title {
  font-weight: 600;
  overflow: hidden;
  text-overflow: ellipsis;
}
.about {
  overflow: hidden;
  text-overflow: ellipsis;
  direction: ltr;
}
.says {
  padding: 6px 16px;
  border-top: 1px solid var(--pg-line);
  font-size: 0.92rem;
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 70px 1fr;
  }
  .about {
    grid-column: 2;
  }
}
</style>

<style>
/* Always at the same height: what is found must not move under the hand. */
.palette > .v-overlay__content {
  top: 10vh;
  align-self: flex-start;
}
</style>
