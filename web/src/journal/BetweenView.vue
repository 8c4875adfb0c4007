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
import PlacePicker from '@/places/PlacePicker.vue'
import { counted } from '@/common/words'
import WhyButton from '@/common/WhyButton.vue'
import BetweenGroups from './BetweenGroups.vue'
import { causeWords as words } from './between'

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
/** How the lines are put together, and what they are narrowed to; the totals are of everything. */
const by = ref<'line' | 'change' | 'person'>('line')
const place = ref<Schemas['Found']>()
const outsiders = ref(false)
const narrowing = computed(() => ({ below: place.value?.id, outsiders: outsiders.value }))
const asked = (over: { from: string; until?: string | undefined }, part: Part) =>
  answer(api.GET('/api/journal/between', { params: { query: { from: over.from, until: over.until, ...narrowing.value, ...part } } }))
const head = useQuery({ queryKey: computed(() => ['between', exact.value?.from ?? from.value, exact.value?.until ?? until.value]), enabled: valid, queryFn: () => asked(span(), { offset: 0, limit: 1 }) })
/** Every page is asked over the very span of the totals above it. */
const fetchRows = async (part: Part) => (await asked(head.data.value!, part)).altered

const COLUMNS = computed(() => [
  { title: 'Person', width: 'minmax(130px, 1fr)', sort: 'person' },
  { title: 'Place', width: '1.4fr', sort: 'place' },
  { title: exact.value ? 'Before' : 'First day', width: '116px' },
  { title: exact.value ? 'After' : 'Last day', width: '116px' },
  { title: 'Cause', width: '1.3fr' },
])
</script>

<template>
  <div class="between">
    <h1>{{ exact ? `What change ${route.query.change} did` : 'Between two days' }}</h1>
    <div class="span">
      <router-link v-if="exact" :to="{ name: 'journal', params: { number: String(route.query.change) } }">Back to the change</router-link>
      <template v-else>
        <DateField v-model="from" looks-back label="From the beginning of" />
        <DateField v-model="until" looks-back label="To the end of" />
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
    <template v-else>
    <div class="narrow">
      <div class="segments" role="group" aria-label="How it is put together">
        <button type="button" :aria-pressed="by === 'line'" @click="by = 'line'">One by one</button>
        <button v-if="!exact" type="button" :aria-pressed="by === 'change'" @click="by = 'change'">By change</button>
        <button type="button" :aria-pressed="by === 'person'" @click="by = 'person'">By person</button>
      </div>
      <div class="where"><PlacePicker v-model="place" label="Only at and below (empty: everywhere)" /></div>
      <v-checkbox v-model="outsiders" label="Only outsiders" hide-details />
    </div>
    <div class="sheet list">
      <BetweenGroups v-if="by !== 'line'" :by="by" :span="{ from: head.data.value.from, until: head.data.value.until, ...narrowing }" />
      <PagedList v-else still label="Who gained and lost what" find="Find a person or a place" :query-key="['between', 'rows', head.data.value.from, head.data.value.until, narrowing]" :fetch="fetchRows" :columns="COLUMNS" empty="Nobody gained or lost anything.">
        <template #row="{ item }">
          <div role="cell"><PersonName link :person="item.person" /></div>
          <PlaceCell v-slot="{ text }" role="cell" :path="item.path">
            <router-link :to="{ name: 'places', params: { id: item.place } }">{{ text }}</router-link>
          </PlaceCell>
          <div role="cell" class="with-why"><Paling :rights="item.before" /><WhyButton :person="item.person" :place="item.place" says="had this then" :at="head.data.value!.from" /></div>
          <div role="cell" class="with-why"><Paling :rights="item.after" /><WhyButton :person="item.person" :place="item.place" says="had this at the end" :at="head.data.value!.until" /></div>
          <div role="cell" :title="item.causes.map(words).join('; ')">
            <template v-for="(cause, i) in item.causes" :key="i">
              <span v-if="i > 0">; </span>
              <router-link v-if="cause.change !== undefined" :to="{ name: 'journal', params: { number: cause.change } }">{{ words(cause) }}</router-link>
              <span v-else>{{ words(cause) }}</span>
            </template>
            <span v-if="item.moreCauses > 0">; and {{ counted(item.moreCauses, 'more') }}</span>
          </div>
        </template>
      </PagedList>
    </div>
    </template>
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
.narrow {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
.where {
  flex: 0 1 320px;
  min-width: 220px;
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
