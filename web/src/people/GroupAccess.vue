<script setup lang="ts">
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import type { Origin } from '@/paling/rights'
import { number } from '@/common/words'
import { useSession } from '@/session/useSession'

const props = defineProps<{ id: string }>()
const { rooms } = useSession()
/** Who has it as given, more or less stands beside the group's cell in the matrix. */
const who = (place: string) => ({ name: 'matrix', query: { rows: 'GROUPS', of: `group:${props.id}`, column: place } })
const fetchRows = (part: Part) => answer(api.GET('/api/groups/{id}/access', { params: { path: { id: props.id }, query: part } }))
const asGiven = (item: { exactly: number; people: number }) => (item.exactly === item.people ? 'all' : `${number(item.exactly)} of ${number(item.people)}`)
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
      <template v-if="rooms.includes('matrix') && !item.document">
        <div role="cell"><router-link :to="who(item.place)" :aria-label="`Who of the group has it as given at ${item.path}: ${number(item.exactly)} of ${number(item.people)}`">{{ asGiven(item) }}</router-link></div>
        <div role="cell"><router-link v-if="item.more > 0" :to="who(item.place)" class="gain" :aria-label="`Who of the group has more at ${item.path}: ${number(item.more)}`">{{ number(item.more) }}</router-link></div>
        <div role="cell"><router-link v-if="item.less > 0" :to="who(item.place)" class="lose" :aria-label="`Who of the group has less at ${item.path}: ${number(item.less)}`">{{ number(item.less) }}</router-link></div>
      </template>
      <template v-else>
        <div role="cell" class="quiet">{{ asGiven(item) }}</div>
        <div role="cell"><span v-if="item.more > 0" class="gain">{{ number(item.more) }}</span></div>
        <div role="cell"><span v-if="item.less > 0" class="lose">{{ number(item.less) }}</span></div>
      </template>
    </template>
  </PagedList>
</template>
