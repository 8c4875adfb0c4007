<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { counted, day, moment, number } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import PersonName from '@/people/PersonName.vue'
import ContactTimeline from './ContactTimeline.vue'

/** The first question of whoever keeps the walls: who could have been inside, from when to when, and who has been. */
const props = defineProps<{ id: string; version: number }>()
const view = ref<'could' | 'has'>('could')
const head = useQuery({
  queryKey: computed(() => ['walls', 'possible', props.id, props.version, 'head']),
  queryFn: () =>
    answer(
      api.GET('/api/walls/{id}/contact/possible', {
        params: { path: { id: props.id }, query: { offset: 0, limit: 1 } },
      }),
    ),
})
const fetchCould = async (part: Part) =>
  (await answer(api.GET('/api/walls/{id}/contact/possible', { params: { path: { id: props.id }, query: part } })))
    .people
const fetchHas = (part: Part) =>
  answer(api.GET('/api/walls/{id}/contact', { params: { path: { id: props.id }, query: part } }))

const COULD = [
  { title: 'Who', width: 'minmax(150px, 0.8fr)', sort: 'name' },
  { title: 'Documents', width: '92px', sort: '-documents' },
  { title: 'Days', width: '64px', sort: 'days' },
  { title: 'When', width: '0.9fr' },
  { title: 'From and to', width: '1.7fr' },
]
const HAS = [
  { title: 'Who', width: 'minmax(140px, 0.8fr)', sort: 'name' },
  { title: 'Document', width: '1.4fr', sort: 'place' },
  { title: 'First', width: '120px', sort: 'first' },
  { title: 'Last', width: '120px', sort: 'last' },
  { title: 'How often', width: '150px', sort: '-times' },
]
/** By which change it began and ended; where a date did it, there is none to name. */
function spans(one: Schemas['CouldHave']): string {
  return one.spans
    .map(
      (span) =>
        `${day(span.from)}${span.began === undefined ? '' : ` (change ${span.began})`} to ${day(span.until)}${span.ended === undefined ? '' : ` (change ${span.ended})`}`,
    )
    .join('; ')
}
const file = (format: string) => `/api/walls/${encodeURIComponent(props.id)}/contact/file?format=${format}`
</script>

<template>
  <div class="contact">
    <div class="lead">
      <div class="segments" role="group" aria-label="Which contact">
        <button type="button" :aria-pressed="view === 'could'" @click="view = 'could'">Could have been inside</button>
        <button type="button" :aria-pressed="view === 'has'" @click="view = 'has'">Has been inside</button>
      </div>
      <div class="files" role="group" aria-label="Download as a file">
        <v-btn size="small" :href="file('XLSX')" download>Workbook</v-btn>
        <v-btn size="small" :href="file('PDF')" download>PDF</v-btn>
        <v-btn size="small" :href="file('CSV')" download>CSV</v-btn>
      </div>
    </div>
    <p class="quiet about">
      <template v-if="view === 'has'"
        >Who among those kept out has opened a document inside, or taken a copy of it.</template
      >
      <template v-else-if="head.data.value">
        Those kept out who could read something of what it covers today, by what the lists gave them,
        {{ day(head.data.value.from) }} to {{ day(head.data.value.until)
        }}{{
          head.data.value.whole
            ? ''
            : '; the journal goes back further than the last 400 changes that are looked at here'
        }}. Strokes mark when they opened something.
      </template>
      <template v-else>Reading the history …</template>
    </p>
    <div class="list">
      <PagedList
        v-if="view === 'could'"
        key="could"
        label="Who could have been inside"
        find="Find a person"
        :query-key="['walls', 'possible', id, version]"
        :fetch="fetchCould"
        :columns="COULD"
        empty="Nobody whom it keeps out could read anything inside in that time."
      >
        <template #row="{ item }">
          <div role="cell"><PersonName link :person="item.person" /></div>
          <div role="cell" title="The most at one time">{{ number(item.documents) }}</div>
          <div role="cell">{{ number(item.days) }}</div>
          <div role="cell">
            <ContactTimeline
              v-if="head.data.value"
              :from="head.data.value.from"
              :until="head.data.value.until"
              :spans="item.spans"
              :opened="item.opened"
            />
          </div>
          <div role="cell" class="quiet" :title="spans(item)">{{ spans(item) }}</div>
        </template>
      </PagedList>
      <PagedList
        v-else
        key="has"
        label="Who was inside"
        find="Find a person"
        :query-key="['walls', 'contact', id, version]"
        :fetch="fetchHas"
        :columns="HAS"
        empty="Nobody whom it keeps out has opened anything inside. Openings are written down since documents have content here."
      >
        <template #row="{ item }">
          <div role="cell"><PersonName link :person="item.person" /></div>
          <div role="cell">
            <router-link :to="{ name: 'places', params: { id: item.place } }" :title="item.path">{{
              item.path
            }}</router-link>
          </div>
          <div role="cell">{{ moment(item.first) }}</div>
          <div role="cell">{{ moment(item.last) }}</div>
          <div role="cell">
            {{ counted(item.times, 'time')
            }}<span v-if="item.copies > 0" class="warn">, {{ counted(item.copies, 'copy', 'copies') }}</span>
          </div>
        </template>
      </PagedList>
    </div>
  </div>
</template>

<style scoped>
.contact {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.lead {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 8px 14px 0;
}
.files {
  display: flex;
  gap: 8px;
}
.about {
  padding: 6px 14px;
}
.list {
  flex: 1;
  min-height: 160px;
}
</style>
