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
.place-cell {
  display: flex;
  flex-direction: column;
  line-height: 1.25;
}
.place-cell > * {
  overflow: hidden;
  text-overflow: ellipsis;
}
.above {
  font-size: 0.86rem;
}
</style>
