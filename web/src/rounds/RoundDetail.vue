<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import MenuButton from '@/common/MenuButton.vue'
import PageDialog from '@/common/PageDialog.vue'
import { useNotices } from '@/common/useNotices'
import { counted, day, lastDay, moment, number } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import PersonPicker from '@/people/PersonPicker.vue'
import { useDrafting } from '@/tray/useDrafting'
import { wordOf } from './round'

/** How a round stands: who has decided what, what is to be carried out, what came of it. */
const props = defineProps<{ id: number }>()
const queries = useQueryClient()
const notices = useNotices()
const { draft, busy, faults: draftFaults } = useDrafting()
const query = useQuery({ queryKey: computed(() => ['rounds', props.id]), queryFn: () => answer(api.GET('/api/rounds/{id}', { params: { path: { id: props.id } } })) })
const round = computed(() => query.data.value)
const outcome = ref<string>()
const faults = ref<FaultLine[]>([])
const left = ref<Schemas['Undone'][]>([])
const besides = ref<Schemas['Undone'][]>([])
/** So many are written out; of more it is said how many. */
const LISTED = 50
const closing = ref(false)
const note = ref('')
/** What was shown when closing was begun: what is signed off is that, or nothing. */
const seenAtClosing = ref('')
const giving = ref<Schemas['RoundItem']>()
const to = ref<Schemas['PersonView']>()

const fetchItems = (part: Part) => answer(api.GET('/api/rounds/{id}/items', { params: { path: { id: props.id }, query: { ...(outcome.value === undefined ? {} : { outcome: outcome.value }), ...part } } }))
const COLUMNS = [
  { title: 'What is asked', width: 'minmax(220px, 1.8fr)' },
  { title: 'Reviewer', width: '1fr' },
  { title: 'Decision', width: '1.2fr' },
  { title: 'What came of it', width: '110px' },
]
async function act(doing: () => Promise<unknown>): Promise<boolean> {
  faults.value = []
  try {
    await doing()
    await queries.invalidateQueries({ queryKey: ['rounds'] })
    return true
  } catch (error) {
    faults.value = faultsOf(error)
    return false
  }
}
/** Of all into the draft in hand, or of one reviewer into a draft of its own. */
async function carryOut(reviewer?: { person: string; name: string }) {
  await act(async () => {
    const found = await answer(api.GET('/api/rounds/{id}/changes', { params: { path: { id: props.id }, query: reviewer === undefined ? {} : { reviewer: reviewer.person } } }))
    left.value = found.left
    besides.value = found.besides
    if (found.changes.length > 0) {
      if (reviewer !== undefined) await answer(api.POST('/api/drafts', { body: { name: `${round.value?.name ?? ''}: ${reviewer.name}`.slice(0, 200) } }))
      await draft(found.changes)
    }
    if (found.changes.length === 0) notices.say('There is nothing to carry out now.')
  })
}
async function remind() {
  await act(async () => {
    const { sent } = await answer(api.POST('/api/rounds/{id}/reminders', { params: { path: { id: props.id } } }))
    notices.say(`${counted(sent ?? 0, 'letter')} written.`)
  })
}
function beginClosing() {
  note.value = ''
  seenAtClosing.value = round.value?.seen ?? ''
  closing.value = true
}
async function close() {
  if (await act(() => answer(api.POST('/api/rounds/{id}/closing', { params: { path: { id: props.id } }, body: { note: note.value.trim(), seen: seenAtClosing.value } })))) closing.value = false
}
async function give() {
  const item = giving.value
  const person = to.value
  if (item === undefined || person === undefined) return
  if (await act(() => answer(api.POST('/api/rounds/{id}/delegation', { params: { path: { id: props.id } }, body: { numbers: [item.number], to: person.id } })))) giving.value = undefined
}
function said(item: Schemas['RoundItem']): string {
  if (item.decision === undefined) return 'open'
  return [wordOf(item.decision), item.toRole ? `to ${item.toRole}` : '', item.toUntil ? `until ${lastDay(item.toUntil)}` : '', item.comment ? `– ${item.comment}` : ''].filter(Boolean).join(' ')
}
const evidence = (format: string) => `/api/statements/file?kind=round&id=${props.id}&format=${format}`
const entries = computed(() => [
  { title: 'Remind whoever has not handed in', run: () => void remind() },
  { title: 'Close and sign off …', run: beginClosing },
])
const toDo = computed(() => round.value?.outcomes.find((one) => one.outcome === 'to do')?.items ?? 0)
</script>

<template>
  <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
  <p v-else-if="round === undefined" role="status">Fetching the round …</p>
  <div v-else class="round">
    <div class="detail-title">
      <div>
        <h2>{{ round.name }} <span class="mark">{{ round.open ? 'open' : 'closed' }}</span></h2>
        <p class="quiet">
          {{ counted(round.items, 'item') }}{{ round.path ? ` at ${round.path} and below` : '' }}{{ round.outsidersOnly ? ', only what concerns outsiders' : '' }}. Begun {{ day(round.madeAt) }} by {{ round.madeBy }} on change {{ round.change }}, due
          {{ lastDay(round.due) }}.{{ round.remindDays === undefined ? '' : ` Reviewers are reminded ${counted(round.remindDays, 'day')} before, and when it is overdue.` }}
        </p>
        <p v-if="round.beside.first < round.items" class="quiet">
          Beside the rounds before: {{ round.beside.alike }} decided alike, {{ round.beside.otherwise }} otherwise, {{ round.beside.first }} asked about for the first time.
        </p>
        <p v-if="round.closedAt">Closed {{ moment(round.closedAt) }} by {{ round.closedBy }}: {{ round.closingNote }}</p>
      </div>
      <div class="detail-acts">
        <v-btn size="small" :href="evidence('PDF')" download>Evidence, PDF</v-btn>
        <v-btn size="small" :href="evidence('XLSX')" download>Workbook</v-btn>
        <MenuButton v-if="round.open && round.mayRun" title="More" :label="`More to do with ${round.name}`" :entries="entries" />
      </div>
    </div>
    <div v-if="round.open && round.mayRun && toDo > 0" class="caution carry" role="status">
      <span>{{ counted(toDo, 'decision') }} to carry out.</span> <v-btn size="small" class="is-main" :loading="busy" @click="carryOut()">Put them into the draft</v-btn>
    </div>
    <ul v-if="left.length > 0" class="left" aria-label="Not carried out">
      <li v-for="one in left.slice(0, LISTED)" :key="one.number">{{ one.sentence }} {{ one.why }}</li>
      <li v-if="left.length > LISTED" class="quiet">and {{ number(left.length - LISTED) }} more, all among the items that are to do</li>
    </ul>
    <template v-if="besides.length > 0">
      <p class="caution">{{ counted(besides.length, 'item') }} would not be as decided:</p>
      <ul class="left" aria-label="Not as decided">
        <li v-for="one in besides.slice(0, LISTED)" :key="one.number">{{ one.sentence }} {{ one.why }}</li>
        <li v-if="besides.length > LISTED" class="quiet">and {{ number(besides.length - LISTED) }} more</li>
      </ul>
    </template>
    <FaultList :faults="[...faults, ...draftFaults]" />
    <table class="reviewers">
      <caption class="quiet">Reviewers</caption>
      <thead>
        <tr><th scope="col">Who</th><th scope="col">Decided</th><th scope="col">Questions, not theirs</th><th scope="col">Handed in</th><th scope="col">To carry out</th></tr>
      </thead>
      <tbody>
        <tr v-for="one in round.reviewers" :key="one.person ?? ''">
          <td :class="{ warn: one.person === undefined }">{{ one.name ?? (one.person === undefined ? 'nobody' : 'somebody') }}</td>
          <td>{{ one.decided }} of {{ one.items }}</td>
          <td>{{ one.questions }}</td>
          <td>{{ one.handedInAt ? moment(one.handedInAt) : 'not yet' }}</td>
          <td>
            {{ one.toDo }}
            <button v-if="round.open && round.mayRun && one.toDo > 0 && one.handedInAt && one.person !== undefined" type="button" class="linklike" :disabled="busy" :aria-label="`Draft by itself what ${one.name} decided`" @click="carryOut({ person: one.person, name: one.name ?? '' })">into a draft of its own</button>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="segments" role="group" aria-label="Which items">
      <button type="button" :aria-pressed="outcome === undefined" @click="outcome = undefined">All ({{ round.items }})</button>
      <button v-for="one in round.outcomes" :key="one.outcome" type="button" :aria-pressed="outcome === one.outcome" @click="outcome = one.outcome">{{ one.outcome }} ({{ one.items }})</button>
    </div>
    <div class="sheet list">
      <PagedList label="Items of the round" find="Find an item" :query-key="['rounds', id, 'items', outcome ?? '', query.dataUpdatedAt.value]" :fetch="fetchItems" :columns="COLUMNS" empty="None.">
        <template #row="{ item }">
          <div role="cell" :title="`${item.sentence} ${item.since}`">{{ item.sentence }} <span v-if="item.outsiders > 0" class="mark outsider">outsiders</span><span v-if="item.changed && round.open" class="mark">changed since</span></div>
          <div role="cell">
            {{ item.reviewerName ?? 'nobody' }}
            <button v-if="round.open && round.mayRun" type="button" class="linklike" data-opens :aria-label="`Give to somebody else: ${item.sentence}`" @click="((to = undefined), (giving = item))">give</button>
          </div>
          <div role="cell" :title="said(item)">{{ said(item) }}</div>
          <div role="cell" :class="{ warn: item.outcome === 'to do' }">{{ item.outcome }}</div>
        </template>
      </PagedList>
    </div>
    <details>
      <summary>What happened ({{ round.trail.length }})</summary>
      <ol>
        <li v-for="one in round.trail" :key="one.at + one.what">{{ moment(one.at) }}: {{ one.who }} {{ one.what }}</li>
      </ol>
    </details>
    <PageDialog :model-value="closing" max-width="520" aria-labelledby="closing-title" @update:model-value="closing = false">
      <form class="sheet pg-dialog" @submit.prevent="close">
        <h2 id="closing-title">Close {{ round.name }}</h2>
        <p>What has come of each item is written down as it is now. After this nobody decides anything in it any more.</p>
        <p v-if="toDo > 0" class="caution">{{ counted(toDo, 'decision is', 'decisions are') }} not carried out. Say who answers for them.</p>
        <v-textarea v-model="note" v-focus-first label="Signed off, in a sentence" rows="3" maxlength="2000" />
        <FaultList :faults="faults" />
        <div class="actions">
          <v-btn @click="closing = false">Cancel</v-btn>
          <v-btn type="submit" class="is-main" :disabled="note.trim() === ''">Close and sign off</v-btn>
        </div>
      </form>
    </PageDialog>
    <PageDialog :model-value="giving !== undefined" max-width="480" aria-labelledby="giving-title" @update:model-value="giving = undefined">
      <form class="sheet pg-dialog" @submit.prevent="give">
        <h2 id="giving-title">Give to somebody else</h2>
        <p>{{ giving?.sentence }}</p>
        <PersonPicker v-model="to" label="Who is to decide" />
        <FaultList :faults="faults" />
        <div class="actions">
          <v-btn @click="giving = undefined">Cancel</v-btn>
          <v-btn type="submit" class="is-main" :disabled="to === undefined">Give it</v-btn>
        </div>
      </form>
    </PageDialog>
  </div>
</template>

<style scoped>
.round {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.carry {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.reviewers {
  border-collapse: collapse;
}
.reviewers caption,
.reviewers th,
.reviewers td {
  text-align: left;
  padding: 2px 14px 2px 0;
}
.segments {
  align-self: flex-start;
  flex-wrap: wrap;
}
.list {
  flex: 1;
  min-height: 260px;
}
</style>
