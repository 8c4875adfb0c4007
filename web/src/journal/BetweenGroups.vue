<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import PlaceCell from '@/places/PlaceCell.vue'
import WhyButton from '@/common/WhyButton.vue'
import { counted, number } from '@/common/words'
import { causeWords } from './between'

/** What differs between two instants, put together: change by change, or person by person, each opening the next. */
const props = defineProps<{
  /** The span of the totals above it, and what it is narrowed to. */
  span: { from: string; until: string; below?: string | undefined; outsiders: boolean }
  by: 'change' | 'person'
}>()
const cause = ref<Schemas['Cause']>()
const person = ref<Schemas['PersonView']>()
const back = ref<HTMLElement>()
const level = computed(() => (person.value !== undefined ? 'places' : cause.value !== undefined || props.by === 'person' ? 'people' : 'causes'))
watch(
  () => [props.by, props.span],
  () => {
    cause.value = undefined
    person.value = undefined
  },
  { deep: true },
)
const root = ref<HTMLElement>()
/** On the way back or, at the top, on the lists themselves: never nowhere. */
watch(level, () => void nextTick(() => (back.value ?? root.value)?.focus()))

const asked = computed(() => ({
  ...props.span,
  ...(cause.value === undefined ? {} : cause.value.change !== undefined ? { change: cause.value.change } : { after: cause.value.after, to: cause.value.until }),
}))
const key = computed(() => ['between', 'groups', level.value, JSON.stringify(asked.value), person.value?.id])
const fetchCauses = (part: Part) => answer(api.GET('/api/journal/between/causes', { params: { query: { ...props.span, ...part } } }))
const fetchPeople = (part: Part) => answer(api.GET('/api/journal/between/causes/people', { params: { query: { ...asked.value, ...part } } }))
const fetchPlaces = (part: Part) => answer(api.GET('/api/journal/between/causes/places', { params: { query: { ...asked.value, person: person.value!.id, ...part } } }))

const CAUSES = [
  { title: 'Cause', width: 'minmax(160px, 2fr)' },
  { title: 'People', width: '92px' },
  { title: 'Gained', width: '76px' },
  { title: 'Lost', width: '64px' },
  { title: 'Places', width: '76px' },
]
const PEOPLE = [
  { title: 'Person', width: 'minmax(160px, 2fr)' },
  { title: 'Places', width: '92px' },
  { title: 'Gained at', width: '92px' },
  { title: 'Lost at', width: '80px' },
]
const PLACES = [
  { title: 'Place', width: 'minmax(160px, 2fr)' },
  { title: 'First day', width: '116px' },
  { title: 'Last day', width: '116px' },
  { title: 'Cause', width: '1.4fr' },
]
</script>

<template>
  <div ref="root" class="groups" tabindex="-1">
    <p v-if="level !== 'causes' && !(level === 'people' && by === 'person')" class="way">
      <button v-if="level === 'places'" ref="back" type="button" class="linklike" @click="person = undefined">‹ {{ cause ? 'Everybody who gained or lost' : 'Everybody' }}</button>
      <button v-else ref="back" type="button" class="linklike" @click="cause = undefined">‹ Every change</button>
      <router-link v-if="cause?.change !== undefined" :to="{ name: 'journal', params: { number: cause.change } }">{{ causeWords(cause) }}</router-link>
      <strong v-else-if="cause">{{ causeWords(cause) }}</strong>
      <strong v-if="person">{{ person.name }}</strong>
    </p>
    <PagedList v-if="level === 'causes'" still label="Causes" find="Find a change" :query-key="key" :fetch="fetchCauses" :columns="CAUSES" empty="Nobody gained or lost anything.">
      <template #row="{ item }">
        <div role="cell">
          <button type="button" class="linklike row-name" data-opens @click="cause = item.cause">{{ causeWords(item.cause) }}</button>
        </div>
        <div role="cell">{{ counted(item.people, 'person', 'people') }}</div>
        <div role="cell" :class="{ gain: item.gaining > 0, quiet: item.gaining === 0 }">{{ number(item.gaining) }}</div>
        <div role="cell" :class="{ lose: item.losing > 0, quiet: item.losing === 0 }">{{ number(item.losing) }}</div>
        <div role="cell">{{ number(item.places) }}</div>
      </template>
    </PagedList>
    <PagedList v-else-if="level === 'people'" still label="Who gained or lost" find="Find a person" :query-key="key" :fetch="fetchPeople" :columns="PEOPLE" empty="Nobody gained or lost anything.">
      <template #row="{ item }">
        <div role="cell">
          <button type="button" class="linklike row-name" data-opens @click="person = item.person"><PersonName :person="item.person" /></button>
        </div>
        <div role="cell">{{ counted(item.places, 'place') }}</div>
        <div role="cell" :class="{ gain: item.gaining > 0, quiet: item.gaining === 0 }">{{ number(item.gaining) }}</div>
        <div role="cell" :class="{ lose: item.losing > 0, quiet: item.losing === 0 }">{{ number(item.losing) }}</div>
      </template>
    </PagedList>
    <PagedList v-else still label="Where" find="Find a place" :query-key="key" :fetch="fetchPlaces" :columns="PLACES" empty="Nowhere.">
      <template #row="{ item }">
        <PlaceCell v-slot="{ text }" role="cell" :path="item.path">
          <router-link :to="{ name: 'places', params: { id: item.place } }">{{ text }}</router-link>
        </PlaceCell>
        <div role="cell" class="with-why"><Paling :rights="item.before" /><WhyButton :person="item.person" :place="item.place" says="had this then" :at="span.from" /></div>
        <div role="cell" class="with-why"><Paling :rights="item.after" /><WhyButton :person="item.person" :place="item.place" says="had this at the end" :at="span.until" /></div>
        <div role="cell" class="quiet" :title="item.causes.map(causeWords).join('; ')">{{ item.causes.map(causeWords).join('; ') }}<template v-if="item.moreCauses > 0">; and {{ counted(item.moreCauses, 'more') }}</template></div>
      </template>
    </PagedList>
  </div>
</template>

<style scoped>
.groups {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.way {
  display: flex;
  gap: 14px;
  align-items: baseline;
  padding: 8px 14px;
  flex-wrap: wrap;
}
.groups > :deep(:last-child) {
  flex: 1;
  min-height: 0;
}
</style>
