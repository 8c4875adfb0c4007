<script setup lang="ts">
defineProps<{
  /** Of a whole list; this box alone is drawn anew when it changes, not its row. */
  chosen: Set<string>
  id: string
  /** What is chosen, for screen readers. */
  label: string
}>()
</script>

<template>
  <input type="checkbox" :checked="chosen.has(id)" :aria-label="label" @change="chosen.has(id) ? chosen.delete(id) : chosen.add(id)" />
</template>

<style scoped>
input {
  width: 18px;
  height: 18px;
  accent-color: rgb(var(--v-theme-primary));
}
</style>
