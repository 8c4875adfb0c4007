<script setup lang="ts">
import type { WhyTarget } from '@/common/useWhy'
import WhyAnswer from './WhyAnswer.vue'

/** Why, over a dialog: what is being decided or looked through there stays as it is. */
defineProps<{ target: WhyTarget }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <v-dialog :model-value="true" max-width="460" scrollable aria-labelledby="why-over-title" @update:model-value="emit('close')">
    <div class="sheet pg-dialog">
      <h2 id="why-over-title">Why</h2>
      <WhyAnswer :target="target" />
      <div class="actions"><v-btn @click="emit('close')">Close</v-btn></div>
    </div>
  </v-dialog>
</template>
