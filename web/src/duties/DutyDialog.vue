<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import DateField from '@/common/DateField.vue'
import { answer, api, type Schemas } from '@/api/client'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { beginningOf, endOf, lastDayOf } from '@/common/dates'
import { counted, listed } from '@/common/words'
import SubjectPicker from '@/people/SubjectPicker.vue'
import PlacePicker from '@/places/PlacePicker.vue'
import { useDrafting } from '@/tray/useDrafting'
import { DUTIES, LETS, SCOPES, type Duty } from './duties'

/** Hands a duty out, or changes one; says before it is drafted what the console would hold for whoever has it. */
const props = defineProps<{ line?: Schemas['DutyLine'] }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()

const duty = ref<Duty>(props.line?.duty ?? 'ACCESS')
const subject = ref<Schemas['SubjectView'] | undefined>(props.line?.subject)
const place = ref<Schemas['Found'] | undefined>(props.line?.place ? { id: props.line.place, name: props.line.covers!, kind: 'place', path: props.line.covers! } : undefined)
const unit = ref<string | null>(props.line?.unit ?? null)
const ceiling = ref<string | null>(props.line?.ceiling ?? null)
const from = ref(props.line?.from?.slice(0, 10) ?? '')
const until = ref(lastDayOf(props.line?.until))
const scope = computed(() => SCOPES[duty.value])

const units = useQuery({ queryKey: ['units'], queryFn: () => answer(api.GET('/api/units')) })
const roles = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const ready = computed(() => scope.value !== 'place' || place.value !== undefined)
const preview = useQuery({
  queryKey: computed(() => ['duties', 'preview', duty.value, place.value?.id, unit.value]),
  enabled: ready,
  queryFn: () =>
    answer(
      api.GET('/api/duties/preview', {
        params: { query: { duty: duty.value, place: scope.value === 'place' ? place.value?.id : undefined, unit: scope.value === 'unit' ? (unit.value ?? undefined) : undefined } },
      }),
    ),
})
const tops = computed(() => {
  const all = preview.data.value?.tops ?? []
  return all.length > 6 ? [...all.slice(0, 6), `${all.length - 6} more`] : all
})

async function save() {
  const done = await draft([
    {
      kind: 'setDuty',
      assignment: props.line?.id,
      duty: duty.value,
      subject: { kind: subject.value!.kind, id: subject.value!.id },
      place: scope.value === 'place' ? place.value?.id : undefined,
      unit: scope.value === 'unit' ? (unit.value ?? undefined) : undefined,
      ceiling: duty.value === 'ACCESS' ? (ceiling.value ?? undefined) : undefined,
      from: beginningOf(from.value),
      until: endOf(until.value),
    },
  ])
  if (done) open.value = false
}
</script>

<template>
  <PageDialog v-model="open" max-width="680" scrollable aria-labelledby="duty-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="duty-title">{{ line ? `Change a duty of ${line.subject.name}` : 'Hand out a duty' }}</h2>
      <v-select v-model="duty" :items="DUTIES.map((one) => ({ value: one, title: one.toLowerCase() }))" label="Duty" :hint="`Lets them ${LETS[duty]}.`" persistent-hint />
      <SubjectPicker v-model="subject" label="To whom: a person, group or unit" />
      <PlacePicker v-if="scope === 'place'" v-model="place" label="At which place, and below" />
      <v-select v-if="scope === 'unit'" v-model="unit" :items="units.data.value ?? []" item-title="name" item-value="id" label="For which unit, and below (everybody if left empty)" clearable />
      <v-select v-if="duty === 'ACCESS'" v-model="ceiling" :items="roles.data.value ?? []" item-title="name" item-value="id" label="Gives at most this role (every role if left empty)" clearable />
      <div class="dates">
        <DateField v-model="from" label="From (at once if left empty)" />
        <DateField v-model="until" label="To the end of (no end if left empty)" />
      </div>
      <section class="seen" aria-live="polite" aria-labelledby="seen-title">
        <h3 id="seen-title">What they would see in the console</h3>
        <p v-if="!ready" class="quiet">Choose a place: what its keeper would see is counted here.</p>
        <p v-else-if="preview.isError.value" class="fault" role="alert">{{ preview.error.value?.message }}</p>
        <template v-else-if="preview.data.value">
          <p>
            The rooms {{ listed(preview.data.value.rooms) }}; {{ counted(preview.data.value.places, 'place') }}, {{ counted(preview.data.value.documents, 'document') }} among them;
            {{ counted(preview.data.value.people, 'person', 'people') }} and {{ counted(preview.data.value.groups, 'group') }}. Nothing else would be there for them.
          </p>
          <ul v-if="tops.length > 0">
            <li v-for="top in tops" :key="top">{{ top }}</li>
          </ul>
          <p class="quiet">Less, where a wall keeps it from them; more, by other duties and by what they can find as a person.</p>
        </template>
      </section>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="!ready || subject === undefined" :loading="busy">Add to the draft</v-btn>
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
.seen {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 12px;
}
ul {
  padding-left: 18px;
}
</style>
