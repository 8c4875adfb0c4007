<script setup lang="ts">
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import PlaceCell from '@/places/PlaceCell.vue'
import WhyButton from '@/common/WhyButton.vue'
import type { Asked } from './statement'

/** One person at one place after another, with their rights and why. */
const props = defineProps<{ asked: Asked }>()

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
      <div role="cell"><PersonName link :person="item.person" /></div>
      <div role="cell"><Paling :rights="item.rights" /></div>
      <div role="cell" class="quiet" :title="item.comesFrom">{{ item.comesFrom }}</div>
      <div role="cell">
        <WhyButton :person="item.person" :place="item.place" :at="asked.at" />
      </div>
    </template>
  </PagedList>
</template>
