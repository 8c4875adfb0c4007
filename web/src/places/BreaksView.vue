<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import PageDialog from '@/common/PageDialog.vue'
import ChooseRow from '@/lists/ChooseRow.vue'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import { useNotices } from '@/common/useNotices'
import { useSession } from '@/session/useSession'
import { counted, day, listed, number } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'
import PlacePicker from './PlacePicker.vue'

const route = useRoute()
const router = useRouter()
const { may } = useSession()
const notices = useNotices()
const { draftAt, busy } = useDrafting()
const root = useQuery({ queryKey: ['root'], queryFn: () => answer(api.GET('/api/repository')) })
const id = computed(() =>
  typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : root.data.value?.id,
)
const top = useQuery({
  queryKey: computed(() => ['place', id.value]),
  enabled: computed(() => id.value !== undefined),
  queryFn: () => answer(api.GET('/api/places/{id}', { params: { path: { id: id.value! } } })),
})
const sameOnly = ref(false)
const chosen = reactive(new Set<string>())

/** What the list is narrowed to by its search: what is chosen at once is what is listed. */
let looked: string | undefined
async function fetchBreaks(part: Part) {
  looked = part.text
  const page = await answer(api.GET('/api/places/{id}/breaks', { params: { path: { id: id.value! }, query: { ...part, sameOnly: sameOnly.value } } }))
  page.items.forEach((one) => entries.set(one.place, one.entries))
  return page
}
const COLUMNS = [
  { title: 'Choose', width: '26px', silent: true },
  { title: 'Place', width: '1.2fr', sort: 'place' },
  { title: 'More here', width: '120px', sort: '-more' },
  { title: 'Less here', width: '120px', sort: '-less' },
  { title: 'Depth', width: '66px', sort: '-depth' },
  { title: 'Since, by whom, why', width: '1.4fr', sort: 'since' },
]

const GROUPS = 3
/** Whom the break does what to, as rejoining would undo it. */
function words(one: Schemas['BreakView']): string {
  if (one.sameAsParent) return 'Everybody has at this place just what they would have if it followed. Below, entries for single document types may make a difference.'
  const said = one.groups.slice(0, GROUPS).map((group) => {
    const parts = [group.gained.length > 0 ? `lose ${listed(group.gained)}` : '', group.lost.length > 0 ? `gain ${listed(group.lost)}` : ''].filter((part) => part !== '')
    return `${counted(group.people, 'person', 'people')} would ${parts.join(' and ')}`
  })
  const rest = one.groups.slice(GROUPS).reduce((sum, group) => sum + group.people, 0)
  return `Rejoined, ${listed([...said, ...(rest > 0 ? [`${counted(rest, 'other')} would gain or lose something else`] : [])])}.`
}

/** How many entries each break has of its own, as far as it has been in sight. */
const entries = reactive(new Map<string, number>())
const discarded = computed(() => [...chosen].reduce((sum, place) => sum + (entries.get(place) ?? 0), 0))
const asking = ref(false)
/** As many at once as a draft takes up. */
const AT_MOST = 5000
const PART = 500
const choosing = ref(false)
async function chooseAll() {
  choosing.value = true
  try {
    const text = looked
    for (let offset = 0, total = 1, had = 0; offset < Math.min(total, AT_MOST); offset += had) {
      const page = await fetchBreaks({ offset, limit: PART, text })
      total = page.items.length === 0 ? 0 : page.total
      had = page.items.length
      page.items.filter((one) => !one.drafted && !one.rejoined).forEach((one) => chosen.add(one.place))
      if (page.total > AT_MOST && offset === 0) notices.say(`The first ${number(AT_MOST)} are chosen: a draft takes up no more at once.`)
    }
  } catch (error) {
    notices.fail(error)
  } finally {
    choosing.value = false
  }
}
async function rejoinAll() {
  if (await draftAt([...chosen].map((place) => ({ kind: 'rejoin' as const, place, below: false })))) chosen.clear()
  asking.value = false
}
function choose(found: Schemas['Found'] | undefined) {
  if (found !== undefined) void router.push({ name: 'breaks', params: { id: found.id } })
}
</script>

<template>
  <div class="breaks">
    <div class="head">
      <h1>
        Breaks{{
          top.data.value && top.data.value.place.kind !== 'repository' ? ` below ${top.data.value.place.name}` : ''
        }}
      </h1>
      <div id="find-here" class="find-here"></div>
      <PlacePicker class="below" :model-value="undefined" label="Only below a place" @update:model-value="choose" />
      <v-checkbox v-model="sameOnly" label="Only those that say what their parent says" hide-details />
      <v-btn v-if="may('access') && sameOnly" :loading="choosing" @click="chooseAll">Choose all of them</v-btn>
      <v-btn v-if="may('access') && chosen.size > 0" @click="chosen.clear()">Choose none</v-btn>
      <v-btn v-if="may('access')" class="is-main" :disabled="chosen.size === 0" :loading="busy" @click="asking = true"
        >Rejoin {{ chosen.size > 0 ? chosen.size : 'the chosen' }}</v-btn
      >
    </div>
    <p class="quiet">
      Every place that stands alone, with what that does. A break ages: what is given further up later does not reach
      it.
    </p>
    <div class="sheet list">
      <PagedList
        v-if="id"
        still
        label="Breaks"
        find="Find a place"
        find-in="#find-here"
        :query-key="['breaks', id, sameOnly]"
        :fetch="fetchBreaks"
        :columns="COLUMNS"
        :empty="
          sameOnly
            ? 'No break says just what its parent says.'
            : 'Nothing below stands alone: what is given flows all the way down.'
        "
      >
        <template #row="{ item }">
          <div role="cell">
            <ChooseRow
              v-if="may('access') && !item.drafted && !item.rejoined"
              :id="item.place"
              :chosen="chosen"
              :label="`Choose ${item.path}`"
            />
          </div>
          <div role="cell" class="named" :title="words(item)">
            <router-link :to="{ name: 'places', params: { id: item.place } }">{{ item.path }}</router-link>
            <span v-if="item.sameAsParent" class="mark warn">same as above, here</span>
            <span v-if="item.drafted" class="mark gain">in your draft</span>
            <span v-if="item.rejoined" class="mark lose">rejoined by your draft</span>
          </div>
          <div role="cell" class="cell">
            <template v-if="item.adds > 0"
              ><Paling :rights="item.gained" /><span class="gain">+{{ item.adds }}</span></template
            >
          </div>
          <div role="cell" class="cell">
            <template v-if="item.removes > 0"
              ><Paling :rights="item.lost" /><span class="lose">−{{ item.removes }}</span></template
            >
          </div>
          <div role="cell">{{ item.depth }}</div>
          <div role="cell">
            <template v-if="item.since">
              <router-link :to="{ name: 'journal', params: { number: item.since.change } }">{{
                day(item.since.at)
              }}</router-link>, {{ item.since.author }}:
              <span class="quiet" :title="item.since.note">{{ item.since.note }}</span>
            </template>
            <span v-else class="quiet">not in force yet</span>
          </div>
        </template>
      </PagedList>
    </div>
    <PageDialog v-model="asking" max-width="480" aria-labelledby="rejoin-all-title">
      <form class="sheet pg-dialog" @submit.prevent="rejoinAll">
        <h2 id="rejoin-all-title">Rejoin {{ counted(chosen.size, 'place') }}</h2>
        <p>
          {{ chosen.size === 1 ? 'It follows its parent' : 'They follow their parents' }} again, and {{ counted(discarded, 'entry', 'entries') }} of
          {{ chosen.size === 1 ? 'its' : 'their' }} own {{ discarded === 1 ? 'is' : 'are' }} discarded. The tray then says who gains and who loses by it; until it is in force, the
          {{ chosen.size === 1 ? 'break stays' : 'breaks stay' }} in this list.
        </p>
        <div class="actions">
          <v-btn @click="asking = false">Cancel</v-btn>
          <v-btn type="submit" class="is-main" :loading="busy">Add to the draft</v-btn>
        </div>
      </form>
    </PageDialog>
  </div>
</template>

<style scoped>
.breaks {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 8px 16px 12px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.named {
  display: flex;
  gap: 6px;
}
.named > a {
  overflow: hidden;
  text-overflow: ellipsis;
}
.named > .mark {
  flex: none;
}
.below {
  flex: none;
  width: 200px;
}
.list {
  flex: 1;
  min-height: 260px;
}
.cell {
  display: flex;
  gap: 8px;
  align-items: center;
}
@media (max-width: 1000px) {
  .head > * {
    flex: 1 1 100%;
  }
}
</style>
