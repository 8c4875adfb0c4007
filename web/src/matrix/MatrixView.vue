<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { beginningOf } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import MenuButton, { type Entry } from '@/common/MenuButton.vue'
import { useScreenActions } from '@/common/screenActions'
import { useNotices } from '@/common/useNotices'
import { counted, moment } from '@/common/words'
import { RIGHTS } from '@/paling/rights'
import SubjectPicker from '@/people/SubjectPicker.vue'
import PlacePicker from '@/places/PlacePicker.vue'
import { useSession } from '@/session/useSession'
import { foldedAtFirst, shownOf, type Head, type Shown } from './axis'
import CellPanel from './CellPanel.vue'
import CellsDialog from './CellsDialog.vue'
import KeepMatrix from './KeepMatrix.vue'
import { ACROSS, addressOf, askedOf, cellWords, KINDS, lookOf, outlierWords, RULES, type Kind } from './matrix'
import MatrixGrid from './MatrixGrid.vue'
import { useCells } from './useCells'
import { useChoice } from './useChoice'

/** Who has what where, at one glance: subjects against places, or types. */
const CELLS_AT_MOST = 5_000
const route = useRoute()
const router = useRouter()
const { may } = useSession()
const notices = useNotices()
const text = (key: string) => (typeof route.query[key] === 'string' ? String(route.query[key]) : undefined)
const look = computed(() => lookOf(route.query))
function turnTo(change: Partial<Schemas['MatrixLook']>) {
  void router.push({
    name: 'matrix',
    query: { ...route.query, of: undefined, column: undefined, ...addressOf({ ...look.value, ...change }) },
  })
}
const heads = useQuery({
  queryKey: computed(() => ['matrix', 'heads', askedOf(look.value)]),
  queryFn: () => answer(api.GET('/api/matrix/heads', { params: { query: askedOf(look.value) } })),
})
const roleList = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const roles = computed(() => {
  const names = new Map<number, string>()
  for (const role of roleList.data.value ?? []) {
    const mask = role.rights.reduce((sum, right) => sum | (1 << RIGHTS.indexOf(right)), 0)
    if (!names.has(mask)) names.set(mask, role.name)
  }
  return names
})

// --- heads, folded and chosen -----------------------------------------------------------------
const subjects = computed<Head[]>(() =>
  (heads.data.value?.rows ?? []).map((row) => ({
    ...row,
    name: row.kind === 'unit' ? `${row.name} (unit)` : row.name,
    key: `${row.kind}:${row.id}`,
    note: String(row.people),
    standsAlone: false,
    walled: false,
    outsiders: row.outsiders > 0,
  })),
)
const places = computed<Head[]>(() =>
  (heads.data.value?.columns ?? []).map((column) => ({ ...column, key: column.id, note: '', outsiders: false })),
)
const folded = ref<ReadonlySet<string>>(new Set())
let foldedOf = ''
watch(
  [places, () => JSON.stringify(askedOf(look.value))],
  ([now, of]) => {
    if (now.length > 0 && foldedOf !== of) {
      foldedOf = of
      folded.value = foldedAtFirst(now)
    }
  },
  { immediate: true },
)
function fold(key: string) {
  const next = new Set(folded.value)
  if (!next.delete(key)) next.add(key)
  folded.value = next
}

// --- what is looked for -----------------------------------------------------------------------
const kind = computed(() => KINDS.find((one) => one.value === text('kind'))?.value ?? '')
const since = computed(() => (/^\d{4}-\d{2}-\d{2}$/.test(text('since') ?? '') ? text('since')! : ''))
const sinceInstant = computed(() => text('since-kept') ?? (since.value === '' ? undefined : beginningOf(since.value)))
const right = computed(() => RIGHTS.find((one) => one === text('right')) ?? 'govern')
const whole = (asked: Kind) => ({
  ...askedOf(look.value),
  kind: asked,
  right: asked === 'RIGHT' ? right.value : undefined,
  since: asked === 'CHANGED' ? sinceInstant.value : undefined,
})
const strange = useQuery({
  queryKey: computed(() => ['matrix', 'found', whole('OUTLIERS')]),
  queryFn: () => answer(api.GET('/api/matrix/found', { params: { query: whole('OUTLIERS') } })),
})
const sought = useQuery({
  queryKey: computed(() => ['matrix', 'found', whole(kind.value === '' ? 'OUTLIERS' : kind.value)]),
  queryFn: () =>
    answer(api.GET('/api/matrix/found', { params: { query: whole(kind.value === '' ? 'OUTLIERS' : kind.value) } })),
  enabled: computed(() => kind.value !== '' && (kind.value !== 'CHANGED' || sinceInstant.value !== undefined)),
})
const asSet = (found: Schemas['MatrixFound'] | undefined) =>
  found && new Set(found.found.flatMap((row) => row.columns.map((column) => `${row.row}|${column}`)))
const strangeOnes = computed(() => asSet(strange.data.value))
const soughtOnes = computed(() =>
  kind.value === '' || kind.value === 'OUTLIERS' ? undefined : asSet(sought.data.value),
)
const found = computed(() => (kind.value === '' ? undefined : sought.data.value))
const only = computed(() =>
  found.value === undefined
    ? undefined
    : {
        rows: new Set(found.value.found.map((one) => one.row)),
        columns: new Set(found.value.found.flatMap((one) => one.columns)),
      },
)

// --- what is shown ----------------------------------------------------------------------------
const shownSubjects = computed(() => shownOf(subjects.value, folded.value, only.value?.rows))
const shownPlaces = computed(() => shownOf(places.value, folded.value, only.value?.columns))
const down = computed(() => (look.value.turned ? shownPlaces.value : shownSubjects.value))
const across = computed(() => (look.value.turned ? shownSubjects.value : shownPlaces.value))
const choice = useChoice(
  computed(() => down.value.map((one) => one.head.key)),
  computed(() => across.value.map((one) => one.head.key)),
)
watch([down, across], choice.settle)
const subjectOf = (row: Shown, column: Shown) => (look.value.turned ? column : row)
const placeOf = (row: Shown, column: Shown) => (look.value.turned ? row : column)

const source = computed(() => ({
  version: JSON.stringify(askedOf(look.value)),
  types: look.value.across === 'TYPES',
  container: heads.data.value?.top,
}))
const cells = useCells(source)
const sight = shallowRef<{ rows: [number, number]; columns: [number, number] }>()
/** What is in sight, and as much again on every side. */
function fetchInSight() {
  const now = sight.value
  if (now === undefined || heads.data.value === undefined) return
  const ahead = ([from, until]: [number, number], list: readonly Shown[]) =>
    list.slice(Math.max(0, from - (until - from) / 2), until + 1 + (until - from) / 2)
  // The cell where one is has words on the screen wherever it is.
  const one = choice.active.value
  const rows = [...new Set([...ahead(now.rows, down.value), ...down.value.slice(one.y, one.y + 1)])]
  const columns = [...new Set([...ahead(now.columns, across.value), ...across.value.slice(one.x, one.x + 1)])]
  const [who, where] = look.value.turned ? [columns, rows] : [rows, columns]
  cells.want({
    rows: who.map(({ head }) => ({ kind: head.kind, id: head.id, key: head.key })),
    columns: where.map(({ head }) => head.id),
  })
}
watch([sight, down, across, choice.active], fetchInSight)
watch(
  () => heads.dataUpdatedAt.value,
  () => {
    cells.renew()
    fetchInSight()
  },
)
const cell = (row: Shown, column: Shown) => cells.cell(subjectOf(row, column).head.key, placeOf(row, column).head.key)
const key = (row: Shown, column: Shown) => `${subjectOf(row, column).at}|${placeOf(row, column).at}`
const isStrange = (row: Shown, column: Shown) => strangeOnes.value?.has(key(row, column)) ?? false
const isSought = (row: Shown, column: Shown) => soughtOnes.value?.has(key(row, column)) ?? true
const outlierAt = (row: Shown, column: Shown) =>
  strange.data.value?.outliers.find(
    (one) => one.row === subjectOf(row, column).at && one.column === placeOf(row, column).at,
  )
function words(row: Shown, column: Shown): string {
  const subject = subjectOf(row, column).head
  const at = cell(row, column)
  const what = at === undefined ? 'being looked up' : cellWords(at, Number(subject.note), roles.value)
  const odd = outlierAt(row, column)
  return `${subject.name} at ${placeOf(row, column).head.name}: ${what}.${odd === undefined ? '' : ` Outlier. ${outlierWords(odd, subject.kind === 'unit' ? 'units' : subject.kind === 'group' ? 'groups' : 'subjects', look.value.across === 'TYPES' ? 'types' : 'places', roles.value)}`}`
}
const drawn = computed(() => [cells.came.value, strangeOnes.value, soughtOnes.value])
const hovered = ref<{ y: number; x: number }>()
const line = computed(() => {
  void drawn.value
  const { y, x } = hovered.value ?? choice.active.value
  return down.value[y] === undefined || across.value[x] === undefined ? '' : words(down.value[y], across.value[x])
})

/** Goes to the next outlier, the strangest first, wherever it is: what hides it is unfolded. */
let atOutlier = -1
watch(strange.data, () => (atOutlier = -1))
async function seek(step: 1 | -1) {
  const all = strange.data.value?.outliers ?? []
  if (all.length === 0) return
  atOutlier = (atOutlier + step + all.length) % all.length
  const one = all[atOutlier]!
  const open = new Set(folded.value)
  for (const [heads, at] of [
    [subjects.value, one.row],
    [places.value, one.column],
  ] as const) {
    for (let up = heads[at]?.parent ?? -1; up >= 0; up = heads[up]!.parent) open.delete(heads[up]!.key)
  }
  folded.value = open
  await nextTick()
  const row = shownSubjects.value.findIndex((shown) => shown.at === one.row)
  const column = shownPlaces.value.findIndex((shown) => shown.at === one.column)
  if (row >= 0 && column >= 0) choice.go(look.value.turned ? { y: column, x: row } : { y: row, x: column })
  grid.value?.focus()
}

/** Chooses all that are shown and give the same from the same as the one where one is; asked for, since not all of them may have been fetched. */
async function chooseAlike(inRow: boolean) {
  const at = here.value
  if (at === undefined) return
  const { y } = choice.active.value
  try {
    const alike = await answer(
      api.GET('/api/matrix/found', {
        params: {
          query: { ...askedOf(look.value), kind: 'ALIKE', of: at.subject.head.key, column: at.place.head.key },
        },
      }),
    )
    const same = asSet(alike)!
    const spots: { y: number; x: number }[] = []
    down.value.forEach((row, i) => {
      if (inRow && i !== y) return
      across.value.forEach((column, j) => {
        if (same.has(key(row, column))) spots.push({ y: i, x: j })
      })
    })
    choice.choose(spots)
  } catch (error) {
    notices.fail(error)
  }
}

// --- one cell, and many -----------------------------------------------------------------------
const grid = ref<InstanceType<typeof MatrixGrid>>()
const opened = computed(() =>
  text('of') !== undefined && text('column') !== undefined ? { of: text('of')!, column: text('column')! } : undefined,
)
const here = computed(() => {
  const row = down.value[choice.active.value.y]
  const column = across.value[choice.active.value.x]
  return row === undefined || column === undefined
    ? undefined
    : { subject: subjectOf(row, column), place: placeOf(row, column) }
})
function open() {
  if (here.value !== undefined)
    void router.replace({
      name: 'matrix',
      query: { ...route.query, of: here.value.subject.head.key, column: here.value.place.head.key },
    })
}
function close() {
  void router.replace({ name: 'matrix', query: { ...route.query, of: undefined, column: undefined } })
  void nextTick(() => grid.value?.focus())
}
const refOf = (subject: Head, place: Head): Schemas['CellRef'] =>
  look.value.across === 'TYPES'
    ? { subject: { kind: subject.kind as 'group', id: subject.id }, place: heads.data.value!.top!, type: place.id }
    : { subject: { kind: subject.kind as 'group', id: subject.id }, place: place.id }
const changing = shallowRef<{ cells: Schemas['CellRef'][]; like: Schemas['CellRef']; likeWords: string }>()
const mayChange = computed(() => may('access'))
function change() {
  if (!mayChange.value || here.value === undefined || choice.count.value === 0 || choice.count.value > CELLS_AT_MOST)
    return
  const bySubject = new Map(subjects.value.map((head) => [head.key, head]))
  const byPlace = new Map(places.value.map((head) => [head.key, head]))
  const chosen = [...choice.keys()].flatMap((both) => {
    const [first = '', second = ''] = both.split('|')
    const subject = bySubject.get(look.value.turned ? second : first)
    const place = byPlace.get(look.value.turned ? first : second)
    return subject === undefined || place === undefined ? [] : [refOf(subject, place)]
  })
  const at = { row: down.value[choice.active.value.y]!, column: across.value[choice.active.value.x]! }
  changing.value = {
    cells: chosen,
    like: refOf(here.value.subject.head, here.value.place.head),
    likeWords: words(at.row, at.column).replace(/\.$/, ''),
  }
}
function changeOpened() {
  const subject = subjects.value.find((head) => head.key === opened.value?.of)
  const place = places.value.find((head) => head.key === opened.value?.column)
  if (subject !== undefined && place !== undefined)
    changing.value = {
      cells: [refOf(subject, place)],
      like: refOf(subject, place),
      likeWords: `${subject.name} at ${place.name}`,
    }
}

// --- what is looked at, under names, as files -------------------------------------------------
const pickedPlace = shallowRef<Schemas['Found']>()
watch(pickedPlace, (place) => {
  if (place !== undefined) turnTo({ top: place.kind === 'repository' ? undefined : place.id })
})
const pickedSubject = shallowRef<Schemas['SubjectView']>()
watch(pickedSubject, (subject) => {
  if (subject === undefined) return
  const one = `${subject.kind}:${subject.id}`
  if (!look.value.subject.includes(one)) turnTo({ rows: undefined, subject: [...look.value.subject, one] })
  pickedSubject.value = undefined
})
function chooseRule(rule: string) {
  turnTo(
    rule === 'CHOSEN'
      ? { rows: undefined, subject: subjects.value.slice(0, 30).map((head) => head.key) }
      : { rows: rule as Schemas['MatrixLook']['rows'], subject: [] },
  )
}
const keeping = ref(false)
const views = useQuery({ queryKey: ['matrix', 'views'], queryFn: () => answer(api.GET('/api/matrix/views')) })
async function forget(id: number) {
  await answer(api.DELETE('/api/matrix/views/{id}', { params: { path: { id } } }))
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
    ...(one.mine ? [{ title: `${one.name}: let go of it`, run: () => void forget(one.id) }] : []),
  ]),
])
function file(format: string) {
  const query = new URLSearchParams()
  for (const [name, value] of Object.entries(askedOf(look.value)))
    for (const each of [value].flat()) if (each !== undefined) query.append(name, String(each))
  query.set('format', format)
  if (look.value.turned) query.set('turned', 'true')
  return `/api/matrix/file?${query}`
}
const download = (format: string) => {
  const link = document.createElement('a')
  link.href = file(format)
  link.download = ''
  link.click()
}
const files: Entry[] = [
  { title: 'Workbook', run: () => download('XLSX') },
  { title: 'CSV, a line for each cell', run: () => download('CSV') },
  { title: 'JSON', run: () => download('JSON') },
]
useScreenActions(() => [
  { title: 'Turn the matrix', run: () => turnTo({ turned: !look.value.turned }) },
  { title: 'Outliers of this matrix', run: () => turnKind('OUTLIERS') },
])
function turnKind(value: string) {
  void router.push({
    name: 'matrix',
    query: { ...route.query, 'since-kept': undefined, kind: value === '' ? undefined : value },
  })
}
const said = computed(() => {
  const parts = [
    `${counted(subjects.value.length, 'subject')} × ${counted(places.value.length, look.value.across === 'TYPES' ? 'type' : 'place')}`,
  ]
  if ((heads.data.value?.rowsLeft ?? 0) > 0) parts.push(`${counted(heads.data.value!.rowsLeft, 'subject')} left out`)
  if ((heads.data.value?.columnsLeft ?? 0) > 0)
    parts.push(`${counted(heads.data.value!.columnsLeft, 'place')} left out: choose a place further down`)
  if (found.value !== undefined) parts.push(`${counted(found.value.total, 'such cell')}`)
  else if (strange.data.value !== undefined) parts.push(`${counted(strange.data.value.total, 'outlier')}`)
  return parts.join(' · ')
})
</script>

<template>
  <div class="room">
    <div class="head">
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
        <PlacePicker
          v-model="pickedPlace"
          :label="heads.data.value?.topPath ? `Below ${heads.data.value.topPath}` : 'Below a place'"
        />
      </div>
      <v-select class="kind" label="Show" :model-value="kind" :items="KINDS" @update:model-value="turnKind" />
      <v-select
        v-if="kind === 'RIGHT'"
        class="right"
        label="Right"
        :model-value="right"
        :items="[...RIGHTS]"
        @update:model-value="router.push({ name: 'matrix', query: { ...route.query, right: $event } })"
      />
      <DateField
        v-if="kind === 'CHANGED' && text('since-kept') === undefined"
        class="right"
        :model-value="since"
        label="Since"
        @update:model-value="router.push({ name: 'matrix', query: { ...route.query, since: $event || undefined } })"
      />
      <span class="tools">
        <v-btn size="small" @click="turnTo({ turned: !look.turned })">Turn</v-btn>
        <MenuButton title="Kept" label="Matrices kept under names" :entries="kept" />
        <MenuButton title="File" label="This matrix as a file" :entries="files" />
      </span>
    </div>
    <div v-if="look.rows === undefined" class="hand">
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
    <p v-if="heads.isError.value" class="fault" role="alert">{{ heads.error.value?.message }}</p>
    <p v-else-if="heads.data.value === undefined" role="status">Laying it out …</p>
    <template v-else>
      <div class="said quiet">
        <span>{{ said }}</span>
        <span v-if="cells.failed.value" class="fault" role="alert">{{ cells.failed.value }}</span>
        <span class="acts">
          <v-btn v-if="(strange.data.value?.total ?? 0) > 0" size="small" @click="seek(1)">Next outlier</v-btn>
          <span v-if="choice.count.value > CELLS_AT_MOST" class="warn"
            >{{ counted(choice.count.value, 'cell') }} chosen: at most {{ counted(CELLS_AT_MOST, 'cell') }} at
            once</span
          >
          <v-btn v-else-if="mayChange" size="small" class="is-main" :disabled="choice.count.value === 0" @click="change"
            >Change {{ counted(choice.count.value, 'cell') }} …</v-btn
          >
        </span>
      </div>
      <div class="sides">
        <div class="sheet surface">
          <p v-if="down.length === 0 || across.length === 0" class="quiet hint">
            {{
              kind === ''
                ? 'There is nothing to set against each other here: choose other subjects, or another place.'
                : sought.isFetching.value
                  ? 'Looking …'
                  : 'No cell is of that kind.'
            }}
          </p>
          <MatrixGrid
            v-else
            ref="grid"
            label="Matrix of subjects and places"
            :rows="down"
            :columns="across"
            :cell="cell"
            :strange="isStrange"
            :sought="isSought"
            :words="words"
            :choice="choice"
            :drawn="drawn"
            @sight="(rows, columns) => (sight = { rows, columns })"
            @fold="(_, key) => fold(key)"
            @open="open"
            @change="change"
            @seek="seek"
            @alike="chooseAlike"
            @hover="hovered = $event"
          />
        </div>
        <CellPanel
          v-if="opened"
          :look="look"
          :subject="opened.of"
          :column="opened.column"
          :roles="roles"
          @close="close"
          @change="changeOpened"
        />
      </div>
      <p class="line" aria-hidden="true">{{ line }}</p>
    </template>
    <CellsDialog v-if="changing" v-bind="changing" :roles="roleList.data.value ?? []" @close="changing = undefined" />
    <KeepMatrix v-if="keeping" :look="look" :name="heads.data.value?.topPath ?? ''" @close="keeping = false" />
  </div>
</template>

<style scoped>
.room {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 8px 16px 6px;
}
.head,
.hand,
.said {
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
.tools,
.acts {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.acts {
  margin-left: auto;
}
.sides {
  flex: 1;
  min-height: 260px;
  display: flex;
  gap: 12px;
}
.surface {
  flex: 1;
  min-width: 0;
  overflow: hidden;
}
.hint {
  padding: 46px 20px;
}
.line {
  flex: none;
  min-height: 22px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 900px) {
  .room {
    overflow: auto;
  }
  .sides {
    flex-direction: column;
    flex: none;
  }
  .surface {
    flex: none;
    height: 420px;
  }
}
</style>
