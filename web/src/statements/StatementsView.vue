<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { endOf, toTheEndOf } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import MenuButton, { type Entry } from '@/common/MenuButton.vue'
import { moment } from '@/common/words'
import SubjectPicker from '@/people/SubjectPicker.vue'
import PlacePicker from '@/places/PlacePicker.vue'
import KeepStatement from './KeepStatement.vue'
import PreparedFiles from './PreparedFiles.vue'
import RegularStatement from './RegularStatement.vue'
import StatementPairs from './StatementPairs.vue'
import StatementRows from './StatementRows.vue'
import {
  FORMATS,
  GROUPINGS,
  isWhole,
  KINDS,
  ofOldAddress,
  partsOf,
  recipeOf,
  RIGHTS,
  type Asked,
  type Format,
} from './statement'
import VerifyDialog from './VerifyDialog.vue'

const route = useRoute()
const router = useRouter()
const old = ofOldAddress(route.query)
if (old !== undefined) void router.replace({ name: 'statements', query: old })

const text = (key: string) => (typeof route.query[key] === 'string' ? String(route.query[key]) : undefined)
const kind = computed(() => KINDS.find((one) => one.kind === text('kind')) ?? KINDS[0]!)
const id = computed(() => text('id'))
const day = (key: string) => (/^\d{4}-\d{2}-\d{2}$/.test(text(key) ?? '') ? text(key)! : '')
/** The day at whose end the statement is made; empty for now. */
const asOf = computed(() => day('asOf'))
const from = computed(() => day('from'))
/** The end itself is not of that day any more. */
const lastInstantOf = (one: string) => new Date(Date.parse(endOf(one)!) - 1).toISOString()

const asked = computed<Asked>(() => ({
  kind: kind.value.kind,
  ...(id.value === undefined || !(kind.value.needs || kind.value.place) ? {} : { id: id.value }),
  ...(kind.value.grouped && text('grouping') !== undefined ? { grouping: text('grouping') } : {}),
  ...(text('documents') === 'no' ? { documents: 'no' } : {}),
  ...(kind.value.grouped && text('right') !== undefined ? { right: text('right') } : {}),
  ...(kind.value.grouped && text('now') === 'yes' ? { now: 'yes' } : {}),
  ...(kind.value.period && from.value !== '' ? { from: `${from.value}T00:00:00Z` } : {}),
  ...(text('columns') !== undefined ? { columns: text('columns') } : {}),
  ...(asOf.value === '' ? {} : { at: lastInstantOf(asOf.value) }),
}))
const grouping = computed(() => asked.value.grouping ?? 'same')
const pairs = computed(
  () =>
    kind.value.grouped === true &&
    grouping.value === 'none' &&
    asked.value.right === undefined &&
    asked.value.columns === undefined &&
    asked.value.now === undefined,
)
const whole = computed(() => isWhole(kind.value, id.value))

const place = ref<Schemas['Found']>()
const subject = ref<Schemas['SubjectView']>()
watch(place, (chosen) => chosen && turnTo({ id: chosen.id }))
watch(subject, (chosen) => chosen && turnTo({ id: `${chosen.kind}:${chosen.id}` }))

/** An address that names a place shows it in its field too. */
const named = useQuery({
  queryKey: computed(() => ['statement', 'named', id.value]),
  enabled: computed(() => id.value !== undefined && !id.value.includes(':') && place.value?.id !== id.value && (kind.value.needs === 'place' || kind.value.place === true)),
  queryFn: () => answer(api.GET('/api/places/{id}', { params: { path: { id: id.value! } } })),
})
watch(named.data, (found) => {
  if (found !== undefined && found.place.id === id.value) place.value = { id: found.place.id, name: found.place.name, kind: found.place.kind, path: found.place.name }
})

function turnTo(query: Record<string, string | undefined>) {
  void router.replace({ name: 'statements', query: { ...route.query, ...query } })
}
function ask(other: string | null) {
  const next = KINDS.find((one) => one.kind === other)
  place.value = undefined
  subject.value = undefined
  const keeps =
    next !== undefined &&
    id.value !== undefined &&
    !id.value.includes(':') &&
    !kind.value.needs?.startsWith('s') &&
    (next.needs === 'place' || next.place)
  void router.replace({
    name: 'statements',
    query: {
      kind: other ?? undefined,
      id: keeps ? id.value : undefined,
      asOf: route.query.asOf,
      from: next?.period ? route.query.from : undefined,
    },
  })
}

const head = useQuery({
  queryKey: computed(() => ['statement', 'head', asked.value]),
  enabled: whole,
  queryFn: () => answer(api.GET('/api/statements', { params: { query: { ...asked.value, offset: 0, limit: 1 } } })),
})
const file = (format: string) =>
  `/api/statements/file?${new URLSearchParams({ ...(asked.value as unknown as Record<string, string>), format }).toString()}`

const checking = ref(false)
const keeping = ref(false)
const kept = useQuery({ queryKey: ['statement', 'kept'], queryFn: () => answer(api.GET('/api/statements/kept')) })
const menu = computed<Entry[]>(() => [
  ...(kept.data.value ?? []).map((one) => ({
    title: one.name,
    run: () => void router.push({ name: 'statements', query: addressOf(one.recipe) }),
  })),
  { title: 'Keep this one …', disabled: !whole.value, run: () => (keeping.value = true) },
])
function addressOf(recipe: string): Record<string, string> {
  const { from: since, ...parts } = partsOf(recipe)
  return { ...parts, ...(since === undefined ? {} : { from: since.slice(0, 10) }) }
}
const recipe = computed(() => recipeOf(asked.value))

/** All columns that there are, to choose among: of the same answer as the head where none were chosen. */
const everyColumn = useQuery({
  queryKey: computed(() => ['statement', 'head', { ...asked.value, columns: undefined }]),
  enabled: whole,
  queryFn: () =>
    answer(
      api.GET('/api/statements', { params: { query: { ...asked.value, columns: undefined, offset: 0, limit: 1 } } }),
    ),
})
const columns = computed(() => everyColumn.data.value?.columns ?? [])
const columnKeys = computed(() => columns.value.map((column) => column.key))
const shownColumns = computed(() => asked.value.columns?.split(',') ?? columnKeys.value)
function showColumns(keys: string[]) {
  const inOrder = columnKeys.value.filter((key) => keys.includes(key))
  if (inOrder.length === 0) return
  turnTo({ columns: inOrder.length === columnKeys.value.length ? undefined : inOrder.join(',') })
}

const preparing = ref(false)
const regularly = ref(false)
const fault = ref('')
const queries = useQueryClient()
async function prepare(format: Format) {
  fault.value = ''
  try {
    await answer(
      api.POST('/api/statements/prepared', { body: { recipe: recipe.value, format, at: asked.value.at } }),
    )
    await queries.invalidateQueries({ queryKey: ['statement', 'prepared'] })
    preparing.value = true
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error)
  }
}
const later = computed<Entry[]>(() => [
  ...FORMATS.map((format) => ({ title: `${format.title}, in the background`, run: () => void prepare(format.value) })),
  { title: 'Make it regularly …', run: () => (regularly.value = true) },
])
</script>

<template>
  <div class="statements">
    <div class="top">
      <h1>Statements</h1>
      <div class="acts">
        <MenuButton title="Kept" label="Statements that were kept" :entries="menu" />
        <v-btn size="small" @click="preparing = true">Prepared files …</v-btn>
        <v-btn size="small" @click="checking = true">Check or compare files …</v-btn>
      </div>
    </div>
    <div class="question">
      <v-select
        class="kind"
        label="What about"
        :model-value="kind.kind"
        :items="KINDS"
        item-title="title"
        item-value="kind"
        @update:model-value="ask"
      />
      <div v-if="kind.needs === 'place' || kind.place" class="picker">
        <PlacePicker v-model="place" :label="kind.place ? 'At and below, or everywhere' : 'The place'" />
      </div>
      <div v-else-if="kind.needs === 'subject'" class="picker">
        <SubjectPicker v-model="subject" label="Person, group, unit" />
      </div>
      <v-select
        v-if="kind.grouped"
        class="grouping"
        label="Put together"
        :model-value="grouping"
        :items="GROUPINGS"
        item-title="title"
        item-value="value"
        @update:model-value="turnTo({ grouping: $event === 'same' ? undefined : $event, columns: undefined })"
      />
      <v-select
        v-if="kind.grouped"
        class="right"
        label="Right"
        :model-value="asked.right ?? ''"
        :items="[{ title: 'any', value: '' }, ...RIGHTS.map((one) => ({ title: one, value: one }))]"
        @update:model-value="turnTo({ right: $event || undefined })"
      />
      <DateField
        v-if="kind.period"
        looks-back
        class="day"
        label="From the day"
        :model-value="from"
        @update:model-value="turnTo({ from: $event || undefined })"
      />
      <DateField
        looks-back
        class="day"
        :label="kind.period ? 'To the end of' : 'At the end of'"
        :model-value="asOf"
        @update:model-value="turnTo({ asOf: $event || undefined })"
      />
      <v-checkbox
        v-if="kind.grouped || kind.kind === 'everyone'"
        :model-value="asked.documents !== 'no'"
        label="With documents"
        @update:model-value="turnTo({ documents: $event ? undefined : 'no' })"
      />
      <v-checkbox
        v-if="kind.grouped"
        :model-value="asked.now === 'yes'"
        label="Rights now"
        title="Private, frozen and checked-out documents count"
        @update:model-value="turnTo({ now: $event ? 'yes' : undefined })"
      />
      <v-menu v-if="columnKeys.length > 1 && !pairs" :close-on-content-click="false">
        <template #activator="{ props: opening }">
          <v-btn size="small" v-bind="opening" aria-haspopup="true">Columns{{ asked.columns === undefined ? '' : ` (${shownColumns.length} of ${columnKeys.length})` }}</v-btn>
        </template>
        <fieldset class="sheet columns">
          <legend class="sr">Columns of the statement and its files</legend>
          <v-checkbox
            v-for="column in columns"
            :key="column.key"
            :model-value="shownColumns"
            :value="column.key"
            :label="column.title"
            @update:model-value="showColumns($event as string[])"
          />
        </fieldset>
      </v-menu>
    </div>
    <p v-if="!whole" class="quiet">
      A statement answers an auditor’s question with a list that can be checked line by line, and says as of which
      change it was made. Choose what it is about, then name the
      {{ kind.needs === 'place' ? 'place' : 'person, group or unit' }}.
    </p>
    <p v-else-if="head.isError.value" class="fault" role="alert">{{ head.error.value?.message }}</p>
    <template v-else>
      <div v-if="head.data.value" class="about">
        <div>
          <h2>{{ head.data.value.title }}</h2>
          <p class="quiet">
            <strong v-if="head.data.value.ahead" class="warn"
              >Ahead: as it will be {{ toTheEndOf(new Date(Date.parse(head.data.value.at) + 1).toISOString()) }} if
              nothing is changed until then.</strong
            >
            {{ asked.now === 'yes' ? 'Rights now' : 'Standing rights' }} as of change {{ head.data.value.change
            }}<template v-if="!head.data.value.ahead">, {{ moment(head.data.value.at) }}</template
            >.
            <template v-for="(count, i) in head.data.value.counts" :key="count.name"
              >{{ i > 0 ? '; ' : '' }}{{ count.name }}: {{ count.value }}</template
            >.
            <strong v-if="head.data.value.cut" class="warn"
              >A screen shows the first 20,000 rows; files have them all.</strong
            >
          </p>
        </div>
        <div class="files" role="group" aria-label="Download as a file">
          <v-btn size="small" class="is-main" :href="file('XLSX')" download>Workbook</v-btn>
          <v-btn size="small" :href="file('PDF')" download>PDF</v-btn>
          <v-btn size="small" :href="file('CSV')" download>CSV</v-btn>
          <v-btn size="small" :href="file('JSONL')" download>JSON</v-btn>
          <MenuButton title="Later" label="Made in the background, or regularly" :entries="later" />
        </div>
      </div>
      <p v-else role="status">Making the statement …</p>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <div class="sheet list">
        <StatementPairs v-if="pairs" :asked="asked" />
        <StatementRows
          v-else-if="head.data.value"
          :key="asked.kind + grouping + (asked.columns ?? '')"
          :asked="asked"
          :columns="head.data.value.columns"
          :version="head.data.value.change"
        />
      </div>
    </template>
    <VerifyDialog v-if="checking" @close="checking = false" />
    <PreparedFiles v-if="preparing" @close="preparing = false" />
    <RegularStatement v-if="regularly" :recipe="recipe" :title="head.data.value?.title ?? ''" @close="regularly = false" />
    <KeepStatement v-if="keeping" :recipe="recipe" :kept="kept.data.value ?? []" @close="keeping = false" />
  </div>
</template>

<style scoped>
.statements {
  height: 100%;
  padding: 14px 22px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  overflow: auto;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.acts {
  display: flex;
  gap: 8px;
}
.question {
  display: flex;
  align-items: center;
  gap: 10px 12px;
  flex-wrap: wrap;
}
.kind {
  flex: none;
  width: 236px;
}
.picker {
  width: 180px;
}
.grouping {
  flex: none;
  width: 212px;
}
.right {
  flex: none;
  width: 92px;
}
.day {
  flex: none;
  width: 160px;
}
.about {
  display: flex;
  justify-content: space-between;
  align-items: flex-end;
  gap: 18px;
}
.files {
  display: flex;
  gap: 8px;
  flex: none;
}
.columns {
  border: 0;
  padding: 8px 14px;
  display: flex;
  flex-direction: column;
}
.list {
  flex: 1;
  min-height: 260px;
}
</style>
