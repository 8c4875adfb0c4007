<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, reactive, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { plainly } from '@/api/problem'
import { beginningOf, endOf, kept, lastDayOf } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import FaultList from '@/common/FaultList.vue'
import { counted, listed } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'
import { changeOf, emptySide, formOf, hasCriterion, KINDS, sideOf, stateFor, type SideForm } from './wall'
import WallSideFields from './WallSideFields.vue'

/** A wall while it is being described: what it covers and whom it keeps out are counted as one writes. */
const props = defineProps<{ wall?: Schemas['WallView'] }>()
const emit = defineEmits<{ done: [wall: string]; cancel: [] }>()
const { faults, busy, draft } = useDrafting()

/** How long after the last key the wall is looked at, in milliseconds. */
const PAUSE = 350
const name = ref(props.wall?.name ?? '')
const kind = ref(props.wall?.kind ?? 'screen')
const reason = ref(props.wall?.reason ?? '')
const from = ref(props.wall?.from ? kept(new Date(props.wall.from), false) : '')
const until = ref(lastDayOf(props.wall?.until))
const stands = ref(props.wall === undefined || props.wall.state === 'STANDING')
const sides = reactive<SideForm[]>(props.wall === undefined ? [emptySide()] : props.wall.sides.map(formOf))
const many = computed(() => kind.value === 'sides')

function choose(to: string) {
  kind.value = to
  while (many.value && sides.length < 2) sides.push(emptySide())
  if (!many.value) sides.splice(1)
}

/** A beginning or an end that is not altered stays as it is, to the second: forms know days only. */
const fromShown = from.value
const untilShown = until.value

/** Null while a day cannot be read. */
const change = computed<Schemas['SetWall'] | null>(() => {
  try {
    const beginning = from.value === fromShown ? props.wall?.from : beginningOf(from.value)
    const end = until.value === untilShown ? props.wall?.until : endOf(until.value)
    const written = {
      name: name.value.trim(),
      reason: reason.value.trim() || undefined,
      state: stateFor(stands.value, props.wall?.state),
      from: beginning,
      until: end,
      barrier: kind.value,
      sides: sides.map((side) => sideOf(side, many.value)),
    } as const
    return props.wall === undefined ? ({ kind: 'setWall', ...written } as Schemas['SetWall']) : ({ ...changeOf(props.wall), ...written } as Schemas['SetWall'])
  } catch {
    return null
  }
})
/** Walls of one name are told apart by nobody; it is said, not forbidden. */
const register = useQuery({ queryKey: ['walls'], queryFn: () => answer(api.GET('/api/walls')) })
const sameName = computed(() => (register.data.value ?? []).some((one) => one.id !== props.wall?.id && one.name.trim().toLowerCase() === name.value.trim().toLowerCase()))
const complete = computed(() => name.value.trim() !== '' && sides.every((side) => side.subjects.length > 0 && hasCriterion(side)) && (!many.value || sides.every((side) => side.name.trim() !== '')))
const asked = refDebounced(
  computed(() => (complete.value && change.value !== null ? JSON.stringify({ wall: 'w-described', ...change.value }) : '')),
  PAUSE,
)
const described = useQuery({
  queryKey: computed(() => ['walls', 'described', asked.value]),
  enabled: computed(() => asked.value !== ''),
  queryFn: () => answer(api.POST('/api/walls/description', { body: { change: JSON.parse(asked.value) as Schemas['SetWall'] } })),
  placeholderData: keepPreviousData,
})
const found = computed(() => (asked.value === '' ? undefined : described.data.value))
const HOW: Record<Schemas['TieView']['how'], string> = { OWNS: 'owns', CHECKED_OUT: 'has checked out', OVERSEES: 'oversees', SHARES: 'shares', SHARED_WITH: 'has a share of', HAS_PASS: 'has a pass to' }
const TIES = 4

async function save() {
  faults.value = []
  try {
    beginningOf(from.value)
    endOf(until.value)
  } catch (unread) {
    faults.value = [plainly((unread as Error).message)]
    return
  }
  if (change.value === null) return
  if (await draft([change.value])) {
    const made = props.wall?.id ?? (await answer(api.GET('/api/walls'))).filter((one) => one.drafted === 'MADE' && one.name === name.value.trim()).pop()?.id
    emit('done', made ?? '')
  }
}
</script>

<template>
  <form class="form" @submit.prevent="save">
    <h2>{{ wall ? `Change ${wall.name}` : 'Raise a wall' }}</h2>
    <div class="kinds" role="radiogroup" aria-label="Kind of wall">
      <label v-for="one in KINDS" :key="one.kind" class="kind" :data-chosen="kind === one.kind">
        <input type="radio" name="kind" :value="one.kind" :checked="kind === one.kind" @change="choose(one.kind)" />
        <span><strong>{{ one.title }}</strong> {{ one.about }}</span>
      </label>
    </div>
    <div class="names">
      <v-text-field v-model="name" label="Name" maxlength="300" hide-details />
      <p v-if="sameName" class="caution" role="status">Another wall has this name. Choose one that tells them apart.</p>
      <v-text-field v-model="reason" label="Why, for those who may know" maxlength="2000" hide-details />
    </div>
    <WallSideFields
      v-for="(side, i) in sides"
      :key="i"
      :side="side"
      :kind="kind"
      :number="i + 1"
      :name="name"
      :may-go="many && sides.length > 2"
      @gone="sides.splice(i, 1)"
    />
    <div v-if="many"><v-btn size="small" @click="sides.push(emptySide())">Add a side</v-btn></div>
    <div class="names">
      <DateField v-model="from" label="From the beginning of (empty: at once)" />
      <DateField v-model="until" label="To the end of (empty: no end)" />
    </div>
    <v-checkbox v-model="stands" :label="`It stands as soon as the draft is in force; otherwise it ${wall?.state === 'LIFTED' ? 'stays lifted' : 'is only planned'}`" hide-details />
    <section v-if="found" class="sheet found" aria-label="What this wall would do" aria-live="polite" :aria-busy="described.isFetching.value">
      <p v-for="fault in found.faults" :key="fault" class="fault">{{ fault }}</p>
      <template v-if="found.faults.length === 0">
        <p v-if="found.barsYou" class="caution"><strong>It keeps you out.</strong> Once it is in force you see the wall, and nothing of what lies behind it.</p>
        <p v-if="found.keepers.length > 0" class="caution">It keeps out {{ listed([...found.keepers.map((one) => one.name), ...(found.moreKeepers > 0 ? [counted(found.moreKeepers, 'other')] : [])]) }}, who {{ found.keepers.length === 1 ? 'governs' : 'govern' }} something inside.</p>
        <p>
          Keeps out <strong>{{ counted(found.people, 'person', 'people') }}</strong>, of whom {{ counted(found.losing, 'person reaches', 'people reach') }} something of it now: {{ counted(found.pairs, 'pair') }} of a person and a
          place.
        </p>
        <p v-if="found.conflicts > 0" class="caution">{{ counted(found.conflicts, 'person is', 'people are') }} on two sides, and so kept out of both.</p>
        <p v-if="found.ties.stranded > 0" class="caution">{{ counted(found.ties.stranded, 'document') }} inside would be left that nobody can read.</p>
        <p v-for="tie in found.ties.ties.slice(0, TIES)" :key="tie.how + tie.person.id + tie.place" class="caution">{{ tie.person.name }} {{ HOW[tie.how] }} {{ tie.path }}.</p>
        <p v-if="found.ties.ties.length + found.ties.more > TIES" class="quiet">
          {{ counted(found.ties.ties.length + found.ties.more - TIES, 'further tie') }} of people kept out to papers inside: all of them stand on the wall’s page, under <em>Conflicts</em>.
        </p>
      </template>
    </section>
    <p v-else-if="described.isFetching.value" class="quiet" role="status">Working out what it would do …</p>
    <FaultList :faults="faults" />
    <div class="acts">
      <v-btn @click="emit('cancel')">Cancel</v-btn>
      <v-btn type="submit" class="is-main" :disabled="!complete" :loading="busy">Add to the draft</v-btn>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.kinds {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 14px;
}
.kind {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 2px 8px;
  border-left: 3px solid transparent;
}
.kind[data-chosen='true'] {
  border-left-color: rgb(var(--v-theme-primary));
}
.names {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 10px;
  align-items: start;
}
.found {
  padding: 8px 14px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}
@media (max-width: 900px) {
  .kinds {
    grid-template-columns: 1fr;
  }
}
</style>
