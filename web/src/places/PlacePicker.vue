<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'

withDefaults(defineProps<{ label: string; density?: 'compact' | 'comfortable' }>(), { density: 'compact' })
const chosen = defineModel<Schemas['Found'] | undefined>({ required: true })

const text = ref('')
const query = useQuery({
  queryKey: computed(() => ['find-place', text.value === chosen.value?.name ? '' : text.value]),
  queryFn: ({ queryKey }) => answer(api.GET('/api/places', { params: { query: { text: String(queryKey[1]) } } })),
  placeholderData: keepPreviousData,
})
const found = computed(() => query.data.value?.items ?? [])
const more = computed(() => (query.data.value?.total ?? 0) - found.value.length)
</script>

<template>
  <v-autocomplete
    v-model="chosen"
    v-model:search="text"
    :items="found"
    :label="label"
    :density="density"
    item-title="name"
    item-value="id"
    return-object
    no-filter
    :no-data-text="query.isFetching.value ? 'Looking …' : 'No place of that name.'"
  >
    <template #item="{ props: item, item: place }">
      <v-list-item v-bind="item" :title="place.name" :subtitle="`${place.kind} · ${place.path}`" />
    </template>
    <template v-if="more > 0" #append-item>
      <p class="quiet more">{{ more }} more are not listed; type more of the name.</p>
    </template>
  </v-autocomplete>
</template>

<style scoped>
.more {
  padding: 8px 16px;
}
</style>
