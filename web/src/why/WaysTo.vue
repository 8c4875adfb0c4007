<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { CLUSTERS } from '@/paling/rights'
import { useSession } from '@/session/useSession'
import { useNotices } from '@/common/useNotices'
import { counted } from '@/common/words'
import { useDraft } from '@/tray/useDraft'

const props = defineProps<{
  /** The person's id. */
  person: string
  /** The place's id. */
  place: string
  /** The rights that the person has there now. */
  held: readonly string[]
}>()

const { mayChange } = useSession()
const { add } = useDraft()
const notices = useNotices()
const right = ref<string>()
const RIGHTS = CLUSTERS.flat()

const query = useQuery({
  queryKey: computed(() => ['why', 'ways', props.person, props.place, right.value]),
  enabled: computed(() => right.value !== undefined),
  queryFn: () => answer(api.GET('/api/why/ways', { params: { query: { person: props.person, place: props.place, right: right.value! } } })),
})
const takes = computed(() => right.value !== undefined && props.held.includes(right.value))

function sideEffects(way: Schemas['Way']): string {
  const parts = [
    way.otherPairs === 0
      ? 'touches nobody and nothing else'
      : way.otherPeople === 0
        ? `also changes what the same person has at ${counted(way.otherPairs, 'other place')}`
        : `also changes ${counted(way.otherPeople, 'other person', 'other people')}, ${counted(way.otherPairs, 'person at a place', 'people at places')} in all`,
  ]
  if (way.documents > 1) parts.push(counted(way.documents, 'document'))
  if (way.lockOuts > 0) parts.push(`${counted(way.lockOuts, 'place')} left without a keeper`)
  return parts.join(' · ')
}

async function draft(way: Schemas['Way']) {
  try {
    for (const change of way.changes) await add.mutateAsync(change)
    notices.say('It is in your draft. Nothing holds yet.')
  } catch (fault) {
    notices.fail(fault as Error)
  }
}
</script>

<template>
  <section class="ways" aria-labelledby="ways-title">
    <h3 id="ways-title">What would it take</h3>
    <p class="quiet">Choose a right: to give what is missing, or to take what is there.</p>
    <div class="rights" role="group" aria-label="Right">
      <button v-for="one in RIGHTS" :key="one" type="button" :aria-pressed="right === one" :data-held="held.includes(one)" @click="right = one">
        {{ held.includes(one) ? '−' : '+' }} {{ one }}
      </button>
    </div>
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="right && query.data.value === undefined" role="status">Trying ways out …</p>
    <template v-else-if="query.data.value">
      <p v-if="query.data.value.impossible" role="status">{{ query.data.value.impossible }}</p>
      <p v-else class="sr" role="status">{{ counted(query.data.value.ways.length, 'way') }} to {{ takes ? 'take' : 'give' }} {{ right }}</p>
      <ol v-if="query.data.value.ways.length > 0">
        <li v-for="way in query.data.value.ways" :key="way.words">
          <p>{{ way.words.charAt(0).toUpperCase() + way.words.slice(1) }}.</p>
          <p class="quiet">{{ sideEffects(way) }}</p>
          <button v-if="mayChange && way.changes.length > 0" type="button" class="linklike" @click="draft(way)">Put it into my draft</button>
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
.ways {
  border-top: 1px solid var(--pg-line);
  padding-top: 10px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.rights {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.rights button {
  background: rgb(var(--v-theme-surface));
  color: rgb(var(--v-theme-on-surface));
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  padding: 2px 7px;
  min-height: 24px;
}
.rights button[aria-pressed='true'] {
  background: rgb(var(--v-theme-on-background));
  color: rgb(var(--v-theme-background));
}
ol {
  list-style: none;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
</style>
