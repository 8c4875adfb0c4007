<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { subDays } from 'date-fns'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { beginningOf, endOf, kept } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import PlaceCell from '@/places/PlaceCell.vue'
import { counted, day } from '@/common/words'
import { useWhy } from '@/common/useWhy'

const why = useWhy()
const dayAgo = (days: number) => kept(subDays(new Date(), days), false)
const route = useRoute()
/** One change alone: between the moment before it and its own. */
const exact = computed(() => (typeof route.query.from === 'string' && typeof route.query.until === 'string' ? { from: route.query.from, until: route.query.until } : undefined))
/** Days may stand in the address, as "from..until". */
const days = typeof route.query.days === 'string' ? /^(\d{4}-\d{2}-\d{2})\.\.(\d{4}-\d{2}-\d{2})$/.exec(route.query.days) : null
const from = ref(days?.[1] ?? dayAgo(365))
const until = ref(days?.[2] ?? dayAgo(0))

/** From the beginning of the first day to the end of the last. Today has not ended: then the server says until when. */
const span = () => exact.value ?? ({
  from: beginningOf(from.value)!,
  until: until.value < dayAgo(0) ? endOf(until.value) : undefined,
})
const valid = computed(() => exact.value !== undefined || (from.value !== '' && until.value !== '' && from.value <= until.value))
const asked = (over: { from: string; until?: string | undefined }, part: Part) =>
  answer(api.GET('/api/journal/between', { params: { query: { from: over.from, until: over.until, ...part } } }))
const head = useQuery({ queryKey: computed(() => ['between', exact.value?.from ?? from.value, exact.value?.until ?? until.value]), enabled: valid, queryFn: () => asked(span(), { offset: 0, limit: 1 }) })
/** Every page is asked over the very span of the totals above it. */
const fetchRows = async (part: Part) => (await asked(head.data.value!, part)).altered

const COLUMNS = computed(() => [
  { title: 'Person', width: 'minmax(130px, 1fr)', sort: 'person' },
  { title: 'Place', width: '1.4fr', sort: 'place' },
  { title: exact.value ? 'Before' : 'First day', width: '76px' },
  { title: exact.value ? 'After' : 'Last day', width: '76px' },
  { title: 'What did it', width: '1.3fr' },
  { title: 'Why then', width: '70px' },
])

function words(cause: Schemas['Cause']): string {
  return cause.change !== undefined ? `change ${cause.change}: ${cause.note}` : `something began or ended between ${day(cause.after!)} and ${day(cause.until!)}`
}
</script>

<template>
  <div class="between">
    <h1>{{ exact ? `What change ${route.query.change} did` : 'Between two days' }}</h1>
    <div class="span">
      <router-link v-if="exact" :to="{ name: 'journal', params: { number: String(route.query.change) } }">Back to the change</router-link>
      <template v-else>
        <DateField v-model="from" label="From the beginning of" />
        <DateField v-model="until" label="To the end of" />
      </template>
      <p v-if="head.data.value">
        {{ counted(head.data.value.changes, 'change') }} in between:
        <span class="gain">{{ counted(head.data.value.totals.peopleGaining, 'person', 'people') }} gained</span>,
        <span class="lose">{{ head.data.value.totals.peopleLosing }} lost</span> something, at {{ counted(head.data.value.totals.places, 'place') }}.
      </p>
    </div>
    <p v-if="!valid" class="caution">The second day must not be before the first.</p>
    <p v-else-if="head.isError.value" class="fault" role="alert">{{ head.error.value?.message }}</p>
    <p v-else-if="head.data.value === undefined" role="status">Comparing the two days …</p>
    <div v-else class="sheet list">
      <PagedList still label="Who gained and lost what" find="Find a person or a place" :query-key="['between', 'rows', head.data.value.from, head.data.value.until]" :fetch="fetchRows" :columns="COLUMNS" empty="Nobody gained or lost anything.">
        <template #row="{ item }">
          <div role="cell"><PersonName :person="item.person" /></div>
          <PlaceCell v-slot="{ text }" role="cell" :path="item.path">
            <router-link :to="{ name: 'places', params: { id: item.place } }">{{ text }}</router-link>
          </PlaceCell>
          <div role="cell"><Paling :rights="item.before" /></div>
          <div role="cell"><Paling :rights="item.after" /></div>
          <div role="cell" :title="item.causes.map(words).join('; ')">
            <template v-for="(cause, i) in item.causes" :key="i">
              <span v-if="i > 0">; </span>
              <router-link v-if="cause.change !== undefined" :to="{ name: 'journal', params: { number: cause.change } }">{{ words(cause) }}</router-link>
              <span v-else>{{ words(cause) }}</span>
            </template>
            <span v-if="item.moreCauses > 0">; and {{ counted(item.moreCauses, 'more') }}</span>
          </div>
          <div role="cell">
            <button type="button" class="linklike" data-opens :aria-label="`Why ${item.person.name} had this then`" @click="why.ask(item.person.id, item.place, false, head.data.value!.from)">why</button>
          </div>
        </template>
      </PagedList>
    </div>
  </div>
</template>

<style scoped>
.between {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 8px 16px 12px;
}
.span {
  display: grid;
  grid-template-columns: minmax(190px, auto) minmax(190px, auto) 1fr;
  gap: 14px;
  align-items: center;
}
.list {
  flex: 1;
  min-height: 260px;
}
@media (max-width: 700px) {
  .span {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
