<script setup lang="ts">
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import PlaceCell from '@/places/PlaceCell.vue'
import { useWhy } from '@/common/useWhy'
import type { Asked } from './statement'

/** One person at one place after another, with their rights and why. */
const props = defineProps<{ asked: Asked }>()
const why = useWhy()

const fetchRows = async (part: Part) =>
  (
    await answer(
      api.GET('/api/statements/pairs', {
        params: {
          query: {
            about: props.asked.kind === 'place' ? 'PLACE' : 'SUBJECT',
            id: props.asked.id!,
            documents: props.asked.documents !== 'no',
            ...(props.asked.at === undefined ? {} : { at: props.asked.at }),
            ...part,
          },
        },
      }),
    )
  ).rows

const COLUMNS = [
  { title: 'Place', width: '1.3fr', sort: 'place' },
  { title: 'Person', width: 'minmax(130px, 1fr)', sort: 'person' },
  { title: 'Rights', width: '76px' },
  { title: 'Comes from', width: '1.3fr' },
  { title: 'Why', width: '40px' },
]
</script>

<template>
  <PagedList
    still
    label="The statement"
    find="Find a person or a place"
    :query-key="['statement', 'pairs', asked]"
    :fetch="fetchRows"
    :columns="COLUMNS"
    empty="Nobody has any right there."
  >
    <template #row="{ item }">
      <PlaceCell v-slot="{ text }" role="cell" :path="item.path">
        <router-link :to="{ name: 'places', params: { id: item.place } }">{{ text }}</router-link>
      </PlaceCell>
      <div role="cell"><PersonName :person="item.person" /></div>
      <div role="cell"><Paling :rights="item.rights" /></div>
      <div role="cell" class="quiet" :title="item.comesFrom">{{ item.comesFrom }}</div>
      <div role="cell">
        <button
          type="button"
          class="linklike"
          data-opens
          :aria-label="`Why ${item.person.name} has this`"
          @click="why.ask(item.person.id, item.place, false, asked.at)"
        >
          why
        </button>
      </div>
    </template>
  </PagedList>
</template>
