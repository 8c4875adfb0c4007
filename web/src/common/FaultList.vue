<script setup lang="ts">
import type { FaultLine } from '@/api/problem'
import CycleDrawing from './CycleDrawing.vue'

defineProps<{ faults: FaultLine[] }>()
</script>

<template>
  <div v-if="faults.length > 0" class="fault" role="alert">
    <template v-for="fault in faults" :key="fault.text">
      <p>{{ fault.text }}</p>
      <template v-if="fault.cycle.length > 0">
        <CycleDrawing :names="fault.cycle" />
        <p class="quiet">The dashed step is the one you asked for.</p>
      </template>
    </template>
  </div>
</template>
