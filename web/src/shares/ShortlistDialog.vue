<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { followMoved } from '@/common/followMoved'
import SubjectPicker from '@/people/SubjectPicker.vue'
import { useDrafting } from '@/tray/useDrafting'

/** The shortlist of a unit: few audiences, in order, each with a sentence for whoever shares. */
const props = defineProps<{ line: Schemas['ShortlistView'] }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const AT_MOST = 12
interface Row {
  key: number
  subject: Schemas['SubjectView'] | undefined
  name: string
  text: string
}
let keys = 0
const rows = ref<Row[]>(props.line.audiences.map((one) => ({ key: ++keys, subject: one.subject, name: one.name, text: one.text ?? '' })))
if (rows.value.length === 0) add()

function add() {
  rows.value.push({ key: ++keys, subject: undefined, name: '', text: '' })
}
function move(event: Event, at: number, by: number) {
  const [row] = rows.value.splice(at, 1)
  if (row) rows.value.splice(at + by, 0, row)
  followMoved(event.currentTarget, at, by)
}
function chose(row: Row, subject: Schemas['SubjectView'] | undefined) {
  row.subject = subject
  if (row.name === '' && subject) row.name = subject.name
}
/** Nothing that was written is left out without a word. */
const nameless = computed(() => rows.value.findIndex((row) => row.subject === undefined && (row.name.trim() !== '' || row.text.trim() !== '')) + 1)
async function save() {
  const audiences = rows.value
    .filter((row) => row.subject !== undefined)
    .map((row) => ({ subject: { kind: row.subject!.kind, id: row.subject!.id }, name: row.name.trim(), text: row.text.trim() === '' ? undefined : row.text.trim() }))
  if (await draft([{ kind: 'setShortlist', unit: props.line.unit, audiences }])) open.value = false
}
</script>

<template>
  <PageDialog v-model="open" max-width="820" scrollable aria-labelledby="shortlist-title">
    <form class="sheet pg-dialog" data-moves @submit.prevent="save">
      <h2 id="shortlist-title">Shortlist of {{ line.name }}</h2>
      <p class="quiet">Groups, units or all staff, at most {{ AT_MOST }}: what is proposed first is chosen most.</p>
      <fieldset v-for="(row, at) in rows" :key="row.key">
        <legend>{{ at + 1 }}</legend>
        <SubjectPicker :model-value="row.subject" label="Group, unit or all staff" @update:model-value="chose(row, $event)" />
        <v-text-field v-model="row.name" label="Its name in the list" maxlength="300" hide-details />
        <v-text-field v-model="row.text" class="text" label="A sentence for whoever shares (may be left empty)" maxlength="2000" hide-details />
        <div class="moves">
          <button type="button" class="linklike" :disabled="at === 0" :data-row-of="row.key" :data-at="at" data-by="-1" :aria-label="`Put audience ${at + 1} further up`" @click="move($event, at, -1)">Up</button>
          <button type="button" class="linklike" :disabled="at === rows.length - 1" :data-row-of="row.key" :data-at="at" data-by="1" :aria-label="`Put audience ${at + 1} further down`" @click="move($event, at, 1)">Down</button>
          <button type="button" class="linklike" :aria-label="`Leave audience ${at + 1} out`" @click="rows.splice(at, 1)">Leave out</button>
        </div>
      </fieldset>
      <v-btn size="small" class="more" :disabled="rows.length >= AT_MOST" @click="add">One more</v-btn>
      <p v-if="nameless > 0" class="caution" role="status">Say who audience {{ nameless }} is, or leave it out.</p>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="nameless > 0 || !rows.some((row) => row.subject)" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
form {
  overflow: auto;
}
fieldset {
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  padding: 6px 12px 10px;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
}
.text {
  grid-column: 1 / -1;
}
.moves {
  grid-column: 1 / -1;
  display: flex;
  gap: 14px;
}
.more {
  align-self: flex-start;
}
</style>
