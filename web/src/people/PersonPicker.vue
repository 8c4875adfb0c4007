<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'

defineProps<{ label: string }>()
const chosen = defineModel<Schemas['PersonView'] | undefined>({ required: true })

const text = ref('')
const query = useQuery({
  queryKey: computed(() => ['people', text.value === chosen.value?.name ? '' : text.value]),
  queryFn: ({ queryKey }) => answer(api.GET('/api/people', { params: { query: { text: String(queryKey[1]) } } })),
  placeholderData: keepPreviousData,
})

function about(person: Schemas['PersonView']): string {
  return [person.external ? 'outsider' : 'staff', person.unit, person.active ? undefined : 'not active'].filter(Boolean).join(' · ')
}
</script>

<template>
  <v-autocomplete
    v-model="chosen"
    v-model:search="text"
    :items="query.data.value?.items ?? []"
    :label="label"
    item-title="name"
    item-value="id"
    return-object
    no-filter
    :no-data-text="query.isFetching.value ? 'Looking …' : 'Nobody of that name.'"
  >
    <template #item="{ props: item, item: person }">
      <v-list-item v-bind="item" :title="person.name" :subtitle="about(person)" />
    </template>
  </v-autocomplete>
</template>
