<script setup lang="ts">
import { computed } from 'vue'

const props = defineProps<{
  /** Names from below the repository down, joined by " / ". */
  path: string
}>()

const cut = computed(() => props.path.lastIndexOf(' / '))
const name = computed(() => (cut.value < 0 ? props.path : props.path.slice(cut.value + 3)))
const above = computed(() => (cut.value < 0 ? '' : props.path.slice(0, cut.value)))
</script>

<template>
  <div class="place-cell" :title="path">
    <span><slot :text="name">{{ name }}</slot></span>
    <span v-if="above" class="quiet above"><span class="sr">below </span>{{ above }}</span>
  </div>
</template>

<style scoped>
/* One line, the name first; two where rows are made for it. */
.place-cell {
  display: flex;
  align-items: baseline;
  gap: 8px;
  line-height: 1.25;
}
.place-cell > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.place-cell > :first-child {
  flex: 0 1 auto;
  min-width: 45%;
  max-width: 100%;
}
.above {
  flex: 1 1 0;
  min-width: 0;
  font-size: 0.86rem;
}
:global(html[data-density='comfortable'] .place-cell) {
  flex-direction: column;
  align-items: stretch;
  gap: 0;
}
</style>
