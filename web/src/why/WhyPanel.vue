<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { answer, api } from '@/api/client'
import { fromKept, kept } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import { listed } from '@/common/words'
import { sentence } from './sentence'
import { useWhy } from '@/common/useWhy'
import WaysTo from './WaysTo.vue'
import WhyStages from './WhyStages.vue'

const why = useWhy()
const heading = ref<HTMLElement>()

const query = useQuery({
  queryKey: computed(() => ['why', why.target]),
  enabled: computed(() => why.target !== undefined),
  queryFn: () => answer(api.GET('/api/why', { params: { query: why.target! } })),
})
const data = computed(() => query.data.value)
const local = computed(() => (why.target?.at === undefined ? '' : kept(new Date(why.target.at), true)))

function askAt(value: string) {
  if (why.target !== undefined) why.target = { ...why.target, at: fromKept(value)?.toISOString() }
}

watch(
  () => why.target,
  () => void nextTick(() => heading.value?.focus()),
  { immediate: true },
)
</script>

<template>
  <aside class="why" aria-labelledby="why-title">
    <div class="top">
      <h2 id="why-title" ref="heading" tabindex="-1">Why</h2>
      <button type="button" class="linklike" @click="why.close()">Close</button>
    </div>
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="data === undefined" role="status">Working it out …</p>
    <template v-else>
      <p class="subject"><PersonName :person="data.person" /></p>
      <p class="quiet">{{ data.path }}<span v-if="data.drafted">, as your draft would have it</span></p>
      <div class="as-of">
        <DateField looks-back time label="As it was at" :model-value="local" @update:model-value="askAt" />
        <button v-if="why.target?.at" type="button" class="linklike" @click="askAt('')">now</button>
      </div>
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
      <WaysTo v-if="!data.drafted && why.target?.at === undefined" :key="`${data.person.id} ${data.place}`" :person="data.person.id" :place="data.place" :held="data.rights" />
      <template v-if="data.silent.length > 0">
        <h3>Without effect here</h3>
        <ul class="silent">
          <li v-for="silent in data.silent" :key="silent.entry.id" class="quiet">
            {{ sentence(silent.entry) }} at {{ silent.entry.placeName }}: {{ silent.why }}.
          </li>
        </ul>
      </template>
    </template>
  </aside>
</template>

<style scoped>
.why {
  width: 350px;
  flex: none;
  border-left: 2px solid rgb(var(--v-theme-on-background));
  background: rgb(var(--v-theme-surface));
  padding: 10px 16px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.subject {
  font-size: 1.1rem;
  font-weight: 600;
}
.as-of {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 0.92rem;
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
@media (max-width: 1100px) {
  .why {
    position: absolute;
    right: 0;
    top: 0;
    bottom: 0;
    z-index: 5;
    width: min(380px, 100%);
  }
}
</style>
