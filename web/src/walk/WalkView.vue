<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { ProblemError } from '@/api/problem'
import DateField from '@/common/DateField.vue'
import { useNotices } from '@/common/useNotices'
import { counted, moment, number } from '@/common/words'
import Finder from '@/lists/Finder.vue'
import PersonPicker from '@/people/PersonPicker.vue'
import { useSession } from '@/session/useSession'
import WalkPanel from './WalkPanel.vue'
import WalkRows from './WalkRows.vue'
import { useWalkQuery, type Beside, type WalkState } from './useWalk'

/** The repository exactly as one person has it, in a frame that always says so; nothing can be done in it. */
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const notices = useNotices()
const { may } = useSession()
const person = computed(() => (typeof route.params.person === 'string' && route.params.person !== '' ? route.params.person : undefined))
const chosen = ref<Schemas['PersonView']>()
const reason = ref('')
const day = ref('')
const hidden = ref(false)
const beside = ref<Beside>('nothing')
const other = ref<Schemas['PersonView']>()
const besideDay = ref('')
const sought = ref<Schemas['WalkStep']>()

const state = computed<WalkState>(() => ({ person: person.value ?? '', day: day.value, drafted: false, hidden: hidden.value, beside: beside.value, besidePerson: begunBeside.value, besideDay: besideDay.value }))
/** Whoever stands beside is walked as, too: that is begun like every walk. */
const begunBeside = ref<string>()
const query = useWalkQuery(state)
const walk = useQuery({
  queryKey: computed(() => ['walk', person.value, query.value.at]),
  enabled: computed(() => person.value !== undefined),
  queryFn: () => answer(api.GET('/api/walk/{person}', { params: { path: { person: person.value! }, query: { at: query.value.at } } })),
})
const notBegun = computed(() => walk.error.value instanceof ProblemError && walk.error.value.code === 'walk-not-begun')
const name = computed(() => walk.data.value?.person.name ?? '')
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : walk.data.value?.root))

const begin = useMutation({
  mutationFn: (as: string) => answer(api.POST('/api/walk/{person}', { params: { path: { person: as } }, body: { reason: reason.value } })),
  onSuccess: async (_none, as) => {
    if (as !== person.value) await router.push({ name: 'walk', params: { person: as } })
    await client.invalidateQueries({ queryKey: ['walk'] })
  },
})
const telling = useQuery({ queryKey: ['walk-settings'], queryFn: () => answer(api.GET('/api/walk-settings')) })
const decide = useMutation({
  mutationFn: (tells: boolean) => answer(api.PUT('/api/walk-settings', { body: { tells } })),
  onError: notices.fail,
  onSettled: () => client.invalidateQueries({ queryKey: ['walk-settings'] }),
})
watch(other, async (one) => {
  begunBeside.value = undefined
  if (one === undefined || one === null) return
  try {
    await answer(api.POST('/api/walk/{person}', { params: { path: { person: one.id } }, body: { reason: `Beside ${name.value}: ${walk.data.value?.earlier[0]?.reason ?? ''}`.slice(0, 2000) } }))
    begunBeside.value = one.id
  } catch (error) {
    notices.fail(error)
  }
})
watch(person, () => {
  beside.value = 'nothing'
  other.value = undefined
  day.value = ''
})
watch(sought, (step) => {
  if (step === undefined || step === null) return
  void go(step.id)
  sought.value = undefined
})
const go = (place: string) => router.push({ name: 'walk', params: { person: person.value, id: place } })
const find = (text: string) => (text.trim() === '' ? Promise.resolve({ total: 0, items: [] }) : answer(api.GET('/api/walk/{person}/search', { params: { path: { person: person.value! }, query: { text, at: query.value.at, hidden: hidden.value } } })))
const BESIDE: { value: Beside; title: string }[] = [
  { value: 'nothing', title: 'nothing beside it' },
  { value: 'person', title: 'somebody else' },
  { value: 'day', title: 'an earlier day' },
  { value: 'draft', title: 'your draft' },
]
const besideTitle = computed(() => (beside.value === 'person' ? (other.value?.name ?? '') : beside.value === 'day' ? besideDay.value : 'with your draft'))
const compares = computed(() => (beside.value === 'person' && begunBeside.value !== undefined) || (beside.value === 'day' && query.value.besideAt !== undefined) || beside.value === 'draft')
</script>

<template>
  <div class="walk">
    <div v-if="person === undefined || notBegun" class="begin">
      <h1>Walk</h1>
      <p>See the repository exactly as one person has it, without their password: what they find, what they may do, and why not. Nothing can be done in it, and no content of a document opens.</p>
      <form class="sheet pg-dialog" @submit.prevent="begin.mutate(person ?? chosen!.id)">
        <PersonPicker v-if="person === undefined" v-model="chosen" label="As whom" />
        <v-text-field v-model="reason" label="Why, in a sentence: it is written down with the walk" maxlength="2000" />
        <v-checkbox v-if="may('system')" :model-value="telling.data.value?.tells ?? false" label="People are told by a letter when somebody walks as them" hide-details :disabled="decide.isPending.value" @update:model-value="decide.mutate($event === true)" />
        <p v-else-if="telling.data.value?.tells" class="quiet">They are told by a letter that you walk as them, and not why.</p>
        <p v-if="may('system') && telling.data.value?.by" class="quiet">Decided by {{ telling.data.value.by }}, {{ moment(telling.data.value.at!) }}.</p>
        <p v-if="begin.isError.value" class="fault" role="alert">{{ begin.error.value?.message }}</p>
        <div class="actions">
          <v-btn v-if="person" @click="router.push({ name: 'walk' })">Choose somebody else</v-btn>
          <v-btn type="submit" class="is-main" :disabled="reason.trim() === '' || (person === undefined && !chosen)" :loading="begin.isPending.value">Begin the walk</v-btn>
        </div>
      </form>
    </div>
    <p v-else-if="walk.isError.value" class="fault" role="alert">{{ walk.error.value?.message }}</p>
    <p v-else-if="walk.data.value === undefined" role="status">Setting out …</p>
    <div v-else class="frame">
      <div class="banner" role="status">
        <p>
          You see the repository as <strong>{{ name }}</strong> {{ day === '' ? 'has it now' : `had it at the end of ${day}` }}. Nothing can be done here.
          <span class="quiet">{{ counted(walk.data.value.found, 'place') }} found, of those that you may know.</span>
        </p>
        <router-link :to="{ name: 'walk' }">End the walk</router-link>
      </div>
      <div class="head">
        <h1>Walk</h1>
        <Finder v-model="sought" class="find" label="Find as they would" kind="walk" :find="find" :identify="(step) => step.id" :about="(step) => `${step.kind} · ${step.path ?? ''}`" none="They find nothing of that name." hide-details />
        <v-checkbox v-model="hidden" :label="`Also what is hidden from ${name.split(' ')[0]}`" hide-details />
        <DateField v-model="day" looks-back class="day" label="As of (empty: now)" hide-details />
        <v-select v-model="beside" class="beside" :items="BESIDE" label="Compare with" hide-details />
        <PersonPicker v-if="beside === 'person'" v-model="other" class="beside" label="Whom" hide-details />
        <DateField v-if="beside === 'day'" v-model="besideDay" looks-back class="beside" label="At the end of" />
      </div>
      <p v-if="walk.data.value.root === undefined" class="quiet">{{ name }} finds nothing in the repository that you may know.</p>
      <div v-else-if="id" class="sides">
        <section class="list" aria-label="What they have there">
          <WalkRows :person="person" :place="id" :query="query" :name="name" :beside="compares ? besideTitle : undefined" @go="go" />
        </section>
        <section class="one" aria-label="What is chosen">
          <WalkPanel :key="id" :person="person" :place="id" :query="query" :name="name" />
        </section>
      </div>
      <details v-if="walk.data.value.earlier.length > 0" class="quiet">
        <summary>{{ number(walk.data.value.earlier.length) }} of the last walks as {{ name }}</summary>
        <p v-for="one in walk.data.value.earlier" :key="one.at">{{ moment(one.at) }}, {{ one.walker }}: {{ one.reason }}</p>
      </details>
    </div>
  </div>
</template>

<style scoped>
.walk {
  height: 100%;
  padding: 8px 16px 12px;
}
.begin {
  max-width: 640px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
/* The frame that always says whose eyes these are. */
.frame {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 8px;
  border: 3px double rgb(var(--v-theme-warning));
  border-radius: 4px;
  padding: 0 12px 8px;
}
.banner {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  margin: 0 -12px;
  padding: 4px 12px;
  background: rgba(var(--v-theme-warning), 0.12);
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.find,
.day,
.beside {
  flex: 1 1 170px;
  max-width: 260px;
}
.sides {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(380px, 6fr) 5fr;
  gap: 16px;
}
.list,
.one {
  min-height: 0;
  overflow: auto;
}
@media (max-width: 900px) {
  .walk,
  .frame {
    height: auto;
  }
  .sides {
    grid-template-columns: 1fr;
  }
}
</style>
