<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import { endOf } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import FaultList from '@/common/FaultList.vue'
import { counted } from '@/common/words'
import PersonPicker from '@/people/PersonPicker.vue'
import PlacePicker from '@/places/PlacePicker.vue'
import { AT_PLACES, KINDS } from './round'

/** A round is set up, and rehearsed: how many items for whom, before it starts. */
const emit = defineEmits<{ begun: [id: number]; cancel: [] }>()
const name = ref('')
const kinds = ref<Schemas['OfKind']['kind'][]>(['GRANT'])
const place = ref<Schemas['Found']>()
const outsidersOnly = ref(false)
const rule = ref<'KEEPER' | 'NAMED'>('KEEPER')
const named = ref<Schemas['PersonView']>()
const standIn = ref<Schemas['PersonView']>()
const due = ref('')
const needsComment = ref(false)
const remindDays = ref(0)
const REMINDERS = [
  { title: 'not by itself', value: 0 },
  { title: 'a day before, and when overdue', value: 1 },
  { title: '3 days before, and when overdue', value: 3 },
  { title: 'a week before, and when overdue', value: 7 },
  { title: 'two weeks before, and when overdue', value: 14 },
]
const preview = ref<Schemas['RoundPreview']>()
const faults = ref<FaultLine[]>([])
const busy = ref(false)

const asked = computed<Schemas['RoundAsked']>(() => ({
  name: name.value.trim() === '' ? 'A round' : name.value.trim(),
  kinds: kinds.value,
  ...(place.value === undefined ? {} : { place: place.value.id }),
  outsidersOnly: outsidersOnly.value,
  rule: rule.value,
  ...(named.value === undefined ? {} : { named: named.value.id }),
  ...(standIn.value === undefined ? {} : { standIn: standIn.value.id }),
  due: due.value === '' ? '2999-01-01T00:00:00Z' : endOf(due.value)!,
  ...(remindDays.value === 0 ? {} : { remindDays: remindDays.value }),
  needsComment: needsComment.value,
}))
const everywhere = computed(() => kinds.value.some((kind) => !AT_PLACES.includes(kind)))
const unassigned = computed(() => preview.value?.reviewers.find((one) => one.person === undefined)?.items ?? 0)
watch(asked, () => (preview.value = undefined))

async function act<T>(doing: () => Promise<T>): Promise<T | undefined> {
  faults.value = []
  busy.value = true
  try {
    return await doing()
  } catch (error) {
    faults.value = faultsOf(error)
    return undefined
  } finally {
    busy.value = false
  }
}
async function rehearse() {
  const found = await act(() => answer(api.POST('/api/rounds/preview', { body: asked.value })))
  if (found !== undefined) preview.value = found
}
async function begin() {
  const line = await act(() => answer(api.POST('/api/rounds', { body: asked.value })))
  if (line !== undefined) emit('begun', line.id)
}
</script>

<template>
  <form class="sheet form" :data-rehearses="preview === undefined ? '' : undefined" @submit.prevent="preview === undefined ? rehearse() : begin()">
    <h2>Begin a round</h2>
    <v-text-field v-model="name" v-focus-first label="Name" maxlength="200" placeholder="Casualties, autumn" />
    <fieldset>
      <legend>What is asked about</legend>
      <v-checkbox v-for="one in KINDS" :key="one.kind" v-model="kinds" :value="one.kind" :label="one.title" />
    </fieldset>
    <div class="line">
      <div class="half"><PlacePicker v-model="place" label="At and below, or everywhere" /></div>
      <v-checkbox v-model="outsidersOnly" label="Only what concerns outsiders" />
    </div>
    <p v-if="everywhere && place !== undefined" class="quiet">The place narrows what stands at places; the rest is asked about as a whole.</p>
    <fieldset>
      <legend>Who is asked</legend>
      <v-radio-group v-model="rule" hide-details aria-label="Who is asked">
        <v-radio value="KEEPER" label="The keeper of each place: whoever governs it and least besides" />
        <v-radio value="NAMED" label="One person, for everything" />
      </v-radio-group>
    </fieldset>
    <div class="line">
      <div class="half"><PersonPicker v-model="named" :label="rule === 'KEEPER' ? 'For what stands at no place' : 'The reviewer'" /></div>
      <div class="half"><PersonPicker v-model="standIn" label="Stand-in, when there is nobody" /></div>
    </div>
    <div class="line">
      <DateField v-model="due" class="half" label="Due at the end of" />
      <v-select v-model="remindDays" class="half" label="Remind reviewers" :items="REMINDERS" />
      <v-checkbox v-model="needsComment" label="A reason for every decision but keep" />
    </div>
    <div v-if="preview" class="found" role="status">
      <p><strong>{{ counted(preview.items, 'item') }}.</strong> <span class="quiet">{{ preview.kinds.map((one) => `${one.items} ${KINDS.find((kind) => kind.kind === one.kind)?.title.toLowerCase()}`).join(', ') }}</span></p>
      <ul>
        <li v-for="one in preview.reviewers" :key="one.person ?? ''" :class="{ warn: one.person === undefined }">{{ one.name ?? 'Nobody may be asked' }}: {{ one.items }}</li>
      </ul>
      <p v-if="unassigned > 0" class="caution">{{ counted(unassigned, 'item') }} would wait for nobody. Name a stand-in, or give them to somebody later.</p>
    </div>
    <FaultList :faults="faults" />
    <div class="actions">
      <v-btn @click="emit('cancel')">Cancel</v-btn>
      <v-btn :loading="busy && preview === undefined" @click="rehearse">See whom it would ask</v-btn>
      <v-btn type="submit" class="is-main" :disabled="preview === undefined || preview.items === 0 || name.trim() === '' || due === ''" :loading="busy && preview !== undefined">Begin it</v-btn>
    </div>
  </form>
</template>

<style scoped>
.form {
  padding: 16px 20px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
fieldset {
  border: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
.line {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
.half {
  flex: 1;
  min-width: 210px;
  max-width: 320px;
}
.found ul {
  columns: 2;
  padding-left: 18px;
}
.actions {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}
</style>
