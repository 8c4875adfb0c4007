<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import DraftedMark from '@/common/DraftedMark.vue'
import MenuButton from '@/common/MenuButton.vue'
import PageDialog from '@/common/PageDialog.vue'
import { counted, listed } from '@/common/words'
import HistoryLink from '@/session/HistoryLink.vue'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'
import { changeOf, heldBetween, ODD, stateOf } from './wall'
import WallChanges from './WallChanges.vue'
import WallContact from './WallContact.vue'
import WallExceptions from './WallExceptions.vue'
import WallForm from './WallForm.vue'
import WallGaps from './WallGaps.vue'
import WallInside from './WallInside.vue'
import WallNotices from './WallNotices.vue'
import WallPeople from './WallPeople.vue'
import WallProofs from './WallProofs.vue'
import WallTies from './WallTies.vue'

const props = defineProps<{ id: string }>()
const changing = defineModel<boolean>('changing', { required: true })
const route = useRoute()
const router = useRouter()
const { may } = useSession()
const { draftAt, busy } = useDrafting()
const query = useQuery({
  queryKey: computed(() => ['walls', 'one', props.id]),
  queryFn: () => answer(api.GET('/api/walls/{id}', { params: { path: { id: props.id } } })),
})
const wall = computed(() => query.data.value)
const register = useQuery({ queryKey: ['walls'], queryFn: () => answer(api.GET('/api/walls')) })
const line = computed(() => register.data.value?.find((one) => one.id === props.id))
const gaps = useQuery({
  queryKey: computed(() => ['walls', 'gaps', props.id]),
  queryFn: () => answer(api.GET('/api/walls/{id}/gaps', { params: { path: { id: props.id } } })),
})
const open = computed(() => (gaps.data.value?.gaps ?? []).filter((gap) => gap.dismissed === undefined).length)

const VIEWS = computed(() => [
  { view: 'inside', title: 'Inside' },
  { view: 'barred', title: 'Kept out' },
  { view: 'admitted', title: 'Let in' },
  { view: 'contact', title: 'Contact' },
  { view: 'ties', title: 'Conflicts' },
  { view: 'gaps', title: open.value > 0 ? `Gaps (${open.value})` : 'Gaps' },
  { view: 'exceptions', title: 'Exceptions' },
  { view: 'proofs', title: 'Proofs' },
  { view: 'notices', title: 'Notices' },
])
const view = computed({
  get: () => (VIEWS.value.some((one) => one.view === route.query.view) ? String(route.query.view) : 'inside'),
  set: (to) => void router.replace({ query: { ...route.query, view: to } }),
})
const asking = ref<Schemas['WallView']['state']>()

/** Whom it keeps out of what, in a sentence. */
function words(side: Schemas['SideView']): string {
  return listed(side.subjects.map((one) => one.name))
}
function asks(side: Schemas['SideView']): string {
  const labels = Object.entries(side.labels).map(([key, values]) => `${key} is ${values.join(' or ')}`)
  return [
    side.placesNamed.length > 0 ? `in ${listed(side.placesNamed.map((place) => place.path))}` : '',
    side.typesNamed.length > 0 ? `of the type ${side.typesNamed.map((type) => type.name).join(' or ')}` : '',
    labels.length > 0 ? `whose ${labels.join(' and ')}` : '',
  ]
    .filter(Boolean)
    .join(' ')
}
function sentence(one: Schemas['WallView']): string {
  const side = one.sides[0]!
  if (one.kind === 'screen') return `Keeps ${words(side)} out of everything ${asks(side)}.`
  if (one.kind === 'seal') return `Keeps everybody but ${words(side)} out of everything ${asks(side)}.`
  if (one.kind === 'confine') return `Keeps ${words(side)} out of everything but what lies ${asks(side)}.`
  return `Keeps ${listed(one.sides.map((each) => `“${each.name}”`))} out of each other’s papers.`
}
const odd = computed(() =>
  (wall.value?.sides ?? []).flatMap((side) =>
    side.coverage.oddities.map((oddity) => (side.name === undefined ? ODD[oddity] : `${side.name}: ${ODD[oddity]}`)),
  ),
)

async function put(state: Schemas['WallView']['state']) {
  if (wall.value !== undefined && (await draftAt([changeOf(wall.value, { state })]))) asking.value = undefined
}
const entries = computed(() => {
  const one = wall.value
  if (one === undefined) return []
  return [
    { title: 'Change it …', run: () => (changing.value = true) },
    ...(one.state === 'LIFTED' ? [] : [{ title: 'Lift it …', run: () => (asking.value = 'LIFTED') }]),
    ...(one.state === 'STANDING' ? [] : [{ title: 'Raise it …', run: () => (asking.value = 'STANDING') }]),
  ]
})
</script>

<template>
  <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
  <p v-else-if="wall === undefined" role="status">Fetching the wall …</p>
  <WallForm v-else-if="changing" :wall="wall" @done="changing = false" @cancel="changing = false" />
  <div v-else class="wall">
    <div class="detail-title">
      <div class="about">
        <h2>
          {{ wall.name }} <span class="mark">{{ wall.kind }}</span><span class="mark" :class="{ warn: !wall.bars }">{{
            stateOf(wall)
          }}</span>
          <DraftedMark :drafted="wall.drafted" />
        </h2>
        <p>
          {{ sentence(wall) }} <span class="quiet">Held {{ heldBetween(wall) }}.</span>{{ ' ' }}
          <HistoryLink :id="wall.id" kind="wall" :name="wall.name" />
        </p>
        <p v-if="wall.reason" class="quiet">Why: {{ wall.reason }}</p>
        <WallChanges :id="wall.id" />
      </div>
      <div v-if="may('walls')" class="detail-acts">
        <v-btn size="small" @click="changing = true">Change</v-btn>
        <MenuButton title="More" :label="`More to do with ${wall.name}`" :entries="entries" />
      </div>
    </div>
    <p v-if="wall.barsYou" class="caution" role="status">
      {{
        wall.drafted === 'NO'
          ? 'This wall keeps you out: you see whom it names and what it asks for, and not what lies behind it.'
          : 'Once this is in force, the wall keeps you out: you will see whom it names, and nothing of what lies behind it.'
      }}
    </p>
    <p v-for="one in odd" v-else :key="one" class="caution" role="status">{{ one }}</p>
    <p v-if="line" class="counts">
      Covers
      <button type="button" class="linklike" @click="view = 'inside'">{{ counted(line.documents, 'document') }}</button>
      in {{ counted(line.places, 'place') }}, keeps out
      <button type="button" class="linklike" @click="view = 'barred'">
        {{ counted(line.people, 'person', 'people') }}</button>: {{ counted(line.pairs, 'pair') }} of a person and a
      place.
      <button v-if="line.conflicts > 0" type="button" class="linklike warn" @click="view = 'ties'">
        {{ counted(line.conflicts, 'person is', 'people are') }} on both sides.
      </button>
    </p>
    <div class="segments" role="group" aria-label="What to show of the wall">
      <button
        v-for="one in VIEWS"
        :key="one.view"
        type="button"
        :aria-pressed="view === one.view"
        @click="view = one.view"
      >
        {{ one.title }}
      </button>
    </div>
    <div class="body" :class="{ sheet: ['barred', 'admitted', 'contact'].includes(view) }">
      <WallInside v-if="view === 'inside'" :wall="wall" />
      <WallContact v-else-if="view === 'contact'" :id="id" :version="query.dataUpdatedAt.value" />
      <WallPeople
        v-else-if="view === 'barred' || view === 'admitted'"
        :id="id"
        :key="view"
        :view="view"
        :bars="wall.bars"
        :version="query.dataUpdatedAt.value"
      />
      <WallTies v-else-if="view === 'ties'" :wall="wall" />
      <WallGaps
        v-else-if="view === 'gaps'"
        :id="id"
        :gaps="gaps.data.value?.gaps"
        :more="gaps.data.value?.more ?? 0"
        :not-searched="gaps.data.value?.notSearched ?? 0"
        :cut="gaps.data.value?.cut ?? false"
        :kind="wall.kind"
      />
      <WallExceptions v-else-if="view === 'exceptions'" :wall="wall" />
      <WallNotices v-else-if="view === 'notices'" :id="id" :name="wall.name" :drafted="wall.drafted" />
      <WallProofs v-else :id="id" :name="wall.name" :drafted="wall.drafted" />
    </div>
    <PageDialog
      :model-value="asking !== undefined"
      max-width="480"
      aria-labelledby="lift-title"
      @update:model-value="asking = undefined"
    >
      <form class="sheet pg-dialog" @submit.prevent="put(asking!)">
        <h2 id="lift-title">{{ asking === 'LIFTED' ? 'Lift' : 'Raise' }} {{ wall.name }}</h2>
        <p v-if="asking === 'LIFTED'">
          {{
            wall.bars
              ? 'Whoever it keeps out then has again what the access lists give them.'
              : 'It keeps nobody out now.'
          }}
          The wall stays in the register, with its history. The tray says who gains by it before anything happens.
        </p>
        <p v-else>
          It stands at the next request of everybody whom it keeps out: nobody has to sign out. The tray says who loses
          what before anything happens.
        </p>
        <div class="actions">
          <v-btn @click="asking = undefined">Cancel</v-btn>
          <v-btn type="submit" class="is-main" :loading="busy">Add to the draft</v-btn>
        </div>
      </form>
    </PageDialog>
  </div>
</template>

<style scoped>
.wall {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.about {
  display: flex;
  flex-direction: column;
  gap: 3px;
}
.segments {
  align-self: flex-start;
  flex-wrap: wrap;
}
.body {
  flex: 1;
  min-height: 220px;
  overflow: auto;
}
</style>
