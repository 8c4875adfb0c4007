<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { listed } from '@/common/words'
import Paling from '@/paling/Paling.vue'
import { useWhy } from '@/common/useWhy'

/** One place as the person has it: fields, what they would be offered, and what refused with which sentence. Every act is off. */
const props = defineProps<{ person: string; place: string; query: Record<string, unknown>; name: string }>()
const why = useWhy()
const detail = useQuery({
  queryKey: computed(() => ['walk', props.person, 'place', props.place, props.query]),
  queryFn: () => answer(api.GET('/api/walk/{person}/places/{id}', { params: { path: { person: props.person, id: props.place }, query: props.query } })),
})
const data = computed(() => detail.data.value)
const ACTS: Record<string, string> = {
  OPEN: 'Open it',
  ADD: 'Add to it',
  DESCRIBE: 'Describe it',
  REVISE: 'Put in a new version',
  COPY: 'Take a copy',
  DELETE: 'Delete it',
  CHECK_OUT: 'Check it out',
  CHECK_IN: 'Check it in',
  MAKE_PRIVATE: 'Make it private',
  MAKE_OPEN: 'Make it no longer private',
  FREEZE: 'Freeze it',
  UNFREEZE: 'Release it',
}
const word = (act: string) => ACTS[act] ?? act.toLowerCase().replaceAll('_', ' ')
/** What may be added is said by type. */
const offered = computed(() => (data.value?.acts ?? []).filter((one) => one.why === undefined && one.act !== 'ADD'))
const refused = computed(() => (data.value?.acts ?? []).filter((one) => one.why !== undefined))
const adds = computed(() => [...(data.value?.addsFolders === true ? ['folders'] : []), ...(data.value?.adds ?? [])])
</script>

<template>
  <div v-if="data" class="panel">
    <h2>{{ data.step.name }}</h2>
    <p v-if="data.step.shown === 'FOUND'" class="has"><Paling :rights="data.step.rights" decorative /> {{ listed(data.step.rights) }}</p>
    <p v-else-if="data.step.shown === 'PASSAGE'" class="quiet">{{ name }} does not find this place itself; it only leads to something that they do.</p>
    <p v-else class="caution">Hidden from {{ name }}.</p>
    <p><button type="button" class="linklike" @click="why.ask(person, place, false, query.at as string | undefined)">Why {{ name }} has {{ data.step.shown === 'HIDDEN' ? 'nothing' : 'this' }} here</button></p>
    <p class="quiet">
      {{ data.step.type ?? data.step.kind }}<span v-for="mark in data.step.conditions" :key="mark" class="mark">{{ mark }}</span>
      · <router-link :to="{ name: 'places', params: { id: place } }">Its access list</router-link>
    </p>
    <dl v-if="data.fields.length > 0">
      <template v-for="field in data.fields" :key="field.label">
        <dt>{{ field.label }}</dt>
        <dd>{{ field.value }}</dd>
      </template>
    </dl>
    <template v-if="offered.length > 0 || adds.length > 0">
      <h3>What they are offered</h3>
      <ul>
        <li v-for="one in offered" :key="one.act">{{ word(one.act) }}</li>
        <li v-if="adds.length > 0">Add {{ listed(adds) }}</li>
      </ul>
    </template>
    <template v-if="refused.length > 0">
      <h3>What they are refused, and why</h3>
      <ul>
        <li v-for="one in refused" :key="one.act">{{ word(one.act) }}: <span class="quiet">{{ one.why }}</span></li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.panel {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.has {
  display: flex;
  align-items: center;
  gap: 10px;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 14px;
}
ul {
  padding-left: 20px;
}
</style>
