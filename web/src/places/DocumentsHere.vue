<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { sayDay } from '@/common/dates'
import { counted } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'

/** The documents directly in a container, with the columns that their type asks for, in its order. */
const props = defineProps<{ place: string; state: string; findIn?: string }>()

const chosen = ref<string>()
const key = computed(() => ['documents', props.place, chosen.value ?? 'all', props.state])
const asked = (part: Part) => answer(api.GET('/api/places/{id}/documents', { params: { path: { id: props.place }, query: { type: chosen.value, ...part } } }))
const head = useQuery({ queryKey: computed(() => ['documents', props.place, 'head', props.state]), queryFn: () => answer(api.GET('/api/places/{id}/documents', { params: { path: { id: props.place }, query: { limit: 1 } } })) })
const types = computed(() => head.data.value?.types ?? [])
/** Where all are of one type, its columns are shown without asking. */
const only = computed(() => (types.value.length === 1 && head.data.value?.typeless === 0 ? types.value[0] : types.value.find((type) => type.id === chosen.value)))

const LETTER = 8
const columns = computed(() => [
  { title: 'Document', width: 'minmax(160px, 1.4fr)', sort: 'name' },
  ...(only.value === undefined
    ? [{ title: 'Type', width: 'minmax(90px, 0.7fr)', sort: 'type' }]
    : only.value.columns.map((field) => ({
        title: field.label,
        width: field.width === undefined ? 'minmax(90px, 0.7fr)' : `${Math.max(field.width, field.label.length) * LETTER}px`,
        sort: chosen.value === undefined ? undefined : `field.${field.key}`,
      }))),
  { title: 'Owner', width: 'minmax(110px, 0.7fr)', sort: 'owner' },
])
function said(kind: string, value: string | undefined): string {
  return value !== undefined && kind === 'DATE' ? sayDay(new Date(`${value}T12:00:00`)) : (value ?? '')
}
const short = (name: string | undefined) => types.value.find((type) => type.name === name)?.shortName ?? name
</script>

<template>
  <div class="documents">
    <div v-if="types.length > 0" class="kinds segments" role="group" aria-label="Of which type">
      <button v-if="types.length + Math.min(1, head.data.value?.typeless ?? 0) > 1" type="button" :aria-pressed="chosen === undefined" @click="chosen = undefined">All</button>
      <button v-for="type in types" :key="type.id" type="button" :aria-pressed="chosen === type.id" :title="counted(type.documents, 'document')" @click="chosen = type.id">
        {{ type.shortName ?? type.name }} {{ type.documents }}
      </button>
    </div>
    <PagedList
      v-if="head.isFetched.value"
      :key="chosen"
      label="Documents here"
      find="Find a document"
      :find-in="findIn"
      :query-key="key"
      :fetch="async (part: Part) => (await asked(part)).documents"
      :columns="columns"
      empty="No document stands directly here. Folders below may hold some."
    >
      <template #row="{ item }">
        <div role="cell"><router-link :to="{ name: 'places', params: { id: item.id }, query: { show: 'document' } }">{{ item.name }}</router-link></div>
        <div v-if="only === undefined" role="cell" class="quiet" :title="item.type">{{ short(item.type) }}</div>
        <template v-else>
          <div v-for="field in only.columns" :key="field.key" role="cell" :class="{ amount: field.kind === 'MONEY' || field.kind === 'NUMBER' }">{{ said(field.kind, item.values[field.key]) }}</div>
        </template>
        <div role="cell" class="quiet">{{ item.owner }}</div>
      </template>
    </PagedList>
  </div>
</template>

<style scoped>
.documents {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.kinds {
  align-self: flex-start;
  flex-wrap: wrap;
  margin: 6px 12px;
}
.documents > :last-child {
  flex: 1;
}
.amount {
  font-variant-numeric: tabular-nums;
}
</style>
