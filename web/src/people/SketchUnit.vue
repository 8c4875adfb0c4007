<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { counted } from '@/common/words'

const props = defineProps<{ unit: Schemas['UnitLine']; units: Schemas['UnitLine'][] }>()
const below = computed(() => props.units.filter((one) => one.parent === props.unit.id))
</script>

<template>
  <li class="unit">
    <strong>{{ unit.name }}</strong> <span class="quiet">{{ counted(unit.people, 'person', 'people') }}</span>
    <span v-if="unit.outsiders > 0" class="mark outsider">{{ counted(unit.outsiders, 'outsider') }}</span>
    <ul v-if="below.length > 0">
      <SketchUnit v-for="one in below" :key="one.id" :unit="one" :units="units" />
    </ul>
  </li>
</template>

<style scoped>
.unit {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding: 4px 12px;
}
ul {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  margin-top: 6px;
}
</style>
