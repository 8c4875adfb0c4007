<script setup lang="ts">
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import Paling from '@/paling/Paling.vue'
import type { Origin } from '@/paling/rights'

const props = defineProps<{ id: string }>()
const fetchRows = (offset: number, limit: number) => answer(api.GET('/api/groups/{id}/access', { params: { path: { id: props.id }, query: { offset, limit } } }))
const COLUMNS = [
  { title: 'Place', width: '1.4fr' },
  { title: 'Rights', width: '90px' },
  { title: 'Its people have', width: '1.2fr' },
]
</script>

<template>
  <PagedList label="Where the group has access" :query-key="['groups', 'access', id]" :fetch="fetchRows" :columns="COLUMNS" empty="No entry names the group, nor any group that it lies in.">
    <template #row="{ item }">
      <div role="cell"><router-link :to="{ name: 'places', params: { id: item.place } }">{{ item.path }}</router-link></div>
      <div role="cell"><Paling :rights="item.rights" :withheld="item.withheld" :origin="item.origin as Origin" /></div>
      <div role="cell" class="quiet">
        {{ item.exactly === item.people ? 'all just that' : `${item.exactly} of ${item.people} just that` }}<template v-if="item.more > 0">, {{ item.more }} more</template
        ><template v-if="item.less > 0">, {{ item.less }} less</template>
      </div>
    </template>
  </PagedList>
</template>
