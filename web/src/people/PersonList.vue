<script setup lang="ts">
import { ref } from 'vue'
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import PersonName from './PersonName.vue'

const props = defineProps<{ chosen?: string; unit?: string }>()
const emit = defineEmits<{ choose: [id: string] }>()

type Standing = 'ALL' | 'STAFF' | 'OUTSIDERS' | 'INACTIVE'
const text = ref('')
const standing = ref<Standing>('ALL')
const sort = ref('NAME')
const STANDINGS: { value: Standing; title: string }[] = [
  { value: 'ALL', title: 'All' },
  { value: 'STAFF', title: 'Staff' },
  { value: 'OUTSIDERS', title: 'Outsiders' },
  { value: 'INACTIVE', title: 'Not active' },
]
const fetchPeople = (offset: number, limit: number) =>
  answer(
    api.GET('/api/people', {
      params: { query: { text: text.value ?? '', standing: standing.value, unit: props.unit, order: sort.value as 'NAME' | 'UNIT' | 'LOGIN', offset, limit } },
    }),
  )
const COLUMNS = [
  { title: 'Name', width: '1.2fr', sort: 'NAME' },
  { title: 'Unit', width: '1fr', sort: 'UNIT' },
  { title: 'Login', width: '1fr', sort: 'LOGIN' },
]
</script>

<template>
  <div class="list-with-filter">
    <div class="filters">
      <v-text-field v-model="text" label="Find by name, login or address" clearable hide-details @click:clear="text = ''" />
      <div class="segments" role="group" aria-label="Whom to show">
        <button v-for="one in STANDINGS" :key="one.value" type="button" :aria-pressed="standing === one.value" @click="standing = one.value">{{ one.title }}</button>
      </div>
    </div>
    <div class="sheet list">
      <PagedList
        v-model:sort="sort"
        label="Persons"
        :query-key="['people', 'list', text ?? '', standing, unit, sort]"
        :fetch="fetchPeople"
        :columns="COLUMNS"
        empty="Nobody of that kind."
      >
        <template #row="{ item }">
          <div role="cell" :data-chosen="item.id === chosen">
            <button type="button" class="linklike row-name" @click="emit('choose', item.id)"><PersonName :person="item" /></button>
          </div>
          <div role="cell" class="quiet">{{ item.unit }}</div>
          <div role="cell" class="quiet">{{ item.login }}</div>
        </template>
      </PagedList>
    </div>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
.filters > :first-child {
  flex: 1;
  min-width: 200px;
}
</style>
