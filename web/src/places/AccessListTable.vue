<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, reactive, ref } from 'vue'
import type { Schemas } from '@/api/client'
import Paling from '@/paling/Paling.vue'
import { useDensity } from '@/common/density'
import { toTheEndOf } from '@/common/dates'
import { counted, listed } from '@/common/words'
import { useChoice } from '@/lists/useChoice'
import LineWho from './LineWho.vue'
import { dates, remark } from './lineWords'
import PeopleBehindDialog from './PeopleBehindDialog.vue'

type Line = Schemas['AccessLine']

const props = defineProps<{ place: string; lines: Line[]; mayChange: boolean; /** The entries that changes of the draft are about. */ drafted?: Set<string>; /** Where the field to find a line stands, as a selector; above the list without it. */ findIn?: string }>()
const emit = defineEmits<{ remove: [line: Line]; takeBack: [line: Line] }>()
/** Lines that the draft adds or removes by themselves can be taken back here; others come and go with something else. */
const takenBack = (line: Line) => line.drafted !== 'NO' && line.own && (props.drafted?.has(line.entry.id) ?? false)
/** The ids of the chosen lines: own ones, for doing something to many of them. */
const selected = defineModel<string[]>('selected', { default: () => [] })

function mayChoose(line: Line): boolean {
  return props.mayChange && line.own && line.drafted !== 'REMOVED'
}

const FEW = 60
const { row } = useDensity()
const LINE_HEIGHT = computed(() => row.value + 1)
/** The lines whose remarks are open. */
const noted = reactive(new Set<string>())
const find = ref('')
const sort = ref('')
const SORTS: Record<string, (a: Line, b: Line) => number> = {
  who: (a, b) => a.entry.subjectName.localeCompare(b.entry.subjectName),
  what: (a, b) => what(a).localeCompare(what(b)),
  people: (a, b) => b.people - a.people,
  from: (a, b) => Number(b.own) - Number(a.own) || a.entry.placeName.localeCompare(b.entry.placeName),
}
/** As they are given, own ones first, unless they are sorted. */
const shown = computed(() => {
  const text = find.value.trim().toLowerCase()
  const found = props.lines.filter((line) => `${line.entry.subjectName} ${what(line)} ${line.entry.placeName} ${remark(line)}`.toLowerCase().includes(text))
  const turned = sort.value.startsWith('-')
  const order = SORTS[turned ? sort.value.slice(1) : sort.value]
  return order === undefined ? found : found.sort((a, b) => (turned ? order(b, a) : order(a, b)))
})
const choosable = computed(() => shown.value.filter(mayChoose).map((line) => line.entry.id))
const { all, some, toggle, toggleAll } = useChoice(() => choosable.value, selected)
/** Of a long list only the rows in sight exist. */
const scroller = ref<HTMLElement | null>(null)
const virtualizer = useVirtualizer(
  computed(() => ({ count: shown.value.length, getScrollElement: () => scroller.value, estimateSize: () => LINE_HEIGHT.value, overscan: 10, enabled: shown.value.length > FEW })),
)
const drawn = computed(() => {
  if (shown.value.length <= FEW) return { lines: shown.value, above: 0, below: 0 }
  const rows = virtualizer.value.getVirtualItems()
  const first = rows[0]
  const last = rows.at(-1)
  if (first === undefined || last === undefined) return { lines: shown.value.slice(0, FEW), above: 0, below: (shown.value.length - FEW) * LINE_HEIGHT.value }
  return { lines: shown.value.slice(first.index, last.index + 1), above: first.start, below: virtualizer.value.getTotalSize() - last.end }
})

function sortBy(column: string) {
  sort.value = sort.value === column ? `-${column}` : column
}
function ariaSort(column: string): 'ascending' | 'descending' | 'none' {
  return sort.value === column ? 'ascending' : sort.value === `-${column}` ? 'descending' : 'none'
}
function what(line: Line): string {
  return line.entry.kind === 'grant' ? (line.entry.role ?? '') : `withholds ${listed(line.entry.rights)}`
}

const NO_EFFECT: Record<string, string> = { NOT_YET: 'has not begun', ENDED: 'has ended', NOBODY: 'nobody is in it', WALLED: 'walls bar everyone in it', NOBODY_CLEARED: 'nobody in it is cleared', SHADOWED: 'changes nothing here' }

const COLUMNS = [
  { title: 'Who', sort: 'who' },
  { title: 'What', sort: 'what' },
  { title: 'People', sort: 'people' },
  { title: 'From', sort: 'from' },
]

const opened = ref<Line>()
const showing = ref(false)

function show(line: Line) {
  opened.value = line
  showing.value = true
}
</script>

<template>
  <div ref="scroller" class="wrap" tabindex="0" role="region" aria-label="Access list">
    <Teleport v-if="lines.length > 5" defer :to="findIn ?? 'body'" :disabled="findIn === undefined">
      <v-text-field v-model="find" label="Find a line" clearable hide-details @click:clear="find = ''" />
      <span class="quiet found" role="status">{{ find ? counted(shown.length, 'line') : '' }}</span>
    </Teleport>
    <table>
      <caption class="sr">
        The entries that stand at this place and those that reach it from above
      </caption>
      <colgroup>
        <col v-if="mayChange" class="choose" />
        <col />
        <col class="what-column" />
        <col class="people-column" />
        <col class="origin-column" />
        <col class="end-column" />
      </colgroup>
      <thead>
        <tr>
          <th v-if="mayChange" scope="col" class="choose">
            <input v-if="choosable.length > 1" type="checkbox" :checked="all" :indeterminate="some" :aria-label="`Choose all ${choosable.length} lines of its own that are shown`" @change="toggleAll" />
            <span v-else class="sr">Choose</span>
          </th>
          <th v-for="column in COLUMNS" :key="column.sort" scope="col" :aria-sort="ariaSort(column.sort)">
            <button type="button" class="sorter" :data-on="ariaSort(column.sort)" @click="sortBy(column.sort)">{{ column.title }}</button>
          </th>
          <th scope="col"><span class="sr">Actions</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-if="drawn.above > 0" aria-hidden="true" :style="{ height: `${drawn.above}px` }" />
        <tr
          v-for="line in drawn.lines"
          :key="line.entry.kind + line.entry.id"
          :data-entry="line.entry.id"
          :data-state="line.state"
          :data-drafted="line.drafted"
        >
          <td v-if="mayChange" class="choose">
            <input v-if="mayChoose(line)" type="checkbox" :checked="selected.includes(line.entry.id)" :aria-label="`Choose the line of ${line.entry.subjectName}`" title="With Shift: all from the one chosen last" @click="toggle(line.entry.id, $event.shiftKey)" />
          </td>
          <td class="whom">
            <LineWho :line="line" :open="noted.has(line.entry.id)" @open="noted.has(line.entry.id) ? noted.delete(line.entry.id) : noted.add(line.entry.id)" />
          </td>
          <td>
            <div class="what">
              <Paling
                v-if="line.entry.kind === 'grant'"
                :rights="line.entry.rights"
                :origin="line.own ? 'HERE' : 'ABOVE'"
                :role="line.entry.role"
              />
              <Paling v-else :rights="[]" :withheld="line.entry.rights" :origin="line.own ? 'HERE' : 'ABOVE'" />
              <span :class="{ lose: line.entry.kind !== 'grant' }">{{ what(line) }}</span>
            </div>
          </td>
          <td class="count">
            <button type="button" class="linklike" :aria-label="`${line.people} people behind ${line.entry.subjectName}: list them`" @click="show(line)">
              {{ line.people }}
            </button>
            <span v-if="line.outsiders > 0" class="mark outsider">{{ counted(line.outsiders, 'outsider') }}</span>
            <span v-if="line.state !== 'ACTS'" class="mark">{{ line.sameAs ? `the same as ${line.sameAs}` : NO_EFFECT[line.state] }}</span>
            <span v-else-if="line.entry.until" class="mark" :title="dates(line)">{{ toTheEndOf(line.entry.until) }}</span>
          </td>
          <td class="origin">
            <span v-if="line.own">here</span>
            <router-link v-else :to="{ name: 'places', params: { id: line.entry.place } }">{{ line.entry.placeName }}</router-link>
          </td>
          <td class="end">
            <span v-if="line.drafted === 'ADDED'" class="mark gain">{{ line.own ? 'added' : 'reaches it' }}<span class="sr"> by your draft</span></span>
            <span v-else-if="line.drafted === 'REMOVED'" class="mark lose">{{ line.own ? 'removed' : 'stopped' }}<span class="sr"> by your draft</span></span>
            <v-btn
              v-if="takenBack(line)"
              size="small"
              variant="text"
              :aria-label="`Take back what your draft does to the line of ${line.entry.subjectName}`"
              @click="emit('takeBack', line)"
              >Take back</v-btn
            >
            <v-btn
              v-else-if="line.drafted === 'NO' && line.own && mayChange"
              size="small"
              variant="text"
              :aria-label="`Remove ${line.entry.kind === 'grant' ? line.entry.role : 'the withholding'} of ${line.entry.subjectName}`"
              @click="emit('remove', line)"
              >Remove</v-btn
            >
          </td>
        </tr>
        <tr v-if="drawn.below > 0" aria-hidden="true" :style="{ height: `${drawn.below}px` }" />
        <tr v-if="lines.length > 0 && shown.length === 0">
          <td colspan="6" class="quiet">No line has “{{ find }}” in it.</td>
        </tr>
        <tr v-if="lines.length === 0">
          <td colspan="6" class="quiet">Nothing stands here and nothing reaches it from above: nobody has any access.</td>
        </tr>
      </tbody>
    </table>
    <PeopleBehindDialog v-if="opened" v-model="showing" :place="place" :line="opened" />
  </div>
</template>

<style scoped>
.wrap {
  overflow: auto;
  height: 100%;
}
/* No row widens its column: names give way, and marks break into a second line. */
table {
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
}
col.choose {
  width: 34px;
}
.what-column {
  width: 204px;
}
.people-column {
  width: 164px;
}
.origin-column {
  width: 112px;
}
.end-column {
  width: 164px;
}
th {
  text-align: left;
  position: sticky;
  top: 0;
  z-index: 1;
  background: rgb(var(--v-theme-surface));
  box-shadow: inset 0 -1px rgba(var(--v-theme-on-surface), 0.34);
  padding: 4px 12px;
}
html[data-density='comfortable'] td {
  height: 45px;
}
td {
  height: 28px;
  padding: 0 12px;
  border-bottom: 1px solid var(--pg-line);
  vertical-align: middle;
}
tr:last-child td {
  border-bottom: 0;
}
.choose {
  width: 30px;
  padding-right: 0;
}
.choose input {
  width: 18px;
  height: 18px;
  accent-color: rgb(var(--v-theme-primary));
}
tr:not([data-state='ACTS']) td:not(.end, .choose) {
  color: var(--pg-quiet);
}
td {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.wrap {
  container-type: inline-size;
}
@container (max-width: 640px) {
  .what-column {
    width: 146px;
  }
  .people-column {
    width: 120px;
  }
  .origin-column {
    width: 62px;
  }
  .end-column {
    width: 90px;
  }
  /* What can be taken back is drafted: there is room for one of the two. */
  .end:has(button) > .mark {
    position: absolute;
    clip-path: inset(50%);
  }
  .count {
    white-space: nowrap !important;
  }
  /* Who is from outside comes before what the line’s own look says too. */
  .count > .mark:not(.outsider) {
    position: absolute;
    clip-path: inset(50%);
  }
  td .mark {
    margin-left: 4px !important;
  }
  th,
  td {
    padding-inline: 7px !important;
  }
  .what {
    gap: 6px !important;
  }
}
.found {
  margin-left: 8px;
  white-space: nowrap;
}
.what {
  display: flex;
  align-items: center;
  gap: 12px;
}
td .mark {
  margin-left: 8px;
}
.count {
  white-space: normal;
}
.end {
  padding: 0 8px;
  text-align: right;
  white-space: nowrap;
}
tr[data-state='ENDED'] :deep(.who),
tr[data-state='NOT_YET'] :deep(.who),
tr[data-state='NOBODY'] :deep(.who) {
  font-weight: 400;
  font-style: italic;
}
tr[data-drafted='REMOVED'] :deep(.who) {
  text-decoration: line-through;
}
tr[data-drafted='ADDED'] {
  background: rgba(var(--v-theme-success), 0.09);
}
tr[data-drafted='REMOVED'] {
  background: rgba(var(--v-theme-error), 0.07);
}
</style>
