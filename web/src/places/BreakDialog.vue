<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { ProblemError } from '@/api/problem'
import PageDialog from '@/common/PageDialog.vue'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import SubjectPicker from '@/people/SubjectPicker.vue'
import { counted } from '@/common/words'
import { useDraft } from '@/tray/useDraft'
import type { WhyTarget } from '@/common/useWhy'
import WhyDialog from '@/why/WhyDialog.vue'
import { fromTemplate } from './listLines'

const props = defineProps<{ place: string; placeName: string }>()
const open = defineModel<boolean>({ required: true })

const { add, addMany } = useDraft()
const start = ref<'CARRY_OVER' | 'EMPTY' | 'TEMPLATE'>('CARRY_OVER')
const template = ref<number>()
const keeper = ref<Schemas['SubjectView']>()
const fault = ref('')
const candidates = ref<{ id: string; name: string }[]>([])

const roles = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const templates = useQuery({ queryKey: ['list-templates'], queryFn: () => answer(api.GET('/api/list-templates')) })
const governing = computed(() => (roles.data.value ?? []).filter((role) => role.rights.includes('govern')))
const keeperRole = ref<string>()
const role = computed({
  get: () => keeperRole.value ?? governing.value[0]?.id,
  set: (id) => (keeperRole.value = id),
})

/** The break, and what a template adds to it. A template that names a keeper makes the break possible, so its grants go along. */
const changes = computed<Schemas['Change'][]>(() => {
  const lines = start.value === 'TEMPLATE' ? (templates.data.value?.find((one) => one.id === template.value)?.lines ?? []) : []
  const plain = lines.filter((line) => line.role !== undefined && (line.types ?? []).length === 0)
  const keepers = [
    ...plain.map((line) => ({ subject: line.subject, role: line.role! })),
    ...(keeper.value !== undefined && role.value !== undefined ? [{ subject: { kind: keeper.value.kind, id: keeper.value.id }, role: role.value }] : []),
  ]
  return [
    { kind: 'break', place: props.place, start: start.value === 'CARRY_OVER' ? 'CARRY_OVER' : 'EMPTY', keepers: keepers.length > 0 ? keepers : undefined },
    ...lines.filter((line) => !plain.includes(line)).map((line) => fromTemplate(line, props.place)),
  ]
})
const preview = useQuery({
  queryKey: computed(() => ['preview', props.place, JSON.stringify(changes.value)]),
  queryFn: () => answer(api.POST('/api/draft/preview', { body: { place: props.place, changes: changes.value } })),
  placeholderData: keepPreviousData,
})
const fetchAltered = (part: Part) => answer(api.POST('/api/draft/preview/people', { params: { query: part }, body: { place: props.place, changes: changes.value } }))
const COLUMNS = [
  { title: 'Who', width: '1fr', sort: 'name' },
  { title: 'Before', width: '136px', sort: '-before' },
  { title: 'After', width: '136px', sort: '-after' },
]
const why = ref<WhyTarget>()
function ask(person: string, after: boolean) {
  why.value = { person, place: props.place, changes: changes.value, after }
}
const losesOwn = computed(() => preview.data.value?.own !== undefined && preview.data.value.own.before.includes('govern') && !preview.data.value.own.after.includes('govern'))

watch(templates.data, (now) => (template.value ??= now?.[0]?.id))

function name(candidate: { id: string; name: string }) {
  keeper.value = { kind: 'person', id: candidate.id, name: candidate.name, people: 1, outsiders: 0 }
}

async function draft() {
  fault.value = ''
  candidates.value = []
  try {
    if (changes.value.length === 1) await add.mutateAsync(changes.value[0]!)
    else await addMany.mutateAsync(changes.value)
    open.value = false
  } catch (error) {
    fault.value = error instanceof ProblemError ? error.problem.detail : String(error)
    candidates.value = error instanceof ProblemError ? (error.problem.candidates ?? []) : []
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="760" scrollable aria-labelledby="break-title">
    <form class="sheet pg-dialog" @submit.prevent="draft">
      <h2 id="break-title">Break {{ placeName }}</h2>
      <p>From the break on, {{ placeName }} stands alone: nothing given or withheld further up reaches it or what is below it.</p>
      <div v-if="preview.data.value" class="first" role="status" aria-live="polite">
        <p v-if="preview.data.value.lockOuts > 0" class="fault">Nobody on staff would govern {{ counted(preview.data.value.lockOuts, 'place') }}. Name somebody below.</p>
        <p v-if="losesOwn" class="fault">You would no longer govern {{ placeName }} yourself.</p>
        <p v-if="preview.data.value.lockOuts === 0 && !losesOwn" class="quiet">
          <template v-if="preview.data.value.own">You {{ preview.data.value.own.after.length > 0 ? 'keep what you have here' : 'have nothing here, before and after' }}. </template>
          Somebody on staff governs it before and after.
        </p>
      </div>
      <v-radio-group v-model="start" label="What it starts with" hide-details>
        <v-radio value="CARRY_OVER" label="Carry over: what reaches it now becomes its own, so nothing changes yet" />
        <v-radio value="EMPTY" label="Start empty: only its own entries, and whom you name here" />
        <v-radio value="TEMPLATE" label="Start with a template: a list that was kept under a name" :disabled="(templates.data.value?.length ?? 0) === 0" />
      </v-radio-group>
      <v-select v-if="start === 'TEMPLATE'" v-model="template" :items="templates.data.value ?? []" item-title="name" item-value="id" label="Template" hide-details />
      <div class="keeper">
        <SubjectPicker v-model="keeper" label="Who governs it from then on" />
        <v-select v-model="role" :items="governing" item-title="name" item-value="id" label="As" />
      </div>
      <p class="quiet">{{ start === 'CARRY_OVER' ? 'May be left empty if somebody who governs it is carried over.' : 'Name somebody on staff, or nobody could undo this.' }}</p>
      <section v-if="preview.data.value" aria-labelledby="beside-title">
        <h3 id="beside-title">
          Before {{ counted(preview.data.value.peopleBefore, 'person', 'people') }} can do something here, after {{ preview.data.value.peopleAfter }}
        </h3>
        <p v-if="preview.data.value.peopleAltered === 0" class="quiet">Nobody’s rights here change.</p>
        <PagedList v-else label="Before and after" find="Find a person" :query-key="['preview', 'people', place, changes]" :fetch="fetchAltered" :columns="COLUMNS" :row-height="34" :at-most="5" empty="Nobody’s rights here change.">
          <template #row="{ item }">
            <div role="cell"><PersonName :person="item.person" /></div>
            <div role="cell" class="with-why">
              <Paling :rights="item.before" /><button type="button" class="linklike" :aria-label="`Why ${item.person.name} has this before`" @click="ask(item.person.id, false)">why</button>
            </div>
            <div role="cell" class="with-why">
              <Paling :rights="item.after" /><button type="button" class="linklike" :aria-label="`Why ${item.person.name} would have this after`" @click="ask(item.person.id, true)">why</button>
            </div>
          </template>
        </PagedList>
      </section>
      <div v-if="fault" class="fault" role="alert">
        <p>{{ fault }}</p>
        <p v-if="candidates.length > 0">
          Could be named:
          <template v-for="(candidate, i) in candidates" :key="candidate.id"
            ><span v-if="i > 0">, </span><button type="button" class="linklike" @click="name(candidate)">{{ candidate.name }}</button></template
          >.
        </p>
      </div>
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :loading="add.isPending.value || addMany.isPending.value">Add to the draft</v-btn>
      </div>
    </form>
    <WhyDialog v-if="why" :target="why" @close="why = undefined" />
  </PageDialog>
</template>

<style scoped>
form {
  overflow: auto;
}
.keeper {
  display: grid;
  grid-template-columns: 2fr 1fr;
  gap: 12px;
}
</style>
