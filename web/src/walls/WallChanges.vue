<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { day, listed } from '@/common/words'
import { useSession } from '@/session/useSession'

/** Who asked for a wall first and last, and who approved that, in a line; each change opens. */
const props = defineProps<{ id: string }>()
const { rooms } = useSession()
const query = useQuery({
  queryKey: computed(() => ['walls', 'changes', props.id]),
  queryFn: () => answer(api.GET('/api/walls/{id}/changes', { params: { path: { id: props.id } } })),
})
const lines = computed(() => {
  const { first, last } = query.data.value ?? {}
  return [
    ...(first === undefined ? [] : [{ words: 'Asked for by', change: first }]),
    ...(last === undefined ? [] : [{ words: 'Last changed by', change: last }]),
  ]
})
function approved(change: Schemas['WallChangeView']): string {
  if (change.approvedBy === undefined) return ''
  return change.approvedBy.length > 0 ? `, approved by ${listed(change.approvedBy)}` : ', without anybody’s approval'
}
</script>

<template>
  <p v-if="lines.length > 0" class="quiet">
    <template v-for="line in lines" :key="line.words">
      {{ line.words }} {{ line.change.by }},
      <router-link v-if="rooms.includes('journal')" :to="{ name: 'journal', params: { number: line.change.change } }" :title="line.change.note">{{ day(line.change.at) }}</router-link
      ><template v-else>{{ day(line.change.at) }}</template
      >{{ approved(line.change) }}.
      {{ ' ' }}
    </template>
  </p>
</template>
