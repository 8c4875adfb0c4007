<script setup lang="ts">
import type { Schemas } from '@/api/client'
import SubjectName from './SubjectName.vue'
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
        <span class="quiet">by way of{{ ' ' }}</span>
        <ol class="chain">
          <li v-for="(link, k) in path" :key="link.id">
            <svg v-if="k === 0" class="rail" width="26" height="14" viewBox="0 0 26 14" aria-hidden="true"><circle cx="5" cy="7" r="3.2" /><path d="M8.2 7H19" /><rect x="19" y="3.5" width="7" height="7" /></svg>
            <svg v-else class="rail" width="22" height="14" viewBox="0 0 22 14" aria-hidden="true"><path d="M0 7H15" /><rect x="15" y="3.5" width="7" height="7" /></svg>
            <span v-if="k > 0" class="sr">inside </span>
            <SubjectName :id="link.id" :kind="link.kind" :name="link.name" /><span class="quiet">{{ period(link) }}</span>
          </li>
        </ol>
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
.chain {
  display: flex;
  flex-wrap: wrap;
  list-style: none;
  padding: 0;
}
.chain li {
  display: flex;
  align-items: center;
  gap: 5px;
  margin-right: 5px;
}
.rail {
  flex: none;
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 1.8;
}
</style>
