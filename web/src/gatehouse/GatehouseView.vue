<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { counted, moment } from '@/common/words'
import { useSession } from '@/session/useSession'
import FiguresOverTime from './FiguresOverTime.vue'
import {
  datedLink,
  datedWords,
  inOrder,
  ofDrafts,
  ofFindings,
  ofMine,
  ofProofs,
  ofReviews,
  ofRounds,
  ofWalls,
  wallWords,
} from './gatehouse'

/** The first screen of a day: what needs somebody, what is new, what ends soon. */
const { rooms } = useSession()
const router = useRouter()
const has = (room: string) => computed(() => rooms.value.includes(room))
const queries = useQueryClient()
const gate = useQuery({ queryKey: ['gatehouse'], queryFn: () => answer(api.GET('/api/gatehouse')) })
const findings = useQuery({
  queryKey: ['findings', 'head'],
  queryFn: () => answer(api.GET('/api/findings', { params: { query: { limit: 1 } } })),
  enabled: has('findings'),
})
const drafts = useQuery({
  queryKey: ['drafts'],
  queryFn: () => answer(api.GET('/api/drafts')),
  enabled: computed(() => rooms.value.length > 1),
})
const reviews = useQuery({
  queryKey: ['reviews'],
  queryFn: () => answer(api.GET('/api/reviews')),
  enabled: has('reviews'),
})
const rounds = useQuery({
  queryKey: ['rounds', 'gatehouse'],
  queryFn: () => answer(api.GET('/api/rounds')),
  enabled: has('rounds'),
})
const walls = useQuery({ queryKey: ['walls'], queryFn: () => answer(api.GET('/api/walls')), enabled: has('walls') })
const lines = computed(() =>
  inOrder([
    ...ofProofs(gate.data.value?.proofs ?? []),
    ...ofDrafts(drafts.data.value ?? []),
    ...ofReviews(reviews.data.value ?? []),
    ...ofRounds(rounds.data.value?.rounds ?? []),
    ...ofWalls(walls.data.value ?? []),
    ...ofMine(findings.data.value?.mine ?? 0),
    ...ofFindings(findings.data.value?.rules ?? []),
  ]),
)
const standing = computed(() => (walls.data.value ?? []).filter((wall) => wall.state !== 'LIFTED'))
/** Whatever lines come from: nothing is called calm before all of it has been asked. */
const asked = [findings, drafts, reviews, rounds, walls]
const looking = computed(() => asked.some((one) => one.isLoading.value))
const faults = computed(() => asked.flatMap((one) => (one.isError.value ? [one.error.value!.message] : [])))
const fault = ref('')
async function seen() {
  fault.value = ''
  try {
    await answer(
      api.POST('/api/gatehouse/visit', { body: { change: gate.data.value!.change, now: gate.data.value!.now } }),
    )
    await queries.invalidateQueries({ queryKey: ['gatehouse'] })
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error)
  }
}
const isNew = computed(() => (gate.data.value?.changes.length ?? 0) + (gate.data.value?.passed.length ?? 0) > 0)
</script>

<template>
  <div class="room">
    <h1>Gatehouse</h1>
    <div class="sides">
      <section class="sheet" aria-labelledby="attention-title">
        <h2 id="attention-title">Needs attention</h2>
        <p v-if="looking" class="quiet" role="status">Looking through everything …</p>
        <p v-for="one in faults" :key="one" class="fault" role="alert">{{ one }}</p>
        <p v-if="lines.length === 0 && !looking && faults.length === 0" class="quiet">Nothing needs you today.</p>
        <ul v-else class="lines">
          <li v-for="(line, i) in lines" :key="i">
            <span class="grade" :class="line.tone">{{ line.grade }}</span>
            <span class="words" :title="line.words">{{ line.words }}</span>
            <router-link :to="line.to" :aria-label="`${line.step}: ${line.words}`">{{ line.step }}</router-link>
          </li>
        </ul>
      </section>
      <div class="column">
        <section class="sheet" aria-labelledby="new-title">
          <div class="bar">
            <h2 id="new-title">New</h2>
            <span v-if="gate.data.value" class="quiet">since {{ moment(gate.data.value.since) }}</span>
            <v-btn v-if="isNew" size="small" @click="seen">I have seen this</v-btn>
          </div>
          <p v-if="gate.isError.value" class="fault" role="alert">{{ gate.error.value?.message }}</p>
          <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
          <template v-if="gate.data.value">
            <p v-if="!isNew" class="quiet">
              Nobody else has changed anything, and nothing has begun or ended by its date.
            </p>
            <ul class="plain">
              <li v-for="change in gate.data.value.changes" :key="change.number">
                <router-link :to="{ name: 'journal', params: { number: change.number } }"
                  >Change {{ change.number }}</router-link
                >
                {{ change.author }}: {{ change.note }}
              </li>
              <li v-if="gate.data.value.more > 0">
                <router-link :to="{ name: 'journal' }"
                  >{{ gate.data.value.orMore ? 'at least ' : ''
                  }}{{ counted(gate.data.value.more, 'more change') }}</router-link
                >
              </li>
              <li v-for="(thing, i) in gate.data.value.passed" :key="`passed-${i}`">
                <router-link :to="datedLink(thing)">{{ datedWords(thing, false) }}</router-link>
              </li>
              <li v-if="gate.data.value.morePassed > 0" class="quiet">
                {{ counted(gate.data.value.morePassed, 'more thing has', 'more things have') }} begun or ended by date
              </li>
            </ul>
          </template>
        </section>
        <section class="sheet" aria-labelledby="ends-title">
          <h2 id="ends-title">Ends within a week</h2>
          <template v-if="gate.data.value">
            <p v-if="gate.data.value.ends.length === 0" class="quiet">Nothing.</p>
            <ul class="plain">
              <li v-for="(thing, i) in gate.data.value.ends" :key="i">
                <router-link :to="datedLink(thing)">{{ datedWords(thing, true) }}</router-link>
              </li>
              <li v-if="gate.data.value.moreEnds > 0" class="quiet">
                and {{ counted(gate.data.value.moreEnds, 'more') }}
              </li>
            </ul>
          </template>
        </section>
        <section v-if="standing.length > 0" class="sheet" aria-labelledby="walls-title">
          <h2 id="walls-title">Walls</h2>
          <ul class="plain">
            <li v-for="wall in standing" :key="wall.id">
              <router-link :to="{ name: 'walls', params: { id: wall.id } }">{{ wall.name }}</router-link><span
                class="quiet"
                >: {{ wallWords(wall) }}</span
              >
            </li>
          </ul>
        </section>
      </div>
    </div>
    <FiguresOverTime
      v-if="gate.data.value"
      :change="gate.data.value.change"
      @between="(days) => router.push({ name: 'between', query: { days } })"
    />
  </div>
</template>

<style scoped>
.room {
  height: 100%;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 8px 16px 12px;
}
.sides {
  flex: 1 0 auto;
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 12px;
}
.column {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.sheet {
  padding: 10px 14px;
}
.bar {
  display: flex;
  align-items: center;
  gap: 10px;
}
.bar .v-btn {
  margin-left: auto;
}
.lines,
.plain {
  list-style: none;
}
.lines li {
  display: grid;
  grid-template-columns: 66px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: baseline;
  line-height: 25px;
  border-bottom: 1px solid var(--pg-line);
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.plain li {
  line-height: 24px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
@media (max-width: 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
