<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { counted } from '@/common/words'
import { nest } from './sketch'
import SketchGroup from './SketchGroup.vue'
import SketchUnit from './SketchUnit.vue'

const emit = defineEmits<{ group: [id: string] }>()
const query = useQuery({ queryKey: ['groups', 'sketch'], queryFn: () => answer(api.GET('/api/organisation')) })
const of = ref<'groups' | 'units'>('groups')
const drawn = computed(() => nest(query.data.value?.groups ?? []))
const largest = computed(() => Math.max(1, ...(query.data.value?.groups ?? []).map((group) => group.people)))
const tops = computed(() => (query.data.value?.units ?? []).filter((unit) => unit.parent === undefined))
</script>

<template>
  <div class="sketch">
    <div class="bar">
      <div class="segments" role="group" aria-label="Sketch of">
        <button type="button" :aria-pressed="of === 'groups'" @click="of = 'groups'">Groups in groups</button>
        <button type="button" :aria-pressed="of === 'units'" @click="of = 'units'">Units below units</button>
      </div>
      <p class="quiet">
        The longer the bar, the more people. Hatched: outsiders. <span class="hat">2</span> how many wear another hat too: they are in a group besides that is not part of this
        one.
      </p>
    </div>
    <div class="sheet canvas" tabindex="0" role="region" aria-label="Sketch of the organisation">
      <p v-if="query.data.value === undefined" role="status">Drawing …</p>
      <ul v-else-if="of === 'groups'" class="sets">
        <SketchGroup v-for="one in drawn" :key="one.shape.id" :drawn="one" :largest="largest" @choose="emit('group', $event)" />
        <li v-if="drawn.length === 0" class="quiet">There are no groups yet.</li>
      </ul>
      <ul v-else class="sets">
        <SketchUnit v-for="unit in tops" :key="unit.id" :unit="unit" :units="query.data.value.units" />
        <li v-if="tops.length === 0" class="quiet">There are no units yet.</li>
      </ul>
      <p v-if="query.data.value" class="sr" role="status">{{ counted(query.data.value.groups.length, 'group') }}, {{ counted(query.data.value.units.length, 'unit') }}</p>
    </div>
  </div>
</template>

<style scoped>
.sketch {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.bar {
  display: flex;
  gap: 16px;
  align-items: center;
}
.hat {
  border: 1px solid currentcolor;
  border-radius: 50% 50% 0 0;
  padding: 0 5px;
  font-size: 0.86rem;
}
.canvas {
  flex: 1;
  overflow: auto;
  padding: 16px;
}
.sets {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: flex-start;
  list-style: none;
}
</style>
