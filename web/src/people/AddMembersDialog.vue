<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import DateField from '@/common/DateField.vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf } from '@/api/problem'
import PageDialog from '@/common/PageDialog.vue'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import FaultList from '@/common/FaultList.vue'
import { beginningOf, endOf } from '@/common/dates'
import { counted } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'
import SubjectPicker from './SubjectPicker.vue'

const props = defineProps<{ group: string; groupName: string }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()

const way = ref<'one' | 'many'>('one')
const subject = ref<Schemas['SubjectView']>()
const text = ref('')
const lines = ref<Schemas['LineView'][]>()
const from = ref('')
const until = ref('')

const matches = computed(() => (lines.value ?? []).filter((line) => line.what === 'MATCH'))
const others = computed(() => (lines.value ?? []).filter((line) => line.what !== 'MATCH'))
const complete = computed(() => (way.value === 'one' ? subject.value !== undefined && ['person', 'group'].includes(subject.value.kind) : matches.value.length > 0))
const WHAT: Record<string, string> = { MISS: 'nobody', AGAIN: 'already found above', SEVERAL: 'several people: use the login or the address' }

/** Each reading is a list of its own; what was left out comes first. */
const id = useId()
const readings = ref(0)
watch(lines, () => readings.value++)
const named = (line: Schemas['LineView']) => (line.what === 'MATCH' ? (line.found[0]?.name ?? '') : (WHAT[line.what] ?? ''))
const fetchLines = inPage(() => [...others.value, ...matches.value], (line) => `${line.text} ${named(line)}`, { line: (line) => line.line, text: (line) => line.text, name: named })
const COLUMNS = [
  { title: 'Line', width: '50px', sort: 'line' },
  { title: 'What it says', width: '1fr', sort: 'text' },
  { title: 'Whom it names', width: '1.3fr', sort: 'name' },
]

async function match() {
  faults.value = []
  try {
    lines.value = await answer(api.POST('/api/people/matches', { body: { text: text.value } }))
  } catch (error) {
    faults.value = faultsOf(error)
  }
}

async function readFile(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file !== undefined) {
    text.value = await file.text()
    await match()
  }
}

async function save() {
  const dates = { from: beginningOf(from.value), until: endOf(until.value) }
  const chosen: { memberKind: string; member: string }[] =
    way.value === 'one'
      ? [{ memberKind: subject.value!.kind, member: subject.value!.id }]
      : matches.value.flatMap((line) => line.found.map((person) => ({ memberKind: 'person', member: person.id })))
  if (await draft(chosen.map((one) => ({ kind: 'addMember' as const, group: props.group, ...one, ...dates })))) open.value = false
}
</script>

<template>
  <PageDialog v-model="open" max-width="640" scrollable aria-labelledby="members-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="members-title">Add members to {{ groupName }}</h2>
      <div class="segments" role="group" aria-label="How many">
        <button type="button" :aria-pressed="way === 'one'" @click="way = 'one'">One person or group</button>
        <button type="button" :aria-pressed="way === 'many'" @click="way = 'many'">Many at once</button>
      </div>
      <template v-if="way === 'one'">
        <SubjectPicker v-model="subject" label="A person or a group" />
        <p v-if="subject && !['person', 'group'].includes(subject.kind)" class="caution">Only people and groups can be members. Units and the built-in ones can be named in access lists.</p>
        <p v-if="subject && subject.outsiders > 0" class="caution">{{ counted(subject.outsiders, 'outsider') }} would be in {{ groupName }}.</p>
      </template>
      <template v-else>
        <v-textarea v-model="text" label="Paste a column of names, logins or addresses, or rows of a CSV" rows="6" @update:model-value="lines = undefined" />
        <div class="file">
          <label>Or choose a file <input type="file" accept=".csv,.txt,text/csv,text/plain" @change="readFile" /></label>
          <v-btn size="small" :disabled="text.trim() === ''" @click="match">See whom it names</v-btn>
        </div>
        <div v-if="lines" role="status">
          <p>
            <strong>{{ counted(matches.length, 'person', 'people') }} found</strong
            ><template v-if="others.length > 0">, {{ counted(others.length, 'line') }} left out</template>.
          </p>
          <PagedList label="Whom the lines name" find="Find a line" :query-key="['matches', id, readings]" :fetch="fetchLines" :columns="COLUMNS" :row-height="30" :at-most="7" empty="No lines.">
            <template #row="{ item: line }">
              <div role="cell" class="quiet">{{ line.line }}</div>
              <div role="cell">{{ line.text }}</div>
              <div role="cell" :class="{ caution: line.what !== 'MATCH' }">
                {{ named(line) }} <span v-if="line.what === 'MATCH' && line.found[0]?.external" class="mark outsider">outsider</span>
              </div>
            </template>
          </PagedList>
        </div>
      </template>
      <div class="dates">
        <DateField v-model="from" label="From (at once if left empty)" />
        <DateField v-model="until" label="To the end of (no end if left empty)" />
      </div>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="!complete" :loading="busy">{{ way === 'many' && matches.length > 0 ? `Add ${matches.length} to the draft` : 'Add to the draft' }}</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
.segments {
  align-self: flex-start;
}
.dates {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.file {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
}
form {
  overflow: auto;
}
</style>
