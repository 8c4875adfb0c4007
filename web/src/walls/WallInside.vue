<script setup lang="ts">
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { counted, listed } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import CoverageLines from './CoverageLines.vue'

/** What a wall covers: criterion by criterion, and place by place. */
const props = defineProps<{ wall: Schemas['WallView'] }>()
const side = ref(0)
const fetchCovered = (part: Part) => answer(api.GET('/api/walls/{id}/covered', { params: { path: { id: props.wall.id }, query: { ...part, side: side.value } } }))
const COLUMNS = [
  { title: 'Place', width: 'minmax(200px, 1fr)', sort: 'place' },
  { title: 'Kind', width: '160px' },
]
</script>

<template>
  <div class="inside">
    <div v-if="wall.sides.length > 1" class="segments" role="group" aria-label="Which side’s papers">
      <button v-for="(one, i) in wall.sides" :key="i" type="button" :aria-pressed="side === i" @click="side = i">{{ one.name }}</button>
    </div>
    <p v-if="wall.sides.length > 1" class="quiet">Its people: {{ listed(wall.sides[side]!.subjects.map((one) => `${one.name} (${counted(one.people, 'person', 'people')})`)) }}</p>
    <CoverageLines :coverage="wall.sides[side]!.coverage" />
    <div class="sheet list">
      <PagedList
        label="Places it covers"
        find="Find a place inside"
        :query-key="['walls', 'covered', wall.id, side, wall.sides[side]!.coverage.places]"
        :fetch="fetchCovered"
        :columns="COLUMNS"
        :empty="wall.barsYou ? 'What lies behind a wall that keeps you out is not shown to you.' : 'It covers nothing.'"
      >
        <template #row="{ item: place }">
          <div role="cell"><router-link :to="{ name: 'places', params: { id: place.id } }" :title="place.path">{{ place.path }}</router-link></div>
          <div role="cell" class="quiet">{{ place.type ?? place.kind }}</div>
        </template>
      </PagedList>
    </div>
  </div>
</template>

<style scoped>
.inside {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.segments {
  align-self: flex-start;
}
.list {
  flex: 1;
  min-height: 180px;
}
</style>
