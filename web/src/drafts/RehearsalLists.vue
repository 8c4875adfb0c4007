<script setup lang="ts">
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import PlaceCell from '@/places/PlaceCell.vue'
import { number } from '@/shell/words'
import { useWhy } from '@/why/useWhy'

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
const why = useWhy()

type Direction = 'ALL' | 'GAINS' | 'LOSSES' | 'OUTSIDERS'
const direction = computed(() => props.show as Direction)
const key = computed(() => ['rehearsal', props.view, props.show, props.instant, props.person, props.place, props.group, props.right, props.outsidersOnly, props.state])

const fetchPeople = (offset: number, limit: number) =>
  answer(api.GET('/api/draft/rehearsal/people', { params: { query: { instant: props.instant, direction: direction.value, offset, limit } } }))
const fetchPlaces = (offset: number, limit: number) =>
  answer(
    api.GET('/api/draft/rehearsal/places', {
      params: { query: { instant: props.instant, documentsOnly: props.view === 'documents', offset, limit } },
    }),
  )
const fetchPairs = (offset: number, limit: number) =>
  answer(
    api.GET('/api/draft/rehearsal/pairs', {
      params: { query: { instant: props.instant, direction: direction.value, person: props.person, place: props.place, group: props.group, right: props.right, outsidersOnly: props.outsidersOnly, offset, limit } },
    }),
  )
const fetchLockOuts = (offset: number, limit: number) => answer(api.GET('/api/draft/rehearsal/lock-outs', { params: { query: { offset, limit } } }))
const fetchOwnLosses = (offset: number, limit: number) => answer(api.GET('/api/draft/rehearsal/own-losses', { params: { query: { offset, limit } } }))

const PEOPLE = [
  { title: 'Person', width: '1.4fr' },
  { title: 'Gains', width: '200px' },
  { title: 'Loses', width: '200px' },
  { title: 'Documents', width: '90px' },
]
const PLACES = [
  { title: 'Place', width: '2fr' },
  { title: 'Somebody gains', width: '170px' },
  { title: 'Somebody loses', width: '170px' },
]
const PAIRS = [
  { title: 'Person', width: 'minmax(130px, 1fr)' },
  { title: 'Place', width: '1.4fr' },
  { title: 'Before', width: '76px' },
  { title: 'After', width: '76px' },
  { title: 'Why', width: '40px' },
]
</script>

<template>
  <PagedList v-if="view === 'people'" :key="view" label="Who gains and who loses" :query-key="key" :fetch="fetchPeople" :columns="PEOPLE" empty="Nobody gains or loses anything.">
    <template #row="{ item }">
      <div role="cell">
        <button type="button" class="linklike" @click="emit('person', item.person.id, item.person.name)"><PersonName :person="item.person" /></button>
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
  <PagedList v-else-if="view === 'places' || view === 'documents'" :key="view" label="Where something changes" :query-key="key" :fetch="fetchPlaces" :columns="PLACES" empty="Nothing changes anywhere.">
    <template #row="{ item }">
      <div role="cell">
        <button type="button" class="linklike" @click="emit('place', item.place.id, item.place.path)">{{ item.place.path }}</button>
      </div>
      <div role="cell" class="cell">
        <template v-if="item.peopleGaining > 0"><Paling :rights="item.gained" /> <span class="gain">{{ item.peopleGaining }}</span></template>
      </div>
      <div role="cell" class="cell">
        <template v-if="item.peopleLosing > 0"><Paling :rights="[]" :withheld="item.lost" /> <span class="lose">{{ item.peopleLosing }}</span></template>
      </div>
    </template>
  </PagedList>
  <PagedList v-else-if="view === 'pairs'" :key="view" label="Each person at each place" :query-key="key" :fetch="fetchPairs" :columns="PAIRS" empty="Nothing changes for anybody.">
    <template #row="{ item }">
      <div role="cell"><PersonName :person="item.person" /></div>
      <PlaceCell role="cell" :path="item.place.path" />
      <div role="cell"><Paling :rights="item.before" /></div>
      <div role="cell"><Paling :rights="item.after" /></div>
      <div role="cell">
        <button type="button" class="linklike" :aria-label="`Why ${item.person.name} would have this`" @click="why.ask(item.person.id, item.place.id, true)">why</button>
      </div>
    </template>
  </PagedList>
  <PagedList
    v-else
    :key="view"
    :label="view === 'lock-outs' ? 'Places left without a keeper' : 'Places where you lose govern'"
    :query-key="key"
    :fetch="view === 'lock-outs' ? fetchLockOuts : fetchOwnLosses"
    :columns="[{ title: 'Place', width: '1fr' }]"
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
