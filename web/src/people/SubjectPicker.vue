<script setup lang="ts">
import { useQuery, keepPreviousData } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { counted } from '@/shell/words'

defineProps<{ label: string }>()
const chosen = defineModel<Schemas['SubjectView'] | undefined>({ required: true })

const KINDS: Record<string, string> = { group: 'group', unit: 'unit', person: 'person', builtin: 'built in' }

const text = ref('')
const query = useQuery({
  queryKey: computed(() => ['subjects', text.value === chosen.value?.name ? '' : text.value]),
  queryFn: ({ queryKey }) => answer(api.GET('/api/subjects', { params: { query: { text: String(queryKey[1]) } } })),
  placeholderData: keepPreviousData,
})
const found = computed(() => query.data.value?.items ?? [])
const more = computed(() => (query.data.value?.total ?? 0) - found.value.length)

function about(subject: Schemas['SubjectView']): string {
  const outside = subject.outsiders > 0 ? `, ${counted(subject.outsiders, 'outsider')}` : ''
  return `${KINDS[subject.kind]} · ${counted(subject.people, 'person', 'people')}${outside}`
}
</script>

<template>
  <v-autocomplete
    v-model="chosen"
    v-model:search="text"
    :items="found"
    :label="label"
    item-title="name"
    return-object
    no-filter
    :item-value="(subject: Schemas['SubjectView']) => `${subject.kind}:${subject.id}`"
    :no-data-text="query.isFetching.value ? 'Looking …' : 'Nobody of that name. Try part of a name of a person, group or unit.'"
  >
    <template #item="{ props: item, item: subject }">
      <v-list-item v-bind="item" :title="subject.name" :subtitle="about(subject)" />
    </template>
    <template v-if="more > 0" #append-item>
      <p class="quiet more">{{ counted(more, 'more is', 'more are') }} not listed; type more of the name.</p>
    </template>
  </v-autocomplete>
</template>

<style scoped>
.more {
  padding: 8px 16px;
}
</style>
