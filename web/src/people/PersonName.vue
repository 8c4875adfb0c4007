<script setup lang="ts">
import type { Schemas } from '@/api/client'

defineProps<{ person: Schemas['PersonView'] }>()
</script>

<template>
  <span class="person">
    <span class="name">{{ person.name }}</span>
    <span v-if="person.external" class="mark outsider">outsider</span>
    <span v-if="!person.active" class="mark">not active</span>
  </span>
</template>

<style scoped>
.person {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: center;
  line-height: 1.3;
  max-width: 100%;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
