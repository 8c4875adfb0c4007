<script setup lang="ts">
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import { number } from '@/common/words'
import PersonName from './PersonName.vue'

const props = defineProps<{
  id: string
  /** Whether what does not come from the group is asked, instead of the way into it. */
  beyond: boolean
}>()

type Row = Schemas['InGroup'] & Partial<Schemas['Besides']>
const fetchRows = (part: Part): Promise<{ total: number; items: Row[] }> =>
  props.beyond
    ? answer(api.GET('/api/groups/{id}/beyond', { params: { path: { id: props.id }, query: part } })).then((page) => ({
        total: page.total,
        items: page.items.map((item) => ({ ...item, path: [] })),
      }))
    : answer(api.GET('/api/groups/{id}/people', { params: { path: { id: props.id }, query: part } }))
const COLUMNS = props.beyond
  ? [
      { title: 'Person', width: '1.4fr', sort: 'name' },
      { title: 'Documents', width: '90px' },
      { title: 'Of these without the group', width: '1fr' },
    ]
  : [
      { title: 'Person', width: '1fr', sort: 'name' },
      { title: 'Unit', width: '1fr', sort: 'unit' },
      { title: 'Is in it through', width: '1.3fr' },
    ]
</script>

<template>
  <PagedList
    :label="beyond ? 'What the people of the group have besides' : 'Everyone in the group'"
    :query-key="['groups', 'people', id, beyond]"
    :fetch="fetchRows"
    :columns="COLUMNS"
    find="Find by name or unit"
    empty="Nobody is in it."
  >
    <template #row="{ item }">
      <div role="cell">
        <router-link :to="{ name: 'people', params: { view: 'persons', id: item.person.id } }"><PersonName :person="item.person" /></router-link>
      </div>
      <template v-if="beyond">
        <div role="cell">{{ number(item.documents ?? 0) }}</div>
        <div role="cell">{{ number(item.without ?? 0) }}<span v-if="item.without === item.documents && item.documents !== 0" class="mark">the group adds nothing</span></div>
      </template>
      <div v-if="!beyond" role="cell" class="quiet">{{ item.person.unit }}</div>
      <div v-if="!beyond" role="cell" class="quiet">{{ item.path.length < 2 ? 'directly' : item.path.slice(0, -1).join(' → ') }}</div>
    </template>
  </PagedList>
</template>

<style scoped>
.mark {
  margin-left: 10px;
}
</style>
