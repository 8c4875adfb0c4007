<script setup lang="ts">
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import PlaceCell from '@/places/PlaceCell.vue'
import { number } from '@/common/words'
import WhyButton from '@/common/WhyButton.vue'

const props = defineProps<{
  view: string
  show: string
  instant: number
  /** Narrows person-by-person to one of them. */
  person?: string
  place?: string
  /** Narrows person-by-person to the people of a group, to a right, to outsiders. */
  group?: string
  right?: string
  outsidersOnly?: boolean
  /** Names the draft's state: another one is another list. */
  state: string
}>()
const emit = defineEmits<{ person: [id: string, name: string]; place: [id: string, name: string] }>()

const key = computed(() => ['rehearsal', props.view, props.show, props.instant, props.person, props.place, props.group, props.right, props.outsidersOnly, props.state])
const narrowing = computed(() => ({
  instant: props.instant,
  direction: props.show as 'ALL' | 'GAINS' | 'LOSSES' | 'OUTSIDERS',
  group: props.group,
  right: props.right,
  outsidersOnly: props.outsidersOnly,
}))

const fetchPeople = (part: Part) => answer(api.GET('/api/draft/rehearsal/people', { params: { query: { ...narrowing.value, ...part } } }))
const fetchPlaces = (part: Part) =>
  answer(api.GET('/api/draft/rehearsal/places', { params: { query: { ...narrowing.value, documentsOnly: props.view === 'documents', ...part } } }))
const fetchPairs = (part: Part) =>
  answer(api.GET('/api/draft/rehearsal/pairs', { params: { query: { ...narrowing.value, person: props.person, place: props.place, ...part } } }))
const fetchLockOuts = (part: Part) => answer(api.GET('/api/draft/rehearsal/lock-outs', { params: { query: part } }))
const fetchOwnLosses = (part: Part) => answer(api.GET('/api/draft/rehearsal/own-losses', { params: { query: part } }))

const PEOPLE = [
  { title: 'Person', width: 'minmax(130px, 1.4fr)', sort: 'name' },
  { title: 'Gains', width: 'minmax(124px, 200px)', sort: '-gains' },
  { title: 'Loses', width: 'minmax(124px, 200px)', sort: '-losses' },
  { title: 'Documents', width: 'minmax(84px, 106px)', sort: '-documents' },
]
const PLACES = [
  { title: 'Place', width: 'minmax(150px, 2fr)', sort: 'place' },
  { title: 'Somebody gains', width: 'minmax(124px, 170px)', sort: '-gains' },
  { title: 'Somebody loses', width: 'minmax(124px, 170px)', sort: '-losses' },
]
const PAIRS = [
  { title: 'Person', width: 'minmax(84px, 1fr)', sort: 'person' },
  { title: 'Place', width: 'minmax(84px, 1.4fr)', sort: 'place' },
  { title: 'Before', width: '116px' },
  { title: 'After', width: '116px' },
]
</script>

<template>
  <PagedList v-if="view === 'people'" :key="view" still label="Who gains and who loses" find="Find a person" :query-key="key" :fetch="fetchPeople" :columns="PEOPLE" empty="Nobody gains or loses anything.">
    <template #row="{ item }">
      <div role="cell">
        <button type="button" class="linklike" data-opens @click="emit('person', item.person.id, item.person.name)"><PersonName :person="item.person" /></button>
      </div>
      <div role="cell" class="cell">
        <template v-if="item.gained.length > 0"><Paling :rights="item.gained" /> <span class="gain">at {{ number(item.placesGaining) }}</span></template>
      </div>
      <div role="cell" class="cell">
        <template v-if="item.lost.length > 0"><Paling :rights="[]" :withheld="item.lost" /> <span class="lose">at {{ number(item.placesLosing) }}</span></template>
      </div>
      <div role="cell">{{ number(item.documents) }}</div>
    </template>
  </PagedList>
  <PagedList v-else-if="view === 'places' || view === 'documents'" :key="view" still label="Where something changes" find="Find a place" :query-key="key" :fetch="fetchPlaces" :columns="PLACES" empty="Nothing changes anywhere.">
    <template #row="{ item }">
      <div role="cell">
        <button type="button" class="linklike" data-opens @click="emit('place', item.place.id, item.place.path)">{{ item.place.path }}</button>
      </div>
      <div role="cell" class="cell">
        <template v-if="item.peopleGaining > 0"><Paling :rights="item.gained" /> <span class="gain">{{ item.peopleGaining }}</span></template>
      </div>
      <div role="cell" class="cell">
        <template v-if="item.peopleLosing > 0"><Paling :rights="[]" :withheld="item.lost" /> <span class="lose">{{ item.peopleLosing }}</span></template>
      </div>
    </template>
  </PagedList>
  <PagedList v-else-if="view === 'pairs'" :key="view" still label="Each person at each place" find="Find a person or a place" :query-key="key" :fetch="fetchPairs" :columns="PAIRS" empty="Nothing changes for anybody.">
    <template #row="{ item }">
      <div role="cell"><PersonName link :person="item.person" /></div>
      <PlaceCell role="cell" :path="item.place.path" />
      <div role="cell" class="with-why"><Paling :rights="item.before" /><WhyButton v-if="item.before.length > 0" :person="item.person" :place="item.place.id" says="has this" /></div>
      <div role="cell" class="with-why"><Paling :rights="item.after" /><WhyButton :person="item.person" :place="item.place.id" says="would have this" drafted /></div>
    </template>
  </PagedList>
  <PagedList
    v-else
    :key="view"
    :label="view === 'lock-outs' ? 'Places left without a keeper' : 'Places where you lose govern'"
    :query-key="key"
    :fetch="view === 'lock-outs' ? fetchLockOuts : fetchOwnLosses"
    :columns="[{ title: 'Place', width: '1fr', sort: 'place' }]"
    find="Find a place"
    empty="None."
  >
    <template #row="{ item }">
      <div role="cell">
        <router-link :to="{ name: 'places', params: { id: item.id } }">{{ item.path }}</router-link>
      </div>
    </template>
  </PagedList>
</template>

<style scoped>
.cell {
  display: flex;
  align-items: center;
  gap: 10px;
}
</style>
