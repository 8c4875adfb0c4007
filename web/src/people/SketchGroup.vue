<script setup lang="ts">
import { computed } from 'vue'
import { counted } from '@/common/words'
import type { Drawn } from './sketch'

const props = defineProps<{ drawn: Drawn; largest: number }>()
const emit = defineEmits<{ choose: [id: string] }>()
const width = computed(() => 8 + Math.round((props.drawn.shape.people / props.largest) * 120))
const outside = computed(() => (props.drawn.shape.people === 0 ? 0 : Math.round((props.drawn.shape.outsiders / props.drawn.shape.people) * width.value)))
</script>

<template>
  <li class="set" :data-empty="drawn.shape.people === 0">
    <button type="button" class="linklike" @click="emit('choose', drawn.shape.id)">{{ drawn.shape.name }}</button>
    <svg :width="width" height="9" role="img" :aria-label="`${counted(drawn.shape.people, 'person', 'people')}, ${counted(drawn.shape.outsiders, 'outsider')}`">
      <rect class="all" x="0.5" y="0.5" :width="width - 1" height="8" />
      <path v-for="x in Math.floor(outside / 4)" :key="x" class="out" :d="`M${x * 4 - 4} 9L${x * 4} 0`" />
    </svg>
    <span class="quiet">{{ drawn.shape.people }}</span>
    <span v-if="drawn.shape.outsiders > 0" class="mark outsider">{{ counted(drawn.shape.outsiders, 'outsider') }}</span>
    <span v-if="drawn.shape.twoHatted > 0" class="hat" :title="`${counted(drawn.shape.twoHatted, 'person', 'people')} with another hat`">{{ drawn.shape.twoHatted }}</span>
    <span v-if="drawn.elsewhere" class="quiet">holds others, drawn elsewhere</span>
    <ul v-if="drawn.inside.length > 0">
      <SketchGroup v-for="one in drawn.inside" :key="one.shape.id" :drawn="one" :largest="largest" @choose="emit('choose', $event)" />
    </ul>
  </li>
</template>

<style scoped>
.set {
  border: 1px solid rgba(var(--v-theme-on-surface), 0.34);
  border-radius: 14px;
  padding: 8px 14px 10px;
  max-width: 100%;
}
.set[data-empty='true'] {
  border-style: dotted;
}
.set > * {
  vertical-align: middle;
  margin-right: 8px;
}
.all {
  fill: rgba(var(--v-theme-primary), 0.22);
  stroke: rgb(var(--v-theme-primary));
}
.out {
  stroke: rgb(var(--v-theme-warning));
  stroke-width: 1.5;
}
.hat {
  border: 1px solid currentcolor;
  border-radius: 50% 50% 0 0;
  padding: 0 5px;
  font-size: 0.86rem;
}
ul {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}
</style>
