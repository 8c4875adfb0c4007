<script setup lang="ts">
import { ref, watch } from 'vue'
import { counted, number } from '@/common/words'
import { CHOSEN_AT_MOST } from './useListedChoice'

/** Above a list of which rows can be chosen: all of them, none, and what is done with those that are. */
const props = defineProps<{ total: number; chosen: number; all: boolean; some: boolean; busy: boolean; label: string; one: string; many?: string }>()
const emit = defineEmits<{ all: []; clear: [] }>()
const box = ref<HTMLInputElement>()
// A browser ticks it at once, and so it stays while the rows are fetched: what it says afterwards is whether all are chosen.
watch([() => props.busy, () => props.all, () => props.chosen], () => box.value !== undefined && !props.busy && (box.value.checked = props.all), { flush: 'post' })
</script>

<template>
  <div class="tools" role="toolbar" :aria-label="label">
    <label v-if="total > 0"><input ref="box" type="checkbox" :checked="all" :indeterminate="some" :disabled="busy" @change="emit('all')" /> {{ total > CHOSEN_AT_MOST ? `Choose the first ${number(CHOSEN_AT_MOST)}` : `Choose all ${number(total)}` }}</label>
    <template v-if="chosen > 0">
      <span role="status">{{ counted(chosen, one, many) }} chosen</span>
      <slot />
      <button type="button" class="linklike" @click="emit('clear')">Choose none</button>
    </template>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  min-height: 30px;
}
.tools label {
  display: flex;
  align-items: center;
  gap: 6px;
}
</style>
