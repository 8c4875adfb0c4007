<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { endOf, toTheEndOf } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import PersonPicker from '@/people/PersonPicker.vue'
import PlaceCell from '@/places/PlaceCell.vue'
import PlacePicker from '@/places/PlacePicker.vue'
import { counted, moment, number } from '@/common/words'
import { useWhy } from '@/why/useWhy'

type About = 'PLACE' | 'PERSON'

const route = useRoute()
const router = useRouter()
const why = useWhy()

const about = computed<About>(() => (route.query.about === 'PERSON' ? 'PERSON' : 'PLACE'))
const id = computed(() => (typeof route.query.id === 'string' ? route.query.id : undefined))
const documents = computed(() => route.query.documents !== 'no')
/** The day of the past at whose end the statement is made; empty for now. */
const asOf = computed(() => (typeof route.query.asOf === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(route.query.asOf) ? route.query.asOf : ''))
const at = computed(() => (asOf.value === '' ? undefined : lastInstantOf(asOf.value)))
/** The end itself is not of that day any more. */
function lastInstantOf(day: string): string {
  return new Date(Date.parse(endOf(day)!) - 1).toISOString()
}
const place = ref<Schemas['Found']>()
const person = ref<Schemas['PersonView']>()

watch(place, (chosen) => chosen && turnTo({ id: chosen.id }))
watch(person, (chosen) => chosen && turnTo({ id: chosen.id }))

function turnTo(query: Record<string, string | undefined>) {
  void router.replace({ name: 'statements', query: { ...route.query, ...query } })
}

function ask(question: About) {
  place.value = undefined
  person.value = undefined
  void router.replace({ name: 'statements', query: { about: question, documents: route.query.documents, asOf: route.query.asOf } })
}

function asked(part: Part) {
  return answer(api.GET('/api/statements', { params: { query: { about: about.value, id: id.value!, documents: documents.value, at: at.value, ...part } } }))
}

const head = useQuery({
  queryKey: computed(() => ['statement', 'head', about.value, id.value, documents.value, asOf.value]),
  enabled: computed(() => id.value !== undefined),
  queryFn: () => asked({ offset: 0, limit: 1 }),
})
const fetchRows = async (part: Part) => (await asked(part)).rows

function file(format: string): string {
  const query = new URLSearchParams({ about: about.value, id: id.value ?? '', documents: String(documents.value), format, ...(at.value === undefined ? {} : { at: at.value }) })
  return `/api/statements/file?${query.toString()}`
}

const COLUMNS = [
  { title: 'Place', width: '1.3fr', sort: 'place' },
  { title: 'Person', width: 'minmax(130px, 1fr)', sort: 'person' },
  { title: 'Rights', width: '76px' },
  { title: 'Comes from', width: '1.3fr' },
  { title: 'Why', width: '40px' },
]
</script>

<template>
  <div class="statements">
    <h1>Statements</h1>
    <div class="question">
      <div class="segments" role="group" aria-label="The question">
        <button type="button" :aria-pressed="about === 'PLACE'" @click="ask('PLACE')">Who can reach a place and what is below it</button>
        <button type="button" :aria-pressed="about === 'PERSON'" @click="ask('PERSON')">What a person can reach</button>
      </div>
      <div class="picker">
        <PlacePicker v-if="about === 'PLACE'" v-model="place" label="The place" />
        <PersonPicker v-else v-model="person" label="The person" />
      </div>
      <DateField class="day" label="At the end of a day, or now" :model-value="asOf" @update:model-value="turnTo({ asOf: $event || undefined })" />
      <v-checkbox :model-value="documents" label="List documents one by one" @update:model-value="turnTo({ documents: $event ? undefined : 'no' })" />
    </div>
    <p v-if="id === undefined" class="quiet">
      A statement answers an auditor’s question with a list that can be checked line by line, and says as of which change it was made. Choose a question, then name the
      {{ about === 'PLACE' ? 'place' : 'person' }}.
    </p>
    <p v-else-if="head.isError.value" class="fault" role="alert">{{ head.error.value?.message }}</p>
    <template v-else>
      <div v-if="head.data.value" class="about">
        <div>
          <h2>{{ head.data.value.title }}</h2>
          <p class="quiet">
            <strong v-if="head.data.value.ahead" class="warn">Ahead: as it will be {{ toTheEndOf(new Date(Date.parse(head.data.value.at) + 1).toISOString()) }} if nothing is changed until then.</strong>
            Standing rights as of change {{ head.data.value.change }}<template v-if="!head.data.value.ahead">, {{ moment(head.data.value.at) }}</template>. {{ counted(head.data.value.counts.rows, 'row') }}:
            {{ counted(head.data.value.counts.people, 'person', 'people') }}, {{ number(head.data.value.counts.outsiders) }} of them outsiders, at
            {{ counted(head.data.value.counts.places, 'place') }}.
          </p>
        </div>
        <div class="files" role="group" aria-label="Take it away as a file">
          <v-btn size="small" class="is-main" :href="file('XLSX')" download>Workbook</v-btn>
          <v-btn size="small" :href="file('CSV')" download>CSV</v-btn>
          <v-btn size="small" :href="file('JSON')" download>JSON</v-btn>
        </div>
      </div>
      <p v-else role="status">Making the statement …</p>
      <div class="sheet list">
        <PagedList still label="The statement" find="Find a person or a place" :query-key="['statement', about, id, documents, asOf]" :fetch="fetchRows" :columns="COLUMNS" empty="Nobody has any right there.">
          <template #row="{ item }">
            <PlaceCell v-slot="{ text }" role="cell" :path="item.path">
              <router-link :to="{ name: 'places', params: { id: item.place } }">{{ text }}</router-link>
            </PlaceCell>
            <div role="cell"><PersonName :person="item.person" /></div>
            <div role="cell"><Paling :rights="item.rights" /></div>
            <div role="cell" class="quiet" :title="item.comesFrom">{{ item.comesFrom }}</div>
            <div role="cell">
              <button type="button" class="linklike" data-opens :aria-label="`Why ${item.person.name} has this`" @click="why.ask(item.person.id, item.place, false, at)">why</button>
            </div>
          </template>
        </PagedList>
      </div>
    </template>
  </div>
</template>

<style scoped>
.statements {
  height: 100%;
  padding: 16px 22px;
  display: flex;
  flex-direction: column;
  gap: 12px;
  overflow: auto;
}
.question {
  display: flex;
  align-items: center;
  gap: 14px;
  flex-wrap: wrap;
}
.picker {
  width: 250px;
}
.day {
  flex: none;
  width: 210px;
}
.about {
  display: flex;
  justify-content: space-between;
  align-items: flex-end;
  gap: 18px;
}
.files {
  display: flex;
  gap: 8px;
  flex: none;
}
.list {
  flex: 1;
  min-height: 260px;
}
</style>
