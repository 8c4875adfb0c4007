<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import DraftedMark from '@/common/DraftedMark.vue'
import { counted, day, fromNow } from '@/common/words'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'
import DutyDialog from './DutyDialog.vue'
import { DUTIES, LETS } from './duties'

/** Who administers what: since when, given by whom, and what they did with it. */
const { may } = useSession()
const { draftAt } = useDrafting()
const query = useQuery({ queryKey: ['duties'], queryFn: () => answer(api.GET('/api/duties')) })
const find = ref('')
const unused = ref(false)
const open = ref<string>()
const editing = ref<Schemas['DutyLine'] | 'new'>()

const lines = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  const ordered = [...(query.data.value ?? [])].sort((one, other) => DUTIES.indexOf(one.duty) - DUTIES.indexOf(other.duty))
  return ordered.filter(
    (line) =>
      (!unused.value || line.lastUsed === undefined) &&
      [line.duty, line.subject.name, line.covers ?? '', ...line.holders.map((holder) => holder.person.name)].some((words) => words.toLowerCase().includes(wanted)),
  )
})
const neverUsed = computed(() => (query.data.value ?? []).filter((line) => line.lastUsed === undefined).length)

function held(line: Schemas['DutyLine']): string {
  const parts = [line.from ? `from ${day(line.from)}` : '', line.until ? `${toTheEndOf(line.until)}, ${fromNow(line.until)}` : ''].filter((part) => part !== '')
  return parts.length === 0 ? 'without an end' : parts.join(' ')
}
function used(line: Schemas['DutyLine']): string {
  if (line.lastUsed === undefined) return line.duty === 'AUDIT' ? 'changes nothing' : 'never used'
  return `${line.lately} in 90 days, last ${day(line.lastUsed)}`
}
function who(line: Schemas['DutyLine']) {
  return line.subject.kind === 'unit' ? { name: 'people', params: { view: 'units', id: line.subject.id } } : { name: 'people', params: { view: line.subject.kind === 'group' ? 'groups' : 'persons', id: line.subject.id } }
}
const end = (line: Schemas['DutyLine']) => draftAt([{ kind: 'removeDuty', assignment: line.id }])
</script>

<template>
  <div class="duties">
    <div class="head">
      <h1>Duties</h1>
      <input v-model="find" data-find type="search" placeholder="Find a duty, a person, a place" aria-label="Find a duty" />
      <v-checkbox v-model="unused" :label="`Never used (${neverUsed})`" hide-details />
      <v-btn v-if="may('system')" size="small" class="is-main" @click="editing = 'new'">Hand out a duty</v-btn>
    </div>
    <p class="quiet lead">Who administers what. A duty gives no right on any document, and no duty passes a wall. What is changed here goes into the draft like everything else.</p>
    <div class="sheet table">
      <table>
        <thead>
          <tr>
            <th scope="col">Duty</th>
            <th scope="col">Held by</th>
            <th scope="col">Covers</th>
            <th scope="col">Gives at most</th>
            <th scope="col">Held</th>
            <th scope="col">Used</th>
            <th v-if="may('system')" scope="col"><span class="sr">What to do</span></th>
          </tr>
        </thead>
        <tbody v-for="line in lines" :key="line.id">
          <tr :data-current="line.current">
            <th scope="row" :title="LETS[line.duty]">{{ line.duty.toLowerCase() }} <DraftedMark :drafted="line.drafted" /></th>
            <td>
              <router-link :to="who(line)">{{ line.subject.name }}</router-link>
              <button v-if="line.subject.kind !== 'person'" type="button" class="linklike count" :aria-expanded="open === line.id" @click="open = open === line.id ? undefined : line.id">
                {{ counted(line.holdersInAll, 'person', 'people') }}
              </button>
              <span v-else-if="line.holdersInAll === 0" class="caution">not active</span>
            </td>
            <td>
              <router-link v-if="line.place" :to="{ name: 'places', params: { id: line.place } }">{{ line.covers }}</router-link>
              <template v-else>{{ line.covers ?? 'all' }}</template>
            </td>
            <td>{{ line.ceilingName ?? (line.duty === 'ACCESS' ? 'every role' : '') }}</td>
            <td :class="{ caution: !line.current }" :title="line.since ? `Given with change ${line.since.change} by ${line.since.author}: ${line.since.note}` : 'In your draft'">
              {{ held(line) }}<span v-if="line.since" class="quiet">, given {{ day(line.since.at) }} by {{ line.since.author }}</span>
            </td>
            <td :class="{ quiet: line.lastUsed === undefined }">{{ used(line) }}</td>
            <td v-if="may('system')" class="acts">
              <button type="button" class="linklike" :aria-label="`Change the duty ${line.duty.toLowerCase()} of ${line.subject.name}`" @click="editing = line">Change</button>
              <button type="button" class="linklike" :aria-label="`Take back the duty ${line.duty.toLowerCase()} of ${line.subject.name}`" @click="end(line)">Take back</button>
            </td>
          </tr>
          <tr v-if="open === line.id" class="holders">
            <td :colspan="may('system') ? 7 : 6">
              <span v-for="holder in line.holders" :key="holder.person.id">
                <router-link :to="{ name: 'people', params: { view: 'persons', id: holder.person.id } }">{{ holder.person.name }}</router-link> through {{ holder.through }}
              </span>
              <span v-if="line.holdersInAll > line.holders.length" class="quiet">and {{ counted(line.holdersInAll - line.holders.length, 'other') }}</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="query.isFetched.value && lines.length === 0" class="quiet none">Nobody holds a duty like that.</p>
    </div>
    <DutyDialog v-if="editing" :key="editing === 'new' ? 'new' : editing.id" :model-value="true" :line="editing === 'new' ? undefined : editing" @update:model-value="editing = undefined" />
  </div>
</template>

<style scoped>
.duties {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 14px 20px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
}
.head input {
  flex: 1;
  min-width: 180px;
  max-width: 380px;
  padding: 5px 10px;
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  background: rgb(var(--v-theme-surface));
  color: inherit;
}
.lead {
  max-width: 78ch;
}
.table {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
thead th {
  position: sticky;
  top: 0;
  background: rgb(var(--v-theme-surface));
  border-bottom: 1px solid var(--pg-line);
  font-weight: 600;
}
th,
td {
  padding: 4px 10px;
  text-align: left;
  vertical-align: top;
  font-weight: 400;
}
tbody th {
  font-weight: 600;
  white-space: nowrap;
}
tbody tr {
  border-bottom: 1px solid var(--pg-line);
}
.count {
  margin-left: 8px;
}
.acts {
  white-space: nowrap;
}
.acts button + button {
  margin-left: 10px;
}
.holders span {
  display: inline-block;
  margin-right: 16px;
}
.none {
  padding: 14px;
}
</style>
