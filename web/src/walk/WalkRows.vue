<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import WhyButton from '@/common/WhyButton.vue'

/** What lies in a container, as the person has it, and beside it as somebody else has. */
const props = defineProps<{ person: string; place: string; query: Record<string, unknown>; name: string; beside: string | undefined }>()
const emit = defineEmits<{ go: [place: string] }>()
const detail = useQuery({
  queryKey: computed(() => ['walk', props.person, 'place', props.place, props.query]),
  queryFn: () => answer(api.GET('/api/walk/{person}/places/{id}', { params: { path: { person: props.person, id: props.place }, query: props.query } })),
})
const container = computed(() => ['repository', 'library', 'folder'].includes(detail.data.value?.step.kind ?? ''))
/** The container whose contents are listed: the place itself, or the one in which the document lies. */
const listed = computed(() => (detail.data.value === undefined ? undefined : container.value ? props.place : detail.data.value.path.slice(-2)[0]?.id))
const fetchSteps = (part: Part) => answer(api.GET('/api/walk/{person}/places/{id}/children', { params: { path: { person: props.person, id: listed.value! }, query: { ...part, ...props.query } } }))
const COLUMNS = computed(() => [
  { title: 'Name', width: 'minmax(150px, 1fr)', sort: 'name' },
  { title: props.beside === undefined ? 'Has' : (props.name.split(' ')[0] ?? 'Has'), width: '112px' },
  ...(props.beside === undefined ? [] : [{ title: props.beside, width: '112px' }]),
  { title: 'Why', width: '44px', silent: true },
])
const at = computed(() => props.query.at as string | undefined)
const HIDDEN: Record<NonNullable<Schemas['WalkStep']['why']>, string> = { WALL: 'a wall', NO_RIGHT: 'no right', CONDITION: 'private', NOT_ACTIVE: 'not active' }
const differs = (step: Schemas['WalkStep']) => step.besideRights !== undefined && (step.besideRights.join() !== step.rights.join() || step.besideShown !== step.shown)
</script>

<template>
  <div class="rows">
    <p v-if="detail.isError.value" class="fault" role="alert">{{ detail.error.value?.message }}</p>
    <nav v-if="detail.data.value" aria-label="Where they are">
      <template v-for="(post, i) in detail.data.value.path" :key="post.id">
        <span v-if="i > 0" aria-hidden="true"> / </span>
        <a href="#" :aria-current="post.id === place ? 'page' : undefined" @click.prevent="emit('go', post.id)">{{ post.name }}</a>
      </template>
    </nav>
    <div class="sheet list">
      <PagedList v-if="listed" :label="`What ${name} has here`" find="Find here" :query-key="['walk', person, 'children', listed, query]" :fetch="fetchSteps" :columns="COLUMNS" :empty="`Nothing in here shows to ${name}.`">
        <template #row="{ item: step }">
          <div role="cell" :class="{ gone: step.shown === 'HIDDEN' }" :data-chosen="step.id === place">
            <button type="button" class="linklike row-name" @click="emit('go', step.id)">{{ step.name }}</button>
            <span v-if="step.why" class="mark warn">hidden: {{ HIDDEN[step.why] }}</span>
            <span v-for="mark in step.conditions" :key="mark" class="mark">{{ mark }}</span>
          </div>
          <div role="cell"><Paling v-if="step.shown === 'FOUND'" :rights="step.rights" /><span v-else class="quiet">{{ step.shown === 'PASSAGE' ? 'leads on' : 'nothing' }}</span></div>
          <div v-if="beside !== undefined" role="cell" :class="{ differs: differs(step) }">
            <Paling v-if="step.besideShown === 'FOUND'" :rights="step.besideRights ?? []" /><span v-else class="quiet">{{ step.besideShown === 'PASSAGE' ? 'leads on' : 'nothing' }}</span>
            <span v-if="differs(step)" class="sr">, otherwise than {{ name }}</span>
          </div>
          <div role="cell"><WhyButton :person="{ id: person, name }" :place="step.id" :says="`has this at ${step.name}`" :at="at" /></div>
        </template>
      </PagedList>
    </div>
  </div>
</template>

<style scoped>
.rows {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.list {
  flex: 1;
  min-height: 200px;
}
.gone .row-name {
  font-style: italic;
  font-weight: 400;
}
.differs {
  border-left: 4px solid rgb(var(--v-theme-warning));
  padding-left: 6px;
}
</style>
