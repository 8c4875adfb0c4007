<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { number } from '@/common/words'

/** What limits a place, a sentence each: a few are read at once, many hide what the place is for. */
const props = defineProps<{ sentences: string[] }>()
const FEW = 3
const opened = ref(false)
watch(
  () => props.sentences.join(),
  () => (opened.value = false),
)
/** One more line would take as much room as what it hides. */
const folds = computed(() => props.sentences.length > FEW + 1)
const shown = computed(() => (folds.value && !opened.value ? props.sentences.slice(0, FEW) : props.sentences))
</script>

<template>
  <div v-if="sentences.length > 0" class="limits">
    <ul aria-label="What limits this place" :class="{ long: opened }" :tabindex="opened ? 0 : undefined">
      <li v-for="sentence in shown" :key="sentence">{{ sentence }}</li>
    </ul>
    <button v-if="folds" type="button" class="linklike" :aria-expanded="opened" @click="opened = !opened">
      {{ opened ? 'Only the first' : `${number(sentences.length - FEW)} more that limit it` }}
    </button>
  </div>
</template>

<style scoped>
.limits {
  border-left: 4px double rgb(var(--v-theme-primary));
  padding-left: 10px;
  margin: 4px 0;
}
ul {
  list-style: none;
}
.long {
  max-height: 190px;
  overflow: auto;
}
</style>
