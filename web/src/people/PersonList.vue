<script setup lang="ts">
import { ref } from 'vue'
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import PersonName from './PersonName.vue'

const props = defineProps<{ chosen?: string; unit?: string }>()
const emit = defineEmits<{ choose: [id: string] }>()

type Standing = 'ALL' | 'STAFF' | 'OUTSIDERS' | 'INACTIVE'
const standing = ref<Standing>('ALL')
const STANDINGS: { value: Standing; title: string }[] = [
  { value: 'ALL', title: 'All' },
  { value: 'STAFF', title: 'Staff' },
  { value: 'OUTSIDERS', title: 'Outsiders' },
  { value: 'INACTIVE', title: 'Not active' },
]
const fetchPeople = (part: Part) => answer(api.GET('/api/people', { params: { query: { ...part, standing: standing.value, unit: props.unit } } }))
const COLUMNS = [
  { title: 'Name', width: '1.2fr', sort: 'name' },
  { title: 'Unit', width: '1fr', sort: 'unit' },
  { title: 'Login', width: '1fr', sort: 'login' },
]
</script>

<template>
  <div class="list-with-filter">
    <div class="filters">
      <div class="segments" role="group" aria-label="Whom to show">
        <button v-for="one in STANDINGS" :key="one.value" type="button" :aria-pressed="standing === one.value" @click="standing = one.value">{{ one.title }}</button>
      </div>
    </div>
    <div class="sheet list">
      <PagedList
        label="Persons"
        find="Find by name, login or address"
        :find-in="unit === undefined ? '#find-here' : undefined"
        :query-key="['people', 'list', standing, unit]"
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
</style>
