<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { counted, listed } from '@/common/words'

/** What limits a place: one line of counts that opens to a sentence each. */
const props = defineProps<{ limits: Schemas['Limit'][] }>()
const opened = ref(false)
watch(
  () => props.limits.map((limit) => limit.sentence).join(),
  () => (opened.value = false),
)
const counts = computed(() => {
  const byKind = new Map<string, number>()
  for (const { kind } of props.limits) byKind.set(kind, (byKind.get(kind) ?? 0) + 1)
  return listed([...byKind].map(([kind, many]) => counted(many, kind)))
})
</script>

<template>
  <div v-if="limits.length > 0" class="limits">
    <p v-if="limits.length === 1">{{ limits[0]!.sentence }}</p>
    <button v-else type="button" class="linklike" :aria-expanded="opened" @click="opened = !opened">{{ counts }} {{ opened ? '−' : '+' }}</button>
    <ul v-if="opened && limits.length > 1" aria-label="What limits this place" tabindex="0">
      <li v-for="{ sentence } in limits" :key="sentence">{{ sentence }}</li>
    </ul>
  </div>
</template>

<style scoped>
.limits {
  border-left: 4px double rgb(var(--v-theme-primary));
  padding-left: 10px;
}
ul {
  list-style: none;
  max-height: 190px;
  overflow: auto;
}
</style>
