<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useObjectUrl } from '@vueuse/core'
import { computed } from 'vue'
import { answer, api } from '@/api/client'

/** What a document holds, in the page: text, pictures and PDF; anything else is offered as a copy, to those who may take one. */
const props = defineProps<{ id: string; version: number; mediaType: string; name: string }>()
const shown = computed(() => props.mediaType === 'text/plain' || props.mediaType === 'application/pdf' || props.mediaType.startsWith('image/'))

const query = useQuery({
  // Each opening is recorded, so that it is asked for once and not with every other query of the page.
  queryKey: computed(() => ['paper-content', props.id, props.version]),
  enabled: shown,
  staleTime: Infinity,
  refetchOnWindowFocus: false,
  queryFn: async () => {
    const blob = (await answer(api.GET('/api/places/{id}/content', { params: { path: { id: props.id }, query: { version: props.version } }, parseAs: 'blob' }))) as unknown as Blob
    return { blob: new Blob([blob], { type: props.mediaType }), text: props.mediaType === 'text/plain' ? await blob.text() : '' }
  },
})
const url = useObjectUrl(computed(() => query.data.value?.blob))
</script>

<template>
  <section class="sheet content" :aria-label="`What ${name} holds`">
    <p v-if="!shown" class="quiet">A file of this kind is not shown in the page.</p>
    <p v-else-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="query.data.value === undefined" class="quiet" role="status">Opening …</p>
    <pre v-else-if="mediaType === 'text/plain'" tabindex="0">{{ query.data.value.text }}</pre>
    <img v-else-if="mediaType.startsWith('image/')" :src="url" :alt="name" />
    <iframe v-else :src="url" :title="name"></iframe>
  </section>
</template>

<style scoped>
.content {
  padding: 10px;
  min-height: 120px;
}
pre {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  max-height: 420px;
  overflow: auto;
}
img {
  max-width: 100%;
}
iframe {
  width: 100%;
  height: 420px;
  border: 0;
}
</style>
