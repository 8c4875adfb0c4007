<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { day } from '@/common/words'

/** A stretch of time as a line: thick where somebody could read, with a stroke for each opening. */
const props = defineProps<{ from: string; until: string; spans: Schemas['CouldRead'][]; opened: string[] }>()
const begin = computed(() => Date.parse(props.from))
const length = computed(() => Math.max(1, Date.parse(props.until) - begin.value))
const at = (instant: string) => Math.min(100, Math.max(0, (100 * (Date.parse(instant) - begin.value)) / length.value))
const bars = computed(() =>
  props.spans.map((span) => ({ x: at(span.from), width: Math.max(0.8, at(span.until) - at(span.from)) })),
)
const words = computed(
  () =>
    props.spans.map((span) => `could read from ${day(span.from)} to ${day(span.until)}`).join(', ') +
    (props.opened.length > 0 ? `; opened something ${props.opened.map((one) => day(one)).join(', ')}` : ''),
)
</script>

<template>
  <svg class="timeline" role="img" :aria-label="words" preserveAspectRatio="none" viewBox="0 0 100 16">
    <title>{{ words }}</title>
    <line x1="0" y1="8" x2="100" y2="8" class="axis" vector-effect="non-scaling-stroke" />
    <rect v-for="(bar, i) in bars" :key="i" :x="bar.x" y="5" :width="bar.width" height="6" class="bar" />
    <line
      v-for="one in opened"
      :key="one"
      :x1="at(one)"
      y1="0"
      :x2="at(one)"
      y2="16"
      class="opening"
      vector-effect="non-scaling-stroke"
    />
  </svg>
</template>

<style scoped>
.timeline {
  width: 100%;
  height: 16px;
  display: block;
}
.axis {
  stroke: currentcolor;
  stroke-opacity: 0.35;
  stroke-width: 1px;
}
.bar {
  fill: currentcolor;
  fill-opacity: 0.55;
}
.opening {
  stroke: rgb(var(--v-theme-error));
  stroke-width: 2px;
}
</style>
