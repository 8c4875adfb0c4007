<script setup lang="ts">
defineProps<{ drafted: string }>()
</script>

<template>
  <span v-if="drafted === 'MADE'" class="mark gain">new in your draft</span>
  <span v-else-if="drafted === 'CHANGED'" class="mark warn">changed in your draft</span>
</template>
