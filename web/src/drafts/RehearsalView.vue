<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { RIGHTS } from '@/paling/rights'
import GroupPicker from '@/people/GroupPicker.vue'
import { counted, moment, number } from '@/common/words'
import { useDraft } from '@/tray/useDraft'
import WallWatchNotices from '@/tray/WallWatchNotices.vue'
import DraftChanges from './DraftChanges.vue'
import DutyShifts from '@/duties/DutyShifts.vue'
import PutInForceForm from './PutInForceForm.vue'
import RehearsalLists from './RehearsalLists.vue'

const route = useRoute()
const router = useRouter()
const { draft, remove, reorder } = useDraft()

const state = computed(() => `${draft.value?.change}-${draft.value?.version}`)
const rehearsal = useQuery({
  queryKey: computed(() => ['rehearsal', 'summary', state.value]),
  queryFn: () => answer(api.GET('/api/draft/rehearsal')),
})

const view = computed(() => {
  const wanted = String(route.query.view ?? 'people')
  return wanted === 'changes' ? 'people' : wanted
})
const show = computed(() => String(route.query.show ?? 'ALL'))
const instant = ref(0)
const group = ref<Schemas['GroupLine']>()
const right = ref<string | null>()
const outsidersOnly = ref(false)
const narrowed = ref<{ person?: string; place?: string; name: string }>()
const narrowable = computed(() => VIEWS.some((one) => one.view === view.value))
const at = computed(() => rehearsal.data.value?.instants[instant.value])
const empty = computed(() => draft.value !== undefined && draft.value.items.length === 0)

watch(state, () => (instant.value = 0))

const VIEWS = [
  { view: 'people', title: 'People' },
  { view: 'places', title: 'Places' },
  { view: 'documents', title: 'Documents' },
  { view: 'pairs', title: 'Each person at each place' },
]
const SHOWN = [
  { show: 'ALL', title: 'All' },
  { show: 'GAINS', title: 'Gains' },
  { show: 'LOSSES', title: 'Losses' },
  { show: 'OUTSIDERS', title: 'Outsiders’ gains' },
]

function turnTo(wanted: string, shown = 'ALL') {
  narrowed.value = undefined
  void router.replace({ name: 'rehearsal', query: { view: wanted, show: shown } })
}

function narrow(to: { person?: string; place?: string; name: string }) {
  turnTo('pairs', show.value)
  narrowed.value = to
}

function rights(counts: Record<string, number>): string {
  return Object.entries(counts)
    .map(([right, pairs]) => `${right} ${number(pairs)}`)
    .join(' · ')
}
</script>

<template>
  <div v-if="empty" class="nothing">
    <h1>Rehearsal</h1>
    <p>
      There is nothing in your draft. Go to <router-link :to="{ name: 'places' }">a place</router-link>, add or remove an entry, break or rejoin it: what that would do is
      then worked out here, for everybody and everywhere, before anything happens.
    </p>
  </div>
  <div v-else-if="draft" class="rehearsal">
    <section class="left sheet" aria-label="The draft">
      <h1>Rehearsal</h1>
      <p class="named">
        <router-link :to="{ name: 'drafts', params: { id: draft.id ?? '' } }">{{ draft.name }}</router-link> · <a href="/api/draft/rehearsal/file" download>as a file</a>
      </p>
      <DraftChanges :items="draft.items" :without-effect="rehearsal.data.value?.withoutEffect ?? []" @remove="remove.mutate($event)" @order="reorder.mutate($event)" />
      <PutInForceForm :draft="draft" />
    </section>
    <section class="right" aria-label="What it would do">
      <div class="summary">
        <div v-if="(rehearsal.data.value?.instants.length ?? 0) > 1" class="segments" role="group" aria-label="When">
          <button v-for="(one, i) in rehearsal.data.value!.instants" :key="one.instant" type="button" :aria-pressed="instant === i" @click="instant = i">
            {{ i === 0 ? 'Now' : moment(one.instant) }}
          </button>
        </div>
        <p v-if="at && at.totals.places === 0">Nothing changes for anybody {{ instant === 0 ? 'now' : 'from then on' }}.</p>
        <template v-else-if="at">
          <p>
            <span class="gain">{{ counted(at.totals.peopleGaining, 'person gains', 'people gain') }}</span> and
            <span class="lose">{{ counted(at.totals.peopleLosing, 'person loses', 'people lose') }}</span> something at {{ counted(at.totals.places, 'place') }},
            {{ counted(at.totals.documents, 'document') }} among them.
          </p>
          <p v-if="at.totals.pairsGaining > 0" class="quiet">Gained, person by place: {{ rights(at.gainedByRight) }}</p>
          <p v-if="at.totals.pairsLosing > 0" class="quiet">Lost, person by place: {{ rights(at.lostByRight) }}</p>
        </template>
        <p v-else role="status">Rehearsing …</p>
      </div>
      <DutyShifts :state="state" />
      <div class="bar">
        <div class="segments" role="group" aria-label="List">
          <button v-for="one in VIEWS" :key="one.view" type="button" :aria-pressed="view === one.view" @click="turnTo(one.view, show)">{{ one.title }}</button>
          <button v-if="draft.lockOuts > 0" type="button" :aria-pressed="view === 'lock-outs'" @click="turnTo('lock-outs')">Without a keeper</button>
          <button v-if="draft.authorLosesGovern > 0" type="button" :aria-pressed="view === 'own-losses'" @click="turnTo('own-losses')">Your own losses</button>
        </div>
        <div v-if="narrowable" class="segments" role="group" aria-label="Show">
          <button v-for="one in SHOWN" :key="one.show" type="button" :aria-pressed="show === one.show" @click="turnTo(view, one.show)">{{ one.title }}</button>
        </div>
      </div>
      <div v-if="narrowable" class="filters">
        <GroupPicker v-model="group" label="Only people of a group" />
        <v-select v-model="right" :items="[...RIGHTS]" label="Only this right" clearable hide-details />
        <v-checkbox v-model="outsidersOnly" label="Outsiders only" hide-details />
      </div>
      <p v-for="conflict in rehearsal.data.value?.wallConflicts ?? []" :key="conflict.person.id + conflict.wall" class="caution">
        {{ conflict.person.name }} would be on {{ conflict.sides.length }} sides of the wall {{ conflict.wall }}: {{ conflict.sides.join(' and ') }}.
      </p>
      <p v-for="one in rehearsal.data.value?.separationsBroken ?? []" :key="one.person.id + one.separation" class="caution">
        {{ one.person.name }} would hold together what “{{ one.separation }}” keeps apart<template v-if="one.place">, at {{ one.place }}<template v-if="one.places > 1"> and {{ counted(one.places - 1, 'other place') }}</template></template
        >.
      </p>
      <p v-if="(rehearsal.data.value?.separationsInAll ?? 0) > (rehearsal.data.value?.separationsBroken.length ?? 0)" class="caution">
        And {{ counted(rehearsal.data.value!.separationsInAll - rehearsal.data.value!.separationsBroken.length, 'other') }}.
      </p>
      <p v-for="odd in rehearsal.data.value?.oddWalls ?? []" :key="odd.wall" class="caution">The wall {{ odd.wall }} {{ odd.what }}.</p>
      <WallWatchNotices />
      <p v-if="narrowed">
        Only {{ narrowed.name }}. <button type="button" class="linklike" @click="narrowed = undefined">Show all</button>
      </p>
      <div class="sheet list">
        <RehearsalLists
          :view="view"
          :show="show"
          :instant="instant"
          :person="narrowed?.person"
          :place="narrowed?.place"
          :group="group?.id"
          :right="right ?? undefined"
          :outsiders-only="outsidersOnly"
          :state="state"
          @person="(id, name) => narrow({ person: id, name })"
          @place="(id, name) => narrow({ place: id, name })"
        />
      </div>
    </section>
  </div>
  <p v-else class="nothing" role="status">Fetching your draft …</p>
</template>

<style scoped>
.nothing {
  padding: 32px;
  max-width: 44em;
}
.nothing h1 {
  margin-bottom: 10px;
}
.rehearsal {
  height: 100%;
  display: flex;
  gap: 18px;
  padding: 16px 20px;
}
.left {
  width: 320px;
  flex: none;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.left h1 {
  padding: 14px 14px 2px;
}
.named {
  padding: 0 14px 6px;
}
.filters {
  display: grid;
  grid-template-columns: 1fr 200px auto;
  gap: 12px;
  align-items: center;
}
.right {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.summary {
  display: flex;
  flex-direction: column;
  gap: 4px;
  align-items: flex-start;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
}
.list {
  flex: 1;
  min-height: 200px;
}
@media (max-width: 900px) {
  .rehearsal {
    flex-direction: column;
    overflow: auto;
    height: 100%;
  }
  .left {
    width: auto;
  }
  .list {
    flex: none;
  }
}
</style>
