<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { answer, api, type Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import { listed } from '@/common/words'
import Paling from '@/paling/Paling.vue'

/** Why one has at a place what one has there: what gives rights and what takes some away, in the order in which it acts. */
const props = defineProps<{ id: string }>()
const said = (reason: Schemas['OwnReason']) => {
  const rights = reason.rights.length === 9 ? 'all nine rights' : listed(reason.rights)
  return reason.kind === 'GIVES' ? rights : reason.rights.length === 9 ? 'None of the nine rights' : `Not ${rights.replace(' and ', ' or ')}`
}
const why = useQuery({ queryKey: ['papers', 'why', props.id], queryFn: () => answer(api.GET('/api/papers/places/{id}/why', { params: { path: { id: props.id } } })) })
</script>

<template>
  <p v-if="why.isError.value" class="fault" role="alert">{{ why.error.value?.message }}</p>
  <p v-else-if="why.data.value === undefined" role="status">Working it out …</p>
  <ol v-else class="reasons">
    <li v-for="(reason, i) in why.data.value.reasons" :key="i" :data-kind="reason.kind">
      <Paling :rights="reason.kind === 'GIVES' ? reason.rights : []" :withheld="reason.kind === 'TAKES' ? reason.rights : []" decorative />
      <div>
        <strong>{{ said(reason) }}</strong>
        <p>
          {{ reason.words }} <span v-if="reason.until" class="quiet">It holds {{ toTheEndOf(reason.until) }}.</span>
        </p>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.reasons {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.reasons li {
  display: flex;
  gap: 12px;
  align-items: flex-start;
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 12px;
}
.reasons li:not([data-kind='GIVES']) {
  border-left-color: var(--pg-line);
}
</style>
