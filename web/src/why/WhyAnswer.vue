<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import { listed } from '@/common/words'
import type { WhyTarget } from '@/common/useWhy'
import { sentence } from './sentence'
import WaysTo from './WaysTo.vue'
import WhyStages from './WhyStages.vue'

/** Why somebody has at a place what they have: what came of it first, then stage by stage. */
const props = defineProps<{ target: WhyTarget }>()

const query = useQuery({
  queryKey: computed(() => ['why', props.target]),
  queryFn: () => {
    const { changes, after, person, place, ...asked } = props.target
    return answer(
      changes === undefined ? api.GET('/api/why', { params: { query: { ...asked, person, place } } }) : api.POST('/api/draft/preview/why', { body: { person, place, changes, after: after ?? false } }),
    )
  },
})
const data = computed(() => query.data.value)
const state = computed(() => {
  if (props.target.after) return ', as it would be with this'
  return data.value?.drafted && props.target.changes === undefined ? ', as your draft would have it' : ''
})
/** What it would take is asked of what there is. */
const asksWays = computed(() => !data.value?.drafted && props.target.at === undefined && props.target.type === undefined && props.target.changes === undefined)
</script>

<template>
  <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
  <p v-else-if="data === undefined" role="status">Working it out …</p>
  <template v-else>
    <p class="subject"><PersonName :person="data.person" /></p>
    <p class="quiet">{{ data.path }}{{ state }}</p>
    <slot />
    <div class="result">
      <Paling :rights="data.rights" :walled="data.walled" decorative />
      <strong>{{ data.walled ? 'Barred by a wall' : data.rights.length === 0 ? 'No rights' : data.rights.length === 9 ? 'All nine rights' : listed(data.rights) }}</strong>
    </div>
    <p v-if="data.standing.join() !== data.rights.join()" class="quiet">
      Standing rights, without the document’s conditions: {{ data.standing.length === 0 ? 'none' : listed(data.standing) }}.
    </p>
    <WhyStages :stages="data.stages" />
    <section v-if="data.withoutWalls" class="without" aria-labelledby="without-title">
      <h3 id="without-title">Without the wall</h3>
      <div class="result">
        <Paling :rights="data.withoutWalls.rights" decorative />
        <strong>{{ data.withoutWalls.rights.length === 0 ? 'Still no rights' : listed(data.withoutWalls.rights) }}</strong>
      </div>
      <WhyStages :stages="data.withoutWalls.stages" />
    </section>
    <WaysTo v-if="asksWays" :key="`${data.person.id} ${data.place}`" :person="data.person.id" :place="data.place" :held="data.rights" />
    <template v-if="data.silent.length > 0">
      <h3>Without effect here</h3>
      <ul class="silent">
        <li v-for="silent in data.silent" :key="silent.entry.id" class="quiet">
          {{ sentence(silent.entry) }} at {{ silent.entry.placeName }}: {{ silent.why }}.
        </li>
      </ul>
    </template>
  </template>
</template>

<style scoped>
.subject {
  font-size: 1.1rem;
  font-weight: 600;
}
.result {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 10px 0;
  border-block: 1px solid var(--pg-line);
}
.without {
  border-top: 4px double rgb(var(--v-theme-on-background));
  padding-top: 10px;
}
ul {
  list-style: none;
}
.silent {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
</style>
