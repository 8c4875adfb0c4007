<script setup lang="ts">
import { computed } from 'vue'

/** A cycle that was refused: each name leads to the next, the last back to the first. The dashed step is the one that was asked for. */
const props = defineProps<{ names: string[] }>()

const WIDTH = 320
const BOX = { left: 4, width: 236, height: 28 }
const STEP = 50
/** Longer names would leave their box. */
const LETTERS = 32

const steps = computed(() =>
  props.names.slice(0, -1).map((name, i) => ({
    name: name.length > LETTERS ? `${name.slice(0, LETTERS - 1)}…` : name,
    top: 3 + i * STEP,
  })),
)
const height = computed(() => 3 + (steps.value.length - 1) * STEP + BOX.height + 3)
const back = computed(() => {
  const right = BOX.left + BOX.width
  const last = steps.value.at(-1)!.top + BOX.height / 2
  const first = steps.value[0]!.top + BOX.height / 2
  // Something inside itself leads back to where it began by a loop of its own.
  return steps.value.length === 1
    ? `M ${right} ${last - 7} h 34 v 14 h -28`
    : `M ${right} ${last} h 34 V ${first} h -28`
})
</script>

<template>
  <svg class="cycle" role="img" :width="WIDTH" :height="height" :viewBox="`0 0 ${WIDTH} ${height}`" :aria-label="`A cycle: ${names.join(', then ')}`">
    <g v-for="(step, i) in steps" :key="i">
      <rect :x="BOX.left" :y="step.top" :width="BOX.width" :height="BOX.height" rx="4" />
      <text :x="BOX.left + 10" :y="step.top + 19">{{ step.name }}</text>
      <g v-if="i < steps.length - 1" class="arrow" :class="{ asked: i === 0 }">
        <path :d="`M 34 ${step.top + BOX.height} v ${STEP - BOX.height - 5}`" />
        <path class="head" :d="`M 29 ${step.top + STEP - 7} h 10 l -5 7 z`" />
      </g>
    </g>
    <g class="arrow" :class="{ asked: steps.length === 1 }">
      <path :d="back" />
      <path class="head" :d="`M ${BOX.left + BOX.width + 8} ${steps[0]!.top + BOX.height / 2 - 5 + (steps.length === 1 ? 7 : 0)} v 10 l -7 -5 z`" />
    </g>
  </svg>
</template>

<style scoped>
.cycle {
  display: block;
  max-width: 100%;
  margin: 6px 0;
}
rect {
  fill: rgb(var(--v-theme-surface));
  stroke: rgba(var(--v-theme-on-surface), 0.55);
}
text {
  fill: rgb(var(--v-theme-on-surface));
  font-size: 14px;
}
.arrow path {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.6;
}
.arrow path.head {
  fill: currentColor;
  stroke: none;
}
.arrow.asked path:not(.head) {
  stroke-dasharray: 4 3;
}
</style>
