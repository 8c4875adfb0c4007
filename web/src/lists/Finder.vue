<script setup lang="ts" generic="T extends { name: string }">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { counted } from '@/common/words'

/** A field in which somebody types part of a name and chooses what is found. */
const props = defineProps<{
  label: string
  /** Names what is looked for, so that answers are not mixed up. */
  kind: string
  find: (text: string) => Promise<{ total: number; items: T[] }>
  /** Tells two things of one name apart. */
  identify: (item: T) => string
  /** A second line about what was found. */
  about: (item: T) => string
  /** Said when nothing of that name is there. */
  none: string
}>()
const chosen = defineModel<T | undefined>({ required: true })

const text = ref('')
/** Nothing is looked for before somebody comes to the field: a form has several, and most are passed by. */
const wanted = ref(false)
const query = useQuery({
  enabled: wanted,
  // What stands in the field after choosing is a name, not a question.
  queryKey: computed(() => ['find', props.kind, text.value === chosen.value?.name ? '' : text.value]),
  queryFn: ({ queryKey }) => props.find(String(queryKey[2])),
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
    item-title="name"
    :item-value="identify"
    return-object
    no-filter
    :no-data-text="query.isFetching.value ? 'Looking …' : none"
    @focusin="wanted = true"
    @update:menu="wanted = true"
    @update:search="wanted = true"
  >
    <template #item="{ props: item, item: one }">
      <v-list-item v-bind="item" :title="one.name" :subtitle="about(one as T)" />
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
