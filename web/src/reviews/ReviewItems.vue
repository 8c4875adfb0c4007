<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import PageDialog from '@/common/PageDialog.vue'
import { endOf } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import FaultList from '@/common/FaultList.vue'
import { counted, lastDay } from '@/common/words'
import { DECISIONS, suffices, wantsComment, wordOf } from '@/rounds/round'
import { useChoice } from '@/lists/useChoice'
import ReturnDialog from './ReturnDialog.vue'

/** The items of one reviewer: each a sentence, since when, what removing it would do; decided one by one or many at once, by key too. */
const props = defineProps<{ round: number }>()
const queries = useQueryClient()
const AT_ONCE = 40
const shown = ref(AT_ONCE)
const openOnly = ref(false)
const query = useQuery({
  queryKey: computed(() => ['reviews', props.round, shown.value, openOnly.value]),
  queryFn: () => answer(api.GET('/api/reviews/{round}/items', { params: { path: { round: props.round }, query: { openOnly: openOnly.value, offset: 0, limit: Math.min(500, shown.value) } } })),
  placeholderData: (before) => before,
})
const review = computed(() => query.data.value?.round)
const items = computed(() => query.data.value?.items.items ?? [])
const chosen = ref<number[]>([])
const faults = ref<FaultLine[]>([])
const returning = ref(false)
/** The decision that still wants a role, an end or a sentence, and the items that it is for. */
const form = ref<{ numbers: number[]; decision: Schemas['MyItem']['decision']; role: string; until: string; comment: string }>()
const needsComment = computed(() => review.value?.needsComment ?? false)
const closed = computed(() => review.value?.handedInAt !== undefined)
const roles = computed(() => [{ title: 'keeps its role', value: '' }, ...(query.data.value?.roles ?? []).map((one) => ({ title: one.name, value: one.id }))])
const formTakesRole = computed(() => items.value.filter((item) => form.value?.numbers.includes(item.number)).every((item) => item.takesRole))

async function send(numbers: number[], decision?: Schemas['MyItem']['decision'], more: { role?: string; until?: string; comment?: string } = {}): Promise<boolean> {
  faults.value = []
  try {
    await answer(
      api.POST('/api/reviews/{round}/decisions', {
        params: { path: { round: props.round } },
        body: { numbers, ...(decision === undefined ? {} : { decision }), ...(more.role ? { role: more.role } : {}), ...(more.until ? { until: endOf(more.until)! } : {}), ...(more.comment ? { comment: more.comment } : {}) },
      }),
    )
    chosen.value = []
    await queries.invalidateQueries({ queryKey: ['reviews'] })
    return true
  } catch (error) {
    faults.value = faultsOf(error)
    return false
  }
}
/** For the item, or for all that are chosen if it is one of them. */
const forWhich = (item: Schemas['MyItem']) => (chosen.value.includes(item.number) ? [...chosen.value] : [item.number])

async function decide(item: Schemas['MyItem'], decision: NonNullable<Schemas['MyItem']['decision']>) {
  if (closed.value) return
  const numbers = forWhich(item)
  if (item.decision === decision && numbers.length === 1 && decision !== 'CHANGE') {
    await send(numbers)
    return
  }
  if (decision === 'CHANGE' || wantsComment(decision, needsComment.value)) {
    form.value = { numbers, decision, role: item.toRole ?? '', until: '', comment: item.comment }
    return
  }
  if (await send(numbers, decision, { comment: item.comment })) focusAfter(item.number)
}
async function submit() {
  const one = form.value
  if (one === undefined) return
  if (await send(one.numbers, one.decision, { role: formTakesRole.value ? one.role : '', until: one.until, comment: one.comment.trim() })) {
    form.value = undefined
    focusAfter(one.numbers[one.numbers.length - 1]!)
  }
}
/** On with the next one that is open. */
function focusAfter(number: number) {
  void nextTick(() => {
    const at = items.value.findIndex((item) => item.number === number)
    const next = items.value.slice(at + 1).find((item) => item.decision === undefined) ?? items.value[at + 1] ?? items.value[at]
    if (next !== undefined) document.getElementById(`item-${next.number}`)?.focus()
  })
}
function pressed(event: KeyboardEvent, item: Schemas['MyItem']) {
  if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey || event.altKey) return
  const decision = DECISIONS.find((one) => one.key === event.key)
  const at = items.value.indexOf(item)
  const move = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  if (decision !== undefined) void decide(item, decision.decision)
  else if (move !== 0) document.getElementById(`item-${items.value[at + move]?.number}`)?.focus()
  else if (event.key === ' ') toggle(item.number, event.shiftKey)
  else return
  event.preventDefault()
  event.stopPropagation()
}
const { all: allChosen, toggle, toggleAll } = useChoice(() => items.value.map((item) => item.number), chosen)
async function handIn() {
  faults.value = []
  try {
    await answer(api.POST('/api/reviews/{round}/handing-in', { params: { path: { round: props.round } } }))
    await queries.invalidateQueries({ queryKey: ['reviews'] })
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
const file = (format: string) => `/api/reviews/${props.round}/file?format=${format}`
</script>

<template>
  <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
  <p v-else-if="review === undefined" role="status">Fetching your items …</p>
  <div v-else class="review">
    <div class="detail-title">
      <div>
        <h2>{{ review.name }}</h2>
        <p class="quiet">Asked by {{ review.askedBy }}, due {{ lastDay(review.due) }}. <strong>{{ review.decided }} of {{ review.items }} decided.</strong></p>
      </div>
      <div class="detail-acts">
        <v-btn size="small" :href="file('XLSX')" download>Workbook</v-btn>
        <v-btn size="small" :href="file('CSV')" download>CSV</v-btn>
        <v-btn v-if="!closed" size="small" @click="returning = true">Bring a file back …</v-btn>
        <v-btn v-if="!closed" size="small" class="is-main" :disabled="review.decided < review.items" @click="handIn">Hand in</v-btn>
      </div>
    </div>
    <p v-if="closed" class="caution" role="status">You have handed in. What you decided stays as it is.</p>
    <div v-else class="tools">
      <label class="all"><input type="checkbox" :checked="allChosen" @change="toggleAll" /> Choose all shown</label>
      <label class="all"><input v-model="openOnly" type="checkbox" /> Only open ones</label>
      <span v-if="chosen.length > 0">{{ counted(chosen.length, 'item') }} chosen: a decision on one of them is for all.</span>
      <span class="quiet keys">On an item: 1 keep, 2 change, 3 remove, 4 not mine, 5 ask, space chooses, with Shift all between, arrows move.</span>
    </div>
    <FaultList v-if="form === undefined" :faults="faults" />
    <ol class="items" aria-label="Items to decide on">
      <li v-for="item in items" :id="`item-${item.number}`" :key="item.number" class="sheet item" tabindex="0" :class="{ decided: item.decision !== undefined }" :aria-label="`${item.sentence} ${wordOf(item.decision)}`" @keydown="pressed($event, item)">
        <input v-if="!closed" type="checkbox" :checked="chosen.includes(item.number)" :aria-label="`Choose: ${item.sentence}`" @click="toggle(item.number, $event.shiftKey)" />
        <div class="says">
          <p>
            {{ item.sentence }} <span v-if="item.outsiders > 0" class="mark outsider">{{ item.outsiders === item.people ? 'outsiders' : `${item.outsiders} of ${item.people} outsiders` }}</span
            ><span v-if="item.changed" class="mark">changed since it was asked</span>
          </p>
          <p class="quiet">{{ [item.since, item.effect].filter(Boolean).join(' · ') }}</p>
          <p v-if="item.decision !== undefined && (item.comment || item.toUntil || item.toRole)">
            {{ [item.toRole ? `to ${roles.find((one) => one.value === item.toRole)?.title ?? ''}` : '', item.toUntil ? `until ${lastDay(item.toUntil)}` : '', item.comment].filter(Boolean).join(' · ') }}
          </p>
        </div>
        <div class="segments" role="group" :aria-label="`Decision on: ${item.sentence}`">
          <button v-for="one in DECISIONS" :key="one.decision" type="button" :disabled="closed" :aria-pressed="item.decision === one.decision" @click="decide(item, one.decision)">{{ one.title }}</button>
        </div>
      </li>
    </ol>
    <v-btn v-if="(query.data.value?.items.total ?? 0) > items.length" @click="shown += AT_ONCE">Show more</v-btn>
    <PageDialog :model-value="form !== undefined" max-width="520" aria-labelledby="decision-title" @update:model-value="form = undefined">
      <form v-if="form" class="sheet pg-dialog" @submit.prevent="submit">
        <h2 id="decision-title">{{ DECISIONS.find((one) => one.decision === form?.decision)?.title }}: {{ counted(form.numbers.length, 'item') }}</h2>
        <template v-if="form.decision === 'CHANGE'">
          <v-select v-if="formTakesRole" v-model="form.role" label="Role" :items="roles" />
          <DateField v-model="form.until" label="New end: to the end of" />
        </template>
        <v-textarea v-model="form.comment" v-focus-first :label="form.decision === 'ASK' ? 'What do you want to know?' : 'Why'" rows="2" maxlength="1000" />
        <FaultList :faults="faults" />
        <div class="actions">
          <v-btn @click="form = undefined">Cancel</v-btn>
          <v-btn type="submit" class="is-main" :disabled="!suffices(form, needsComment)">Decide</v-btn>
        </div>
      </form>
    </PageDialog>
    <ReturnDialog v-if="returning" :round="round" @close="returning = false" />
  </div>
</template>

<style scoped>
.review {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.tools {
  display: flex;
  gap: 8px 18px;
  flex-wrap: wrap;
  align-items: center;
}
.items {
  list-style: none;
  padding: 0;
  margin: 0;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.item {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 6px 12px;
  flex-wrap: wrap;
}
.says {
  flex: 1;
  min-width: min(100%, 300px);
}
@media (max-width: 900px) {
  .keys {
    display: none;
  }
  .segments {
    flex-wrap: wrap;
  }
}
</style>
