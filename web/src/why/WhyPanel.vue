<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import { day, listed } from '@/shell/words'
import { useWhy } from './useWhy'

const why = useWhy()
const heading = ref<HTMLElement>()

const query = useQuery({
  queryKey: computed(() => ['why', why.target]),
  enabled: computed(() => why.target !== undefined),
  queryFn: () => answer(api.GET('/api/why', { params: { query: why.target! } })),
})
const data = computed(() => query.data.value)

watch(
  () => why.target,
  () => void nextTick(() => heading.value?.focus()),
  { immediate: true },
)

function sentence(entry: Schemas['EntryView']): string {
  const narrowed = entry.types.length > 0 ? `, for ${listed(entry.types)} only` : ''
  return entry.kind === 'grant'
    ? `${entry.role} to ${entry.subjectName}${narrowed}`
    : `${listed(entry.rights)} withheld from ${entry.subjectName}${narrowed}`
}

function period(link: { from?: string; until?: string }): string {
  return (link.from ? ` from ${day(link.from)}` : '') + (link.until ? ` until ${day(link.until)}` : '')
}

function changed(step: Schemas['Step']): boolean {
  return step.before.join() !== step.after.join()
}
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
      <div class="result">
        <Paling :rights="data.rights" decorative />
        <strong>{{ data.rights.length === 0 ? 'No rights' : data.rights.length === 9 ? 'All nine rights' : listed(data.rights) }}</strong>
      </div>
      <ol class="stages">
        <li v-for="step in data.stages" :key="step.number" :data-stage="step.number" :data-changed="changed(step)">
          <div class="stage-head">
            <h3>{{ step.title }}</h3>
            <Paling v-if="step.number > 0" :rights="step.after" :withheld="step.number === 3 ? step.before.filter((right) => !step.after.includes(right)) : []" />
          </div>
          <p>{{ step.reason }}</p>
          <ul v-if="step.acting.length > 0">
            <li v-for="acting in step.acting" :key="acting.entry.id">
              <span>{{ sentence(acting.entry) }}</span>
              <span class="quiet">
                {{ acting.here ? ', here' : ', from ' }}
                <router-link v-if="!acting.here" :to="{ name: 'places', params: { id: acting.entry.place } }">{{ acting.entry.placeName }}</router-link>
                <template v-if="acting.entry.until">, until {{ day(acting.entry.until) }}</template>
              </span>
              <ul class="paths">
                <li v-for="(path, i) in acting.paths" :key="i">
                  <template v-if="path.length === 0">named directly</template>
                  <template v-else>
                    by way of
                    <template v-for="(link, k) in path" :key="link.id"
                      ><span v-if="k > 0" aria-label="inside"> → </span>{{ link.name }}<span class="quiet">{{ period(link) }}</span></template
                    >
                  </template>
                </li>
                <li v-if="acting.morePaths" class="quiet">and by more chains than are listed</li>
              </ul>
            </li>
          </ul>
        </li>
      </ol>
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
  width: 380px;
  flex: none;
  border-left: 2px solid rgb(var(--v-theme-on-background));
  background: rgb(var(--v-theme-surface));
  padding: 16px 18px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.top,
.stage-head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
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
ul,
ol {
  list-style: none;
}
.stages {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.stages > li {
  border-left: 3px solid var(--pg-line);
  padding-left: 12px;
}
.stages > li[data-changed='true'] {
  border-left-color: rgb(var(--v-theme-primary));
}
.stages h3 {
  text-transform: capitalize;
}
.stages ul {
  margin: 6px 0 0;
}
.stages > li > ul > li {
  padding: 4px 0;
}
.paths {
  padding-left: 14px;
  font-size: 0.95rem;
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
    top: 52px;
    bottom: 0;
    z-index: 5;
    width: min(380px, 100%);
  }
}
</style>
