<script setup lang="ts">
import type { Schemas } from '@/api/client'
import Paling from '@/paling/Paling.vue'
import { toTheEndOf } from '@/common/dates'
import MembershipPaths from './MembershipPaths.vue'
import { before, narrowed } from './sentence'
import SubjectName from './SubjectName.vue'

defineProps<{
  /** In the order of evaluation, up to the one that ended it. */
  stages: Schemas['Step'][]
}>()

function changed(step: Schemas['Step']): boolean {
  return step.before.join() !== step.after.join()
}

/** The sentence names every guard; those with more to tell are listed. */
function telling(step: Schemas['Step']): Schemas['Guard'][] {
  return step.guards.filter((guard) => guard.reason !== undefined || guard.paths.length > 0)
}

function taken(step: Schemas['Step']): string[] {
  return step.number === 3 ? step.before.filter((right) => !step.after.includes(right)) : []
}
</script>

<template>
  <ol class="stages">
    <li v-for="step in stages" :key="step.number" :data-stage="step.number" :data-changed="changed(step)">
      <div class="stage-head">
        <h3>{{ step.title }}</h3>
        <Paling v-if="step.number === 1 && step.guards.length > 0" :rights="[]" walled />
        <Paling v-else-if="step.number > 1 && (changed(step) || step.number === 2)" :rights="step.after" :withheld="taken(step)" />
      </div>
      <p>{{ step.reason }}</p>
      <ul v-if="step.acting.length > 0">
        <li v-for="acting in step.acting" :key="acting.entry.id">
          <span>{{ before(acting.entry) }}<SubjectName :id="acting.entry.subjectId" :kind="acting.entry.subjectKind" :name="acting.entry.subjectName" />{{ narrowed(acting.entry) }}</span>
          <span class="quiet">
            {{ acting.here ? ', here' : ', from ' }}
            <router-link v-if="!acting.here" :to="{ name: 'places', params: { id: acting.entry.place } }">{{ acting.entry.placeName }}</router-link>
            <template v-if="acting.entry.until">, {{ toTheEndOf(acting.entry.until) }}</template>
          </span>
          <MembershipPaths :paths="acting.paths" :more="acting.morePaths" />
        </li>
      </ul>
      <ul v-if="telling(step).length > 0">
        <li v-for="(guard, i) in telling(step)" :key="i" :data-guard="guard.kind">
          <router-link v-if="guard.kind === 'wall' && guard.id" :to="{ name: 'walls', params: { id: guard.id } }">{{ guard.words }}</router-link>
          <span v-else>{{ guard.words }}</span>
          <p v-if="guard.reason" class="quiet">Reason: {{ guard.reason }}</p>
          <MembershipPaths v-if="guard.paths.length > 0" :paths="guard.paths" :more="guard.morePaths" />
        </li>
      </ul>
    </li>
  </ol>
</template>

<style scoped>
ol,
ul {
  list-style: none;
}
.stages {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.stages > li {
  border-left: 3px solid var(--pg-line);
  padding-left: 12px;
}
.stages > li[data-changed='true'] {
  border-left-color: rgb(var(--v-theme-primary));
}
.stage-head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.stages h3::first-letter {
  text-transform: uppercase;
}
.stages ul {
  margin: 6px 0 0;
}
.stages > li > ul > li {
  padding: 4px 0;
}
</style>
