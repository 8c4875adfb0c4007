<script setup lang="ts">
import { computed } from 'vue'
import { CLUSTERS, palingWords, type Origin } from './rights'

const props = withDefaults(
  defineProps<{
    /** The rights that are held. */
    rights: readonly string[]
    /** The rights that a withholding took. */
    withheld?: readonly string[]
    /** Where they come from: the foot under the pickets. */
    origin?: Origin
    /** The role's name, if the set has one. */
    role?: string
    /** A wall bars the person: a plate across all nine. */
    walled?: boolean
    /** Only a picture beside words that say the same: hidden from screen readers. */
    decorative?: boolean
  }>(),
  { withheld: () => [], origin: 'NONE', role: undefined, walled: false, decorative: false },
)

const STEP = 7
const GAP = 6
const GROUND = 20
const STATES = ['held', 'withheld', 'stub'] as const
/** A picket at its place from the left. */
const SHAPES = {
  held: (x: number) => `M${x} ${GROUND}V5l2.5 -4l2.5 4V${GROUND}z`,
  withheld: (x: number) => `M${x} 9V5l2.5 -4l2.5 4V9zM${x} ${GROUND}V15h5V${GROUND}z`,
  stub: (x: number) => `M${x} ${GROUND}V${GROUND - 3}h5V${GROUND}z`,
}

/** Where each picket stands. */
const STANDS = CLUSTERS.flatMap((cluster, i) => cluster.map((right, j) => ({ right, x: 1 + i * GAP + (CLUSTERS.slice(0, i).flat().length + j) * STEP })))

/** The pickets that look alike are one shape: a list draws thousands of them while it is scrolled. */
const shapes = computed(() =>
  STATES.map((state) => {
    const alike = STANDS.filter(({ right }) => state === (props.withheld.includes(right) ? 'withheld' : props.rights.includes(right) ? 'held' : 'stub'))
    return { state, rights: alike.map(({ right }) => right).join(' '), d: alike.map(({ x }) => SHAPES[state](x)).join('') }
  }).filter((shape) => shape.d !== ''),
)
const WIDTH = 9 * STEP + 2 * GAP
const words = computed(() => props.walled ? 'A wall bars all nine rights' : palingWords(props.rights, props.withheld, props.origin, props.role))
</script>

<template>
  <svg
    class="paling"
    :viewBox="`0 0 ${WIDTH} 25`"
    :width="WIDTH"
    height="25"
    :role="decorative ? undefined : 'img'"
    :aria-label="decorative ? undefined : words"
    :aria-hidden="decorative ? 'true' : undefined"
  >
    <title v-if="!decorative">{{ words }}</title>
    <path v-for="shape in shapes" :key="shape.state" :data-state="shape.state" :data-rights="shape.rights" :d="shape.d" />
    <g v-if="walled" data-state="walled">
      <rect class="plate" x="0" y="4" :width="WIDTH" height="16" rx="1.5" />
      <line class="edge" x1="0" :x2="WIDTH" y1="7.5" y2="7.5" />
    </g>
    <line v-if="origin === 'HERE'" class="foot" x1="0" :x2="WIDTH" y1="23.5" y2="23.5" />
    <line v-else-if="origin === 'THROUGH_GROUP'" class="foot dotted" x1="1" :x2="WIDTH" y1="23.5" y2="23.5" />
  </svg>
</template>

<style scoped>
.paling {
  display: block;
  flex: none;
  overflow: visible;
}
[data-state='held'] {
  fill: rgb(var(--v-theme-on-surface));
}
[data-state='stub'] {
  fill: rgba(var(--v-theme-on-surface), 0.26);
}
[data-state='withheld'] {
  fill: rgba(var(--v-theme-error), 0.85);
}
.plate {
  fill: rgb(var(--v-theme-on-surface));
}
.edge {
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 1;
}
.foot {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2.5;
}
.foot.dotted {
  stroke-dasharray: 2.5 4.5;
  stroke-linecap: butt;
}
</style>
