<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import DateField from '@/common/DateField.vue'
import MenuButton, { type Entry } from '@/common/MenuButton.vue'
import { useScreenActions } from '@/common/screenActions'
import { useNotices } from '@/common/useNotices'
import { moment } from '@/common/words'
import { RIGHTS } from '@/paling/rights'
import SubjectPicker from '@/people/SubjectPicker.vue'
import PlacePicker from '@/places/PlacePicker.vue'
import type { Head } from './axis'
import KeepMatrix from './KeepMatrix.vue'
import { ACROSS, addressOf, askedOf, KINDS, RULES } from './matrix'
import type { Sought } from './useFound'

/** Which matrix is looked at, and what is looked for in it: all of it stands in the address. */
const props = defineProps<{
  look: Schemas['MatrixLook']
  sought: Sought
  subjects: readonly Head[]
  topPath?: string
  /** How many cells it has in all. */
  cells: number
}>()
const TAKEN_OVER = 30
const IN_A_FILE = 500_000
const route = useRoute()
const router = useRouter()
const notices = useNotices()
const ask = (query: Record<string, unknown>) =>
  void router.push({ name: 'matrix', query: { ...route.query, ...query } as typeof route.query })
function turnTo(change: Partial<Schemas['MatrixLook']>) {
  ask({ of: undefined, column: undefined, ...addressOf({ ...props.look, ...change }) })
}
const turnKind = (value: string) => ask({ 'since-kept': undefined, kind: value === '' ? undefined : value })

function chooseRule(rule: string) {
  if (rule !== 'CHOSEN') return turnTo({ rows: rule as Schemas['MatrixLook']['rows'], subject: [] })
  if (props.subjects.length > TAKEN_OVER)
    notices.say(
      `The first ${TAKEN_OVER} of ${props.subjects.length} subjects are taken over. Add others, or take some out.`,
    )
  turnTo({ rows: undefined, subject: props.subjects.slice(0, TAKEN_OVER).map((head) => head.key) })
}
const pickedPlace = shallowRef<Schemas['Found']>()
watch(pickedPlace, (place) => {
  if (place === undefined) return
  if (place.kind === 'document' || place.kind === 'link')
    notices.say(`${place.name} has nothing below it. Choose a library or a folder.`)
  else turnTo({ top: place.kind === 'repository' ? undefined : place.id })
})
const pickedSubject = shallowRef<Schemas['SubjectView']>()
watch(pickedSubject, (subject) => {
  if (subject === undefined) return
  const one = `${subject.kind}:${subject.id}`
  if (!props.look.subject.includes(one)) turnTo({ rows: undefined, subject: [...props.look.subject, one] })
  pickedSubject.value = undefined
})

const keeping = ref(false)
const views = useQuery({ queryKey: ['matrix', 'views'], queryFn: () => answer(api.GET('/api/matrix/views')) })
async function forget(id: number) {
  try {
    await answer(api.DELETE('/api/matrix/views/{id}', { params: { path: { id } } }))
  } catch (error) {
    notices.fail(error)
  }
  await views.refetch()
}
const kept = computed<Entry[]>(() => [
  { title: 'Keep this one …', run: () => (keeping.value = true) },
  ...(views.data.value ?? []).flatMap((one) => [
    { title: `${one.name}${one.mine ? '' : ' (a colleague’s)'}`, to: { name: 'matrix', query: addressOf(one.look) } },
    {
      title: `${one.name}: what has changed since ${moment(one.keptAt)}`,
      to: { name: 'matrix', query: { ...addressOf(one.look), kind: 'CHANGED', 'since-kept': one.keptAt } },
    },
    ...(one.mine ? [{ title: `${one.name}: forget it`, run: () => void forget(one.id) }] : []),
  ]),
])

function download(format: string) {
  const query = new URLSearchParams()
  for (const [name, value] of Object.entries(askedOf(props.look)))
    for (const each of [value].flat()) if (each !== undefined) query.append(name, String(each))
  query.set('format', format)
  if (props.look.turned) query.set('turned', 'true')
  const link = document.createElement('a')
  link.href = `/api/matrix/file?${query}`
  link.download = ''
  link.click()
}
const tooMany = computed(() => props.cells > IN_A_FILE)
const files = computed<Entry[]>(() => [
  ...(tooMany.value
    ? [{ title: `A file has at most ${IN_A_FILE.toLocaleString('en-GB')} cells: choose fewer`, disabled: true }]
    : []),
  {
    title: 'Print view …',
    to: { name: 'matrix', query: { ...route.query, of: undefined, column: undefined, sheets: 'yes' } },
  },
  { title: 'Workbook', run: () => download('XLSX'), disabled: tooMany.value },
  { title: 'CSV, a line for each cell', run: () => download('CSV'), disabled: tooMany.value },
  { title: 'JSON', run: () => download('JSON'), disabled: tooMany.value },
])
useScreenActions(() => [
  { title: 'Turn the matrix', run: () => turnTo({ turned: !props.look.turned }) },
  { title: 'Outliers of this matrix', run: () => turnKind('OUTLIERS') },
])
</script>

<template>
  <div class="bar">
    <h1>Matrix</h1>
    <v-select
      class="rule"
      label="Down"
      :model-value="look.rows ?? 'CHOSEN'"
      :items="RULES"
      @update:model-value="chooseRule"
    />
    <v-select
      class="across"
      label="Across"
      :model-value="look.across"
      :items="ACROSS"
      @update:model-value="turnTo({ across: $event })"
    />
    <div class="place">
      <PlacePicker v-model="pickedPlace" :label="topPath ? `Below ${topPath}` : 'Below a place'" />
    </div>
    <v-select class="kind" label="Show" :model-value="sought.kind" :items="KINDS" @update:model-value="turnKind" />
    <v-select
      v-if="sought.kind === 'RIGHT'"
      class="right"
      label="Right"
      :model-value="sought.right"
      :items="[...RIGHTS]"
      @update:model-value="ask({ right: $event })"
    />
    <DateField
      v-if="sought.kind === 'CHANGED' && sought.sinceKept === undefined"
      looks-back
      class="right"
      :model-value="sought.since"
      label="Since"
      @update:model-value="ask({ since: $event || undefined })"
    />
    <span class="tools">
      <v-btn size="small" @click="turnTo({ turned: !look.turned })">Turn</v-btn>
      <MenuButton title="Kept" label="Matrices kept under names" :entries="kept" />
      <MenuButton title="File" label="This matrix as a file" :entries="files" />
    </span>
  </div>
  <div v-if="look.rows === undefined" class="bar">
    <div class="place"><SubjectPicker v-model="pickedSubject" label="Add a group, unit or person" /></div>
    <span v-for="one in subjects" :key="one.key" class="mark"
      >{{ one.name }}
      <button
        type="button"
        class="linklike"
        :aria-label="`Take ${one.name} out of the matrix`"
        @click="turnTo({ subject: look.subject.filter((each) => each !== one.key) })"
      >
        ×
      </button></span
    >
  </div>
  <KeepMatrix v-if="keeping" :look="look" :name="topPath ?? ''" @close="keeping = false" />
</template>

<style scoped>
.bar {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
}
.rule {
  flex: 0 1 210px;
}
.across,
.kind {
  flex: 0 1 160px;
}
.right {
  flex: 0 1 130px;
}
.place {
  flex: 1 1 180px;
  max-width: 300px;
}
.tools {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
</style>
