<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { plainly } from '@/api/problem'
import DateField from '@/common/DateField.vue'
import { endOf, kept as dayKept, readDay } from '@/common/dates'
import FaultList from '@/common/FaultList.vue'
import { counted } from '@/common/words'
import PersonPicker from '@/people/PersonPicker.vue'
import PlacePicker from '@/places/PlacePicker.vue'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'

/** Somebody leaves: until then they keep some cases and nothing else, and what they own goes to somebody who stays. One draft. */
const emit = defineEmits<{ done: []; cancel: [] }>()
const route = useRoute()
const { may } = useSession()
const { faults, busy, draft } = useDrafting()

const PAUSE = 350
/** So many are handed over at once at most. */
const HANDED_AT_MOST = 4_000
const leaver = ref<Schemas['PersonView']>()
const until = ref(dayKept(readDay('end of month')!, false))
const kept = ref<Schemas['Found'][]>([])
const place = ref<Schemas['Found']>()
const added = ref(0)
const heir = ref<Schemas['PersonView']>()
const takesBack = ref(false)

const named = useQuery({
  queryKey: computed(() => ['people', 'one', route.query.person]),
  enabled: computed(() => typeof route.query.person === 'string'),
  queryFn: () => answer(api.GET('/api/people/{id}', { params: { path: { id: String(route.query.person) } } })),
})
watch(() => named.data.value, (found) => (leaver.value ??= found?.person), { immediate: true })
watch(() => leaver.value?.id, () => (takesBack.value = false))
watch(place, (chosen) => {
  if (chosen === undefined || chosen === null) return
  if (!kept.value.some((one) => one.id === chosen.id)) kept.value.push(chosen)
  place.value = undefined
  added.value++
})

const wall = computed<Schemas['SetWall'] | undefined>(() => {
  if (leaver.value === undefined || leaver.value === null || kept.value.length === 0) return undefined
  try {
    const end = endOf(until.value)
    return {
      kind: 'setWall',
      name: `${leaver.value.name} leaves`,
      reason: `Leaves us, and keeps ${counted(kept.value.length, 'place')} until then.`,
      state: 'STANDING',
      ...(end === undefined ? {} : { until: end }),
      barrier: 'confine',
      sides: [{ subjects: [{ kind: 'person', id: leaver.value.id }], places: kept.value.map((one) => one.id) }],
    }
  } catch {
    return undefined
  }
})
const asked = refDebounced(
  computed(() => (wall.value === undefined ? '' : JSON.stringify({ wall: 'w-described', ...wall.value }))),
  PAUSE,
)
const described = useQuery({
  queryKey: computed(() => ['walls', 'described', asked.value]),
  enabled: computed(() => asked.value !== ''),
  queryFn: () => answer(api.POST('/api/walls/description', { body: { change: JSON.parse(asked.value) as Schemas['SetWall'] } })),
})
const found = computed(() => (asked.value === '' ? undefined : described.data.value))
const owned = useQuery({
  queryKey: computed(() => ['people', 'owned', leaver.value?.id]),
  enabled: computed(() => leaver.value !== undefined && leaver.value !== null),
  queryFn: () => all(leaver.value!.id),
})
const ownedInAll = ref(0)
async function all(person: string): Promise<Schemas['OwnedView'][]> {
  const found: Schemas['OwnedView'][] = []
  for (let total = 1; found.length < Math.min(total, HANDED_AT_MOST); ) {
    const page = await answer(api.GET('/api/people/{id}/owned', { params: { path: { id: person }, query: { offset: found.length, limit: 1000 } } }))
    total = page.total
    ownedInAll.value = total
    if (page.items.length === 0) break
    found.push(...page.items)
  }
  return found
}
/** What they share and the passes that they made go on without them, unless somebody takes them back. */
const shared = useQuery({
  queryKey: computed(() => ['shares', 'made by', leaver.value?.id]),
  enabled: computed(() => may('access') && leaver.value !== undefined && leaver.value !== null),
  queryFn: () => allShared(leaver.value!.id),
})
const sharedInAll = ref(0)
async function allShared(maker: string): Promise<Schemas['ShareLine'][]> {
  const found: Schemas['ShareLine'][] = []
  for (let total = 1; found.length < Math.min(total, HANDED_AT_MOST); ) {
    const page = await answer(api.GET('/api/shares', { params: { query: { maker, offset: found.length, limit: 1000 } } }))
    total = page.total
    sharedInAll.value = total
    if (page.items.length === 0) break
    found.push(...page.items)
  }
  return found
}
const standing = computed(() => (shared.data.value ?? []).filter((one) => one.state !== 'ENDED' && !one.gone))
const shares = computed(() => standing.value.filter((one) => one.kind === 'SHARE'))
const passes = computed(() => standing.value.filter((one) => one.kind === 'PASS'))

const owns = computed(() => (owned.data.value ?? []).filter((one) => one.owned))
const out = computed(() => (owned.data.value ?? []).filter((one) => one.checkedOut))

async function save() {
  faults.value = []
  try {
    endOf(until.value)
  } catch (unread) {
    faults.value = [plainly((unread as Error).message)]
    return
  }
  const to = heir.value?.id
  const changes: Schemas['Change'][] = [
    wall.value!,
    ...(to === undefined ? [] : owns.value.map((one) => ({ kind: 'setDocument' as const, place: one.place, ...(one.type === undefined ? {} : { type: one.type }), owner: to }))),
    ...(to === undefined ? [] : out.value.map((one) => ({ kind: 'release' as const, place: one.place, condition: 'CHECKED_OUT' as const }))),
    ...(takesBack.value ? shares.value.map((one) => ({ kind: 'takeBackShare' as const, place: one.place, entry: one.id })) : []),
    ...(takesBack.value ? passes.value.map((one) => ({ kind: 'takeBackPass' as const, pass: one.id })) : []),
  ]
  if (await draft(changes)) emit('done')
}
</script>

<template>
  <form class="form" @submit.prevent="save">
    <h2>Confine somebody who leaves</h2>
    <p class="quiet">Until the day they leave they keep the cases you choose, and nothing else shows to them, whatever the access lists say.</p>
    <div class="two">
      <PersonPicker v-model="leaver" label="Who leaves" hide-details />
      <DateField v-model="until" label="They leave at the end of" />
    </div>
    <PlacePicker :key="added" v-model="place" label="Add a case or folder that they keep" hide-details />
    <ul v-if="kept.length > 0">
      <li v-for="(one, i) in kept" :key="one.id">{{ one.path }} <button type="button" class="linklike" :aria-label="`Leave ${one.name} out`" @click="kept.splice(i, 1)">leave out</button></li>
    </ul>
    <section v-if="leaver" class="sheet hands" aria-label="What they hand over">
      <p v-if="owned.isError.value" class="fault" role="alert">What they own could not be found out. {{ owned.error.value?.message }}</p>
      <p v-else-if="owned.data.value === undefined" role="status">Looking for what they own …</p>
      <template v-else>
        <p>
          {{ leaver.name }} owns <strong>{{ counted(owns.length, 'document') }}</strong
          >
          that you may know of{{ out.length > 0 ? ` and has ${counted(out.length, 'document')} checked out` : '' }}.
        </p>
        <p v-if="ownedInAll > owned.data.value.length" class="caution">Of {{ counted(ownedInAll, 'document') }} only the first {{ counted(owned.data.value.length, 'one') }} are handed over at once; come back for the others once these are in force.</p>
        <PersonPicker v-if="owns.length + out.length > 0 && may('access')" v-model="heir" label="Hand these over to (nothing is handed over if left empty)" hide-details />
        <p v-else-if="owns.length + out.length > 0" class="quiet">Handing them over takes the duty for access.</p>
        <p v-if="shared.isError.value" class="fault" role="alert">What they have let others into could not be found out. {{ shared.error.value?.message }}</p>
        <template v-else-if="standing.length > 0">
          <p>
            What {{ leaver.name }} has let others into goes on: {{ [shares.length > 0 ? counted(shares.length, 'share') : '', passes.length > 0 ? counted(passes.length, 'pass', 'passes') : ''].filter(Boolean).join(' and ') }}
            (<router-link :to="{ name: 'shares', params: { view: 'register' }, query: { maker: leaver.id } }">see them</router-link>).
          </p>
          <v-checkbox v-model="takesBack" label="Take these back too, with whatever was opened by them" hide-details density="compact" />
          <p v-if="sharedInAll > (shared.data.value?.length ?? 0)" class="caution">Of {{ counted(sharedInAll, 'one', 'ones') }} only the first {{ counted(shared.data.value!.length, 'one', 'ones') }} are taken back at once; come back for the others once these are in force.</p>
        </template>
      </template>
    </section>
    <section v-if="found" class="sheet hands" aria-label="What this wall would do" aria-live="polite">
      <p v-for="fault in found.faults" :key="fault" class="fault">{{ fault }}</p>
      <p v-if="found.faults.length === 0">
        {{ leaver?.name }} loses what they have on <strong>{{ counted(found.documents, 'document') }}</strong> at once, and keeps {{ counted(found.sides[0]!.documents, 'document') }} in what you chose, as far as their rights go.
      </p>
      <p v-if="found.barsYou" class="caution"><strong>That is you.</strong></p>
    </section>
    <FaultList :faults="faults" />
    <div class="acts">
      <v-btn @click="emit('cancel')">Cancel</v-btn>
      <v-btn type="submit" class="is-main" :disabled="wall === undefined" :loading="busy">Add to the draft</v-btn>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.form > .v-input,
.hands > .v-input {
  flex: none;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  align-items: start;
}
.hands {
  padding: 8px 14px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
ul {
  padding-left: 20px;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}
</style>
