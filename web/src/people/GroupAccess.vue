<script setup lang="ts">
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import type { Origin } from '@/paling/rights'
import { number } from '@/common/words'

const props = defineProps<{ id: string }>()
const fetchRows = (part: Part) => answer(api.GET('/api/groups/{id}/access', { params: { path: { id: props.id }, query: part } }))
const COLUMNS = [
  { title: 'Place', width: '1.4fr', sort: 'place' },
  { title: 'Rights', width: '90px', sort: '-rights' },
  { title: 'As given', width: '88px', sort: 'exactly' },
  { title: 'With more', width: '88px', sort: '-more' },
  { title: 'With less', width: '84px', sort: '-less' },
]
</script>

<template>
  <PagedList label="Where the group has access" find="Find a place" :query-key="['groups', 'access', id]" :fetch="fetchRows" :columns="COLUMNS" empty="No entry names the group, nor any group that it lies in.">
    <template #row="{ item }">
      <div role="cell"><router-link :to="{ name: 'places', params: { id: item.place } }">{{ item.path }}</router-link></div>
      <div role="cell"><Paling :rights="item.rights" :withheld="item.withheld" :origin="item.origin as Origin" /></div>
      <div role="cell" class="quiet">{{ item.exactly === item.people ? 'all' : `${number(item.exactly)} of ${number(item.people)}` }}</div>
      <div role="cell"><span v-if="item.more > 0" class="gain">{{ number(item.more) }}</span></div>
      <div role="cell"><span v-if="item.less > 0" class="lose">{{ number(item.less) }}</span></div>
    </template>
  </PagedList>
</template>
