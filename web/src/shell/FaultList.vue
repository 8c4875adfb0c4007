<script setup lang="ts">
defineProps<{ faults: string[] }>()
</script>

<template>
  <div v-if="faults.length > 0" class="fault" role="alert">
    <p v-for="fault in faults" :key="fault">{{ fault }}</p>
  </div>
</template>
