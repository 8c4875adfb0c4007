<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { counted } from '@/common/words'
import { RIGHTS } from '@/paling/rights'
import { useSession } from '@/session/useSession'
import { useDraft } from '@/tray/useDraft'
import { shownOf, type Shown } from './axis'
import CellPanel from './CellPanel.vue'
import CellsDialog from './CellsDialog.vue'
import { askedOf, cellWords, lookOf, outlierWords } from './matrix'
import MatrixBar from './MatrixBar.vue'
import MatrixGrid from './MatrixGrid.vue'
import MatrixSheets from './MatrixSheets.vue'
import { useCells } from './useCells'
import { CELLS_AT_MOST, useChanging } from './useChanging'
import { useChoice } from './useChoice'
import { soughtOf, useFound } from './useFound'
import { useHeads } from './useHeads'
import { useOnPaper } from './useOnPaper'
import { useSeek } from './useSeek'

/** Who has what where, at one glance: subjects against places, or types. */
const route = useRoute()
const router = useRouter()
const { may } = useSession()
const text = (key: string) => (typeof route.query[key] === 'string' ? String(route.query[key]) : undefined)
const look = computed(() => lookOf(route.query))
const sought = computed(() => soughtOf(text))
const { query: heads, subjects, places, folded, fold, unfoldTo } = useHeads(look)
const found = useFound(
  look,
  sought,
  computed(() => heads.data.value?.heads),
)
const roleList = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const roles = computed(() => {
  const names = new Map<number, string>()
  for (const role of roleList.data.value ?? []) {
    const mask = role.rights.reduce((sum, right) => sum | (1 << RIGHTS.indexOf(right)), 0)
    if (!names.has(mask)) names.set(mask, role.name)
  }
  return names
})

// --- what is shown ----------------------------------------------------------------------------
const shownSubjects = computed(() => shownOf(subjects.value, folded.value, found.only.value?.rows))
const shownPlaces = computed(() => shownOf(places.value, folded.value, found.only.value?.columns))
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
/** What is in sight, and half as much again on every side. */
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
    if (onPaper.value) paper.want()
    else fetchInSight()
  },
)
const cell = (row: Shown, column: Shown) => cells.cell(subjectOf(row, column).head.key, placeOf(row, column).head.key)
const key = (row: Shown, column: Shown) => `${subjectOf(row, column).at}|${placeOf(row, column).at}`
const isStrange = (row: Shown, column: Shown) => found.strangeCells.value?.has(key(row, column)) ?? false
const isSought = (row: Shown, column: Shown) => found.foundCells.value?.has(key(row, column)) ?? true
const outliers = computed(
  () => new Map((found.strange.value?.outliers ?? []).map((one) => [`${one.row}|${one.column}`, one])),
)
function words(row: Shown, column: Shown): string {
  const subject = subjectOf(row, column).head
  const at = cell(row, column)
  const what = at === undefined ? 'being looked up' : cellWords(at, Number(subject.note), roles.value)
  const odd = outliers.value.get(key(row, column))
  const compared = subject.kind === 'unit' ? 'units' : subject.kind === 'group' ? 'groups' : 'subjects'
  const strange = odd && outlierWords(odd, compared, look.value.across === 'TYPES' ? 'types' : 'places', roles.value)
  return `${subject.name} at ${placeOf(row, column).head.name}: ${what}.${strange === undefined ? '' : ` Outlier. ${strange}`}`
}
const drawn = computed(() => [cells.came.value, found.strangeCells.value, found.foundCells.value])
const hovered = ref<{ y: number; x: number }>()
const line = computed(() => {
  void drawn.value
  const { y, x } = hovered.value ?? choice.active.value
  return down.value[y] === undefined || across.value[x] === undefined ? '' : words(down.value[y], across.value[x])
})

// --- going through outliers, and all that are alike ----------------------------------------------
const grid = ref<InstanceType<typeof MatrixGrid>>()
const here = computed(() => {
  const row = down.value[choice.active.value.y]
  const column = across.value[choice.active.value.x]
  return row === undefined || column === undefined
    ? undefined
    : { row, column, subject: subjectOf(row, column).head, place: placeOf(row, column).head }
})
const { goTo, seek, chooseAlike } = useSeek({
  found,
  down,
  across,
  turned: computed(() => look.value.turned),
  choice,
  unfoldTo,
  here,
})
async function seekAndStay(step: 1 | -1) {
  await seek(step)
  grid.value?.focus()
}

// --- one cell, and many -----------------------------------------------------------------------
const opened = computed(() =>
  text('of') !== undefined && text('column') !== undefined ? { of: text('of')!, column: text('column')! } : undefined,
)
// An address that opens a cell leads to it, once: where one is, what is chosen and what is open are the same until one goes on.
let ledTo = ''
watch(
  [opened, () => heads.data.value?.heads],
  async ([one]) => {
    if (one === undefined || heads.data.value === undefined || ledTo === `${one.of} ${one.column}`) return
    ledTo = `${one.of} ${one.column}`
    if (here.value?.subject.key === one.of && here.value.place.key === one.column) return
    const row = subjects.value.findIndex((head) => head.key === one.of)
    const column = places.value.findIndex((head) => head.key === one.column)
    if (row >= 0 && column >= 0) await goTo(row, column)
  },
  { immediate: true, flush: 'post' },
)
function open() {
  if (here.value === undefined) return
  void router.replace({
    name: 'matrix',
    query: { ...route.query, of: here.value.subject.key, column: here.value.place.key },
  })
}
function close() {
  void router.replace({ name: 'matrix', query: { ...route.query, of: undefined, column: undefined } })
  void nextTick(() => grid.value?.focus())
}
const mayChange = computed(() => may('access'))
const { changing, tooMany, changeChosen, changeOne, done } = useChanging(
  {
    subjects,
    places,
    top: computed(() => heads.data.value?.top),
    turned: computed(() => look.value.turned),
    types: computed(() => look.value.across === 'TYPES'),
  },
  choice,
)
function change() {
  const at = here.value
  if (mayChange.value && at !== undefined) changeChosen(at, words(at.row, at.column))
}

// --- on paper -------------------------------------------------------------------------------------
const onPaper = computed(() => text('sheets') === 'yes')
const laidOutAt = computed(() => new Date(heads.dataUpdatedAt.value))
const { draft } = useDraft()
const paper = useOnPaper(
  look,
  sought,
  computed(() => heads.data.value?.topPath),
  computed(() => (draft.value?.items.length ?? 0) > 0),
  { down, across },
  cells,
)
const paperFault = computed(() => cells.failed.value || (found.fault.value ?? heads.error.value)?.message || '')
// Without the outliers it would seem that there are none.
const paperWaits = computed(() => found.pending.value || found.strange.value === undefined)

const said = computed(() => {
  const parts = [
    `${counted(subjects.value.length, 'subject')} × ${counted(places.value.length, look.value.across === 'TYPES' ? 'type' : 'place')}`,
  ]
  const { rowsLeft = 0, columnsLeft = 0 } = heads.data.value ?? {}
  if (rowsLeft > 0) parts.push(`${counted(rowsLeft, 'subject')} left out: choose others`)
  if (columnsLeft > 0) parts.push(`${counted(columnsLeft, 'place')} left out: choose a place further down`)
  const some = found.found.value
  const strange = found.strange.value
  if (some !== undefined)
    parts.push(
      counted(some.total, 'such cell') +
        (some.total > found.listed.value ? `, ${counted(found.listed.value, 'of them is', 'of them are')} shown` : ''),
    )
  else if (strange !== undefined)
    parts.push(
      counted(strange.total, 'outlier') +
        (strange.total > strange.outliers.length
          ? `, of which one can step through the strangest ${strange.outliers.length}`
          : ''),
    )
  return parts.join(' · ')
})
</script>

<template>
  <MatrixSheets
    v-if="onPaper && heads.data.value !== undefined"
    :title="paper.title.value"
    :rows="down"
    :columns="across"
    :cell="cell"
    :strange="isStrange"
    :roles="roles"
    :drawn="drawn"
    :now="laidOutAt"
    :about="said"
    :waiting="paperWaits"
    :fault="paperFault"
    @want="paper.want"
    @close="router.replace({ name: 'matrix', query: { ...route.query, sheets: undefined } })"
  />
  <div v-else class="room">
    <MatrixBar
      :look="look"
      :sought="sought"
      :subjects="subjects"
      :top-path="heads.data.value?.topPath"
      :cells="subjects.length * places.length"
    />
    <p v-if="heads.isError.value" class="fault" role="alert">{{ heads.error.value?.message }}</p>
    <p v-else-if="heads.data.value === undefined" role="status">Laying it out …</p>
    <template v-else>
      <div class="said quiet">
        <span role="status">{{ said }}</span>
        <span v-if="cells.failed.value" class="fault" role="alert">{{ cells.failed.value }}</span>
        <span v-if="found.fault.value" class="fault" role="alert">{{ found.fault.value.message }}</span>
        <span class="acts">
          <v-btn v-if="(found.strange.value?.total ?? 0) > 0" size="small" @click="seekAndStay(1)">Next outlier</v-btn>
          <span v-if="tooMany" class="warn"
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
          <p v-if="found.pending.value" class="quiet hint" role="status">Looking …</p>
          <p v-else-if="found.fault.value && sought.kind !== ''" class="quiet hint">
            What was looked for could not be found out. Show all cells, or look for something else.
          </p>
          <p v-else-if="down.length === 0 || across.length === 0" class="quiet hint">
            {{
              sought.kind === ''
                ? 'There is nothing to set against each other here: choose other subjects, or another place.'
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
            @fold="fold"
            @open="open"
            @change="change"
            @seek="seekAndStay"
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
          @change="changeOne(opened.of, opened.column)"
        />
      </div>
      <p class="line" aria-hidden="true">{{ line }}</p>
    </template>
    <CellsDialog v-if="changing" v-bind="changing" :roles="roleList.data.value ?? []" @close="done" />
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
.said {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
}
.acts {
  display: inline-flex;
  gap: 8px;
  align-items: center;
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
