<script setup lang="ts">
import DateField from '@/common/DateField.vue'
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { beginningOf, endOf, toTheEndOf } from '@/common/dates'
import { day } from '@/common/words'
import SubjectPicker from '@/people/SubjectPicker.vue'
import { useDrafting } from '@/tray/useDrafting'

/** Who must be able to see everything at a place and below in order to check it, since when, until when and why. */
const props = defineProps<{ detail: Schemas['PlaceDetail'] }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft, draftAt } = useDrafting()
const subject = ref<Schemas['SubjectView']>()
const from = ref('')
const until = ref('')
const note = ref('')

async function appoint() {
  const done = await draft([
    {
      kind: 'addOversight',
      place: props.detail.place.id,
      subject: { kind: subject.value!.kind, id: subject.value!.id },
      from: beginningOf(from.value),
      until: endOf(until.value),
      note: note.value.trim(),
    },
  ])
  if (done) {
    subject.value = undefined
    note.value = ''
  }
}
const end = (one: Schemas['Overseer']) => draftAt([{ kind: 'removeOversight', place: one.place, entry: one.entry }])
</script>

<template>
  <PageDialog v-model="open" max-width="620" scrollable aria-labelledby="overseers-title">
    <form class="sheet pg-dialog" @submit.prevent="appoint">
      <h2 id="overseers-title">Overseers of {{ detail.nameDrafted }}</h2>
      <p class="quiet">An overseer finds and reads everything here and below, to check it, past breaks, clearances and conditions; never past a wall, and never somebody from outside.</p>
      <ul v-if="detail.overseers.length > 0">
        <li v-for="one in detail.overseers" :key="one.entry">
          <strong>{{ one.subject }}</strong><span v-if="!one.here" class="quiet">, appointed at {{ one.placeName }}</span>
          <span class="quiet">{{ one.from ? `, from ${day(one.from)}` : '' }}{{ one.until ? `, ${toTheEndOf(one.until)}` : '' }}{{ one.note ? `: ${one.note}` : '' }}</span>
          <span v-if="one.drafted" class="mark">drafted</span>
          <button v-if="detail.mayOversee && one.here" type="button" class="linklike" :aria-label="`End the oversight of ${one.subject}`" @click="end(one)">End it</button>
        </li>
      </ul>
      <p v-else class="quiet">Nobody oversees this place.</p>
      <template v-if="detail.mayOversee">
        <SubjectPicker v-model="subject" label="Appoint: a person, group or unit" />
        <div class="dates">
          <DateField v-model="from" label="From (at once if left empty)" />
          <DateField v-model="until" label="To the end of (no end if left empty)" />
        </div>
        <v-text-field v-model="note" label="Why" maxlength="400" hide-details />
        <FaultList :faults="faults" />
      </template>
      <div class="actions">
        <v-btn @click="open = false">Close</v-btn>
        <v-btn v-if="detail.mayOversee" type="submit" class="is-main" :disabled="subject === undefined || note.trim() === ''" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
.dates {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
ul {
  padding-left: 18px;
}
li button {
  margin-left: 8px;
}
</style>
