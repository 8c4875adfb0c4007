<script setup lang="ts">
import { onUnmounted } from 'vue'
import PageDialog from '@/common/PageDialog.vue'
import type { WhyTarget } from '@/common/useWhy'
import WhyAnswer from './WhyAnswer.vue'

/** Why, over a dialog: what is being decided or looked through there stays as it is. */
defineProps<{ target: WhyTarget }>()
const emit = defineEmits<{ close: [] }>()
/** Back to where it was asked from. */
const opener = document.activeElement instanceof HTMLElement ? document.activeElement : undefined
onUnmounted(() => opener?.focus())
</script>

<template>
  <PageDialog :model-value="true" max-width="460" scrollable aria-labelledby="why-over-title" @update:model-value="emit('close')">
    <div class="sheet pg-dialog over">
      <h2 id="why-over-title">Why</h2>
      <div class="answer" tabindex="0" role="group" aria-labelledby="why-over-title"><WhyAnswer :target="target" /></div>
      <div class="actions"><v-btn @click="emit('close')">Close</v-btn></div>
    </div>
  </PageDialog>
</template>

<style scoped>
.over {
  max-height: calc(100vh - 48px);
}
.answer {
  overflow: auto;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 10px;
  outline-offset: -2px;
}
</style>
