<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { inPage, type Part } from '@/lists/part'
import { useSession } from '@/session/useSession'
import { useNotices } from '@/common/useNotices'
import TwoSides from '@/common/TwoSides.vue'
import { counted, day, listed, moment } from '@/common/words'
import { useDraft } from '@/tray/useDraft'
import ChangeContent from './ChangeContent.vue'

const route = useRoute()
const chosen = computed(() =>
  typeof route.params.number === 'string' && route.params.number !== '' ? Number(route.params.number) : undefined,
)

const router = useRouter()
const notices = useNotices()
const { mayChange } = useSession()
const { refresh } = useDraft()
const undoing = ref(false)
const left = ref<Schemas['LeftAlone'][]>([])
watch(chosen, () => (left.value = []))
const fetchLeft = inPage(
  () => left.value,
  (one) => `${one.thing} ${one.why}`,
  { thing: (one) => one.thing, why: (one) => one.why },
)
const LEFT = [
  { title: 'What', width: '1fr', sort: 'thing' },
  { title: 'Why', width: '1fr', sort: 'why' },
]

/** Makes a draft that turns the change back; what has been altered again since is named, not overwritten. */
async function undo() {
  undoing.value = true
  try {
    const reversed = await answer(
      api.POST('/api/journal/{number}/reversal', { params: { path: { number: chosen.value! } } }),
    )
    await refresh()
    left.value = reversed.left
    if (reversed.left.length === 0) await router.push({ name: 'rehearsal' })
  } catch (error) {
    notices.fail(error)
  } finally {
    undoing.value = false
  }
}

/** Only the changes of one thing, if the address says so. */
const thing = computed(() => (typeof route.query.thing === 'string' ? route.query.thing : undefined))
const thingName = computed(() => (typeof route.query.name === 'string' ? route.query.name : 'one thing'))
const fetchChanges = (part: Part) => answer(api.GET('/api/journal', { params: { query: { ...part, thing: thing.value } } }))
const change = useQuery({
  queryKey: computed(() => ['journal', 'change', chosen.value]),
  enabled: computed(() => chosen.value !== undefined),
  queryFn: () =>
    answer(api.GET('/api/journal/{number}', { params: { path: { number: chosen.value! }, query: { limit: 1 } } })),
})
/** What the change did: between the moment before it and its own. */
const effect = useQuery({
  queryKey: computed(() => ['journal', 'effect', chosen.value]),
  enabled: computed(() => change.data.value !== undefined && change.data.value.change.number > 1),
  queryFn: () => {
    const { at } = change.data.value!.change
    return answer(api.GET('/api/journal/between', { params: { query: { from: new Date(Date.parse(at) - 1).toISOString(), until: at, limit: 1 } } }))
  },
})
</script>

<template>
  <TwoSides list="Changes" chosen="The change" width="52%">
    <template #head>
      <h1>Journal</h1>
      <div id="find-here" class="find-here"></div>
      <p v-if="thing !== undefined" class="mark">
        Only what altered {{ thingName }} <router-link :to="{ name: 'journal', params: route.params }">show all</router-link>
      </p>
      <router-link :to="{ name: 'between' }">Between two days</router-link>
      <router-link :to="{ name: 'contents' }">New content</router-link>
    </template>
    <template #list>
      <div class="sheet fills">
        <PagedList
          label="Changes, newest first"
          find="Find a note, a name, a number"
          find-in="#find-here"
          :query-key="['journal', 'list', thing ?? 'all']"
          :fetch="fetchChanges"
          :columns="[
            { title: 'No.', width: '40px', sort: 'number' },
            { title: 'Change', width: '1fr' },
            { title: 'By', width: '104px' },
            { title: 'On', width: '92px' },
          ]"
          empty="Nothing has been put in force yet."
        >
          <template #row="{ item }">
            <div role="cell" class="number">{{ item.number }}</div>
            <div role="cell" class="change" :data-chosen="item.number === chosen" :title="item.note">
              <router-link :to="{ name: 'journal', params: { number: item.number }, query: route.query }">{{ item.note }}</router-link>
            </div>
            <div role="cell" class="quiet">{{ item.author }}</div>
            <div role="cell" class="quiet" :title="moment(item.at)">{{ day(item.at) }}</div>
          </template>
        </PagedList>
      </div>
    </template>
    <p v-if="chosen === undefined" class="quiet hint">
      Choose a change to see exactly what it altered, before and after.
    </p>
    <p v-else-if="change.isError.value" class="fault" role="alert">{{ change.error.value?.message }}</p>
    <div v-else-if="change.data.value" class="change-made">
      <div class="change-head">
        <h2>Change {{ change.data.value.change.number }}: {{ change.data.value.change.note }}</h2>
        <v-btn v-if="mayChange && chosen > 1" size="small" :loading="undoing" @click="undo">Undo …</v-btn>
      </div>
      <div v-if="left.length > 0" class="caution" role="status">
        <p>The draft that turns it back is in your hand. It leaves these alone:</p>
        <PagedList
          grows
          label="What the draft leaves alone"
          find="Find a thing"
          :query-key="['left', chosen, left.length]"
          :fetch="fetchLeft"
          :columns="LEFT"
          :row-height="34"
          :at-most="4"
          empty="Nothing."
        >
          <template #row="{ item: one }">
            <div role="cell">{{ one.thing }}</div>
            <div role="cell">{{ one.why }}</div>
          </template>
        </PagedList>
        <router-link :to="{ name: 'rehearsal' }">Open its rehearsal</router-link>
      </div>
      <p class="quiet">
        {{ change.data.value.change.origin === 'import' ? 'Brought in' : 'Put in force' }} by
        {{ change.data.value.change.author }}, {{ moment(change.data.value.change.at) }}.
        <template v-if="change.data.value.change.scheduledFor"> It had been scheduled for {{ moment(change.data.value.change.scheduledFor) }}.</template>
        <template v-if="change.data.value.approvals.length > 0"> Approved by {{ listed(change.data.value.approvals.map((one) => `${one.name} (${moment(one.at)})`)) }}.</template>
        {{ change.data.value.altered.total }} {{ change.data.value.altered.total === 1 ? 'thing' : 'things' }} altered.
      </p>
      <p v-if="effect.data.value" class="effect">
        <span class="gain">{{ counted(effect.data.value.totals.peopleGaining, 'person gained', 'people gained') }}</span>,
        <span class="lose">{{ counted(effect.data.value.totals.peopleLosing, 'person lost', 'people lost') }}</span> something, at {{ counted(effect.data.value.totals.places, 'place') }}.
        <router-link v-if="effect.data.value.totals.places > 0" :to="{ name: 'between', query: { change: chosen, from: effect.data.value.from, until: effect.data.value.until } }">Who, and where</router-link>
      </p>
      <div class="sheet altered"><ChangeContent :key="chosen" :number="chosen" /></div>
    </div>
    <p v-else role="status">Fetching the change …</p>
  </TwoSides>
</template>

<style scoped>
.change-made {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.change-head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
}
.altered {
  flex: 1;
  min-height: 200px;
}
.number {
  font-family: var(--pg-serif);
  font-weight: 600;
}
.change[data-chosen='true'] a {
  font-weight: 600;
}
</style>
