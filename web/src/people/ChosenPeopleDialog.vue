<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, plainly } from '@/api/problem'
import DateField from '@/common/DateField.vue'
import { beginningOf, endOf } from '@/common/dates'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { counted } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'
import GroupPicker from './GroupPicker.vue'

/** The same done with many people: all of it is in the draft, or nothing. */
const props = defineProps<{ people: Schemas['PersonView'][] }>()
const emit = defineEmits<{ drafted: [] }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()

type What = 'GROUP' | 'UNIT' | 'LEAVE' | 'RETURN'
const WHATS: { value: What; title: string }[] = [
  { value: 'GROUP', title: 'Add them to a group' },
  { value: 'UNIT', title: 'Put them into a unit' },
  { value: 'LEAVE', title: 'Make them not active: no rights at all' },
  { value: 'RETURN', title: 'Make them active' },
]
const what = ref<What>('GROUP')
const group = ref<Schemas['GroupLine']>()
const unit = ref<string | null>()
const from = ref('')
const until = ref('')
const reading = ref(false)
const units = useQuery({ queryKey: ['units'], queryFn: () => answer(api.GET('/api/units')) })
const complete = computed(() => (what.value === 'GROUP' ? group.value !== undefined : what.value !== 'UNIT' || Boolean(unit.value)))

/** People as they are now: what a colleague changed while they were being chosen is not taken back. */
async function asTheyAre(): Promise<Schemas['PersonView'][]> {
  const wanted = new Set(props.people.map((one) => one.id))
  const found: Schemas['PersonView'][] = []
  for (let offset = 0; found.length < wanted.size; offset += 500) {
    const part = await answer(api.GET('/api/people', { params: { query: { offset, limit: 500 } } }))
    found.push(...part.items.filter((one) => wanted.has(one.id)))
    if (part.items.length === 0) break
  }
  // Never fewer than were shown.
  if (found.length < wanted.size) throw new RangeError(`${wanted.size - found.length} of them can no longer be found. Choose again.`)
  return found
}
function changed(one: Schemas['PersonView']): Schemas['Change'] {
  return {
    kind: 'setPerson',
    person: one.id,
    name: one.name,
    login: one.login,
    email: one.email,
    external: one.external,
    active: what.value === 'LEAVE' ? false : what.value === 'RETURN' ? true : one.active,
    unit: what.value === 'UNIT' ? (unit.value ?? undefined) : one.unitId,
  }
}
async function save() {
  const dates = { from: beginningOf(from.value), until: endOf(until.value) }
  reading.value = true
  try {
    const changes: Schemas['Change'][] =
      what.value === 'GROUP'
        ? props.people.map((one) => ({ kind: 'addMember', group: group.value!.id, memberKind: 'person', member: one.id, ...dates }))
        : (await asTheyAre()).map(changed)
    if (!(await draft(changes))) return
    emit('drafted')
    open.value = false
  } catch (error) {
    faults.value = error instanceof RangeError ? [plainly(error.message)] : faultsOf(error)
  } finally {
    reading.value = false
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="560" aria-labelledby="chosen-people-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="chosen-people-title">{{ people.length === 1 ? people[0]!.name : `${counted(people.length, 'person', 'people')} at once` }}</h2>
      <v-select v-model="what" :items="WHATS" label="What to do" />
      <template v-if="what === 'GROUP'">
        <GroupPicker v-model="group" label="The group" />
        <DateField v-model="from" label="From the beginning of (empty: at once)" />
        <DateField v-model="until" label="To the end of (no end if left empty)" />
      </template>
      <v-select v-else-if="what === 'UNIT'" v-model="unit" :items="units.data.value ?? []" item-title="name" item-value="id" label="The unit" />
      <p class="quiet">{{ people.slice(0, 6).map((one) => one.name).join(', ') }}{{ people.length > 6 ? ` and ${people.length - 6} more` : '' }}</p>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="!complete" :loading="busy || reading">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>
