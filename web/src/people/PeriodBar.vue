<script setup lang="ts">
import { computed } from 'vue'
import { toTheEndOf } from '@/common/dates'
import { day, lastDay } from '@/common/words'

/** A membership's period as a bar in time: a year back, a year ahead, today marked. */
const props = defineProps<{ from?: string; until?: string; current: boolean }>()

const YEAR = 366 * 86_400_000
function at(instant: string | undefined, otherwise: number): number {
  if (instant === undefined) return otherwise
  return Math.max(0, Math.min(100, ((new Date(instant).getTime() - Date.now() + YEAR) / (2 * YEAR)) * 100))
}
const start = computed(() => at(props.from, 0))
const end = computed(() => at(props.until, 100))
const words = computed(() =>
  props.from === undefined && props.until === undefined
    ? 'without an end'
    : [props.from ? `from ${day(props.from)}` : '', props.until ? toTheEndOf(props.until) : ''].filter(Boolean).join(' '),
)
/** For a narrow column; the whole is said on the bar. */
const short = computed(() => (props.from === undefined && props.until === undefined ? 'no end' : [props.from ? `from ${day(props.from)}` : '', props.until ? `to ${lastDay(props.until)}` : ''].filter(Boolean).join(' ')))
</script>

<template>
  <span class="period" :data-current="current" :title="words">
    <svg width="48" height="14" viewBox="0 0 100 14" preserveAspectRatio="none" role="img" :aria-label="words">
      <path class="line" d="M0 7H100" />
      <rect :x="start" y="3" :width="Math.max(2, end - start)" height="8" />
      <path class="today" d="M50 0V14" />
    </svg>
    <span class="quiet" aria-hidden="true">{{ short }}</span>
  </span>
</template>

<style scoped>
.period {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
}
.line {
  stroke: var(--pg-line);
}
rect {
  fill: rgba(var(--v-theme-primary), 0.3);
}
.period[data-current='true'] rect {
  fill: rgb(var(--v-theme-primary));
}
.today {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-dasharray: 2 2;
}
</style>
