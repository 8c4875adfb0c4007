<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { plainly } from '@/api/problem'
import DateField from '@/common/DateField.vue'
import { endOf, toTheEndOf } from '@/common/dates'
import FaultList from '@/common/FaultList.vue'
import { counted, fromNow } from '@/common/words'
import SubjectPicker from '@/people/SubjectPicker.vue'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'

/** Whom the wall does not keep out, and for how long. */
const props = defineProps<{ wall: Schemas['WallView'] }>()
const { may } = useSession()
const { faults, busy, draft, draftAt } = useDrafting()
const subject = ref<Schemas['SubjectView']>()
const until = ref('')
const shown = computed(() => [...props.wall.exceptions].sort((one, other) => Number(other.current) - Number(one.current) || (one.until ?? '9').localeCompare(other.until ?? '9')))
const same = (one: Schemas['ExceptionView']) => ({ subject: { kind: one.subject.kind, id: one.subject.id }, ...(one.until === undefined ? {} : { until: one.until }) })

async function except() {
  faults.value = []
  let end: string | undefined
  try {
    end = endOf(until.value)
  } catch (unread) {
    faults.value = [plainly((unread as Error).message)]
    return
  }
  if (await draft([{ kind: 'addException', wall: props.wall.id, subject: { kind: subject.value!.kind, id: subject.value!.id }, ...(end === undefined ? {} : { until: end }) }])) {
    subject.value = undefined
    until.value = ''
  }
}
</script>

<template>
  <div class="exceptions">
    <p v-if="shown.length === 0" class="quiet">No exceptions: it keeps out everybody whom it names.</p>
    <p v-for="one in shown" :key="one.subject.kind + one.subject.id + one.until" :class="{ quiet: !one.current }">
      {{ one.subject.name }}<template v-if="one.subject.kind !== 'person'"> ({{ counted(one.subject.people, 'person', 'people') }})</template>:
      {{ one.current ? (one.until ? `${toTheEndOf(one.until)}, ${fromNow(one.until)}` : 'without an end') : 'has ended' }}
      <button v-if="may('walls')" type="button" class="linklike" :aria-label="`End the exception of ${one.subject.name}`" @click="draftAt([{ kind: 'removeException', wall: wall.id, ...same(one) }])">End it</button>
    </p>
    <form v-if="may('walls')" class="add" @submit.prevent="except">
      <SubjectPicker v-model="subject" label="Except whom" hide-details />
      <DateField v-model="until" label="To the end of (no end if left empty)" />
      <v-btn type="submit" size="small" :disabled="!subject" :loading="busy">Add to the draft</v-btn>
    </form>
    <p v-if="may('walls')" class="quiet">The reason of an exception is the note with which the draft is put in force; it stands in the wall’s history.</p>
    <FaultList :faults="faults" />
  </div>
</template>

<style scoped>
.exceptions {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.add {
  display: grid;
  grid-template-columns: 1.4fr 1fr auto;
  gap: 10px;
  align-items: start;
  padding-top: 8px;
}
</style>
