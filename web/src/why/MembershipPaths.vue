<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { period } from './sentence'

defineProps<{
  /** Chains from the person up to whom an entry names, shortest first. */
  paths: Schemas['Link'][][]
  /** Whether there are more than are listed. */
  more: boolean
}>()
</script>

<template>
  <ul class="paths">
    <li v-for="(path, i) in paths" :key="i">
      <template v-if="path.length === 0">named directly</template>
      <template v-else>
        by way of
        <template v-for="(link, k) in path" :key="link.id"
          ><span v-if="k > 0" aria-label="inside"> → </span>{{ link.name }}<span class="quiet">{{ period(link) }}</span></template
        >
      </template>
    </li>
    <li v-if="more" class="quiet">and by more chains than are listed</li>
  </ul>
</template>

<style scoped>
.paths {
  list-style: none;
  padding-left: 14px;
  font-size: 0.95rem;
}
</style>
