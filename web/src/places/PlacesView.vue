<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import PathLine from '@/path-line/PathLine.vue'
import { useSession } from '@/session/useSession'
import { useNotices } from '@/shell/useNotices'
import { counted } from '@/shell/words'
import { useDraft } from '@/tray/useDraft'
import AccessListTable from './AccessListTable.vue'
import AddEntryDialog from './AddEntryDialog.vue'
import BreakDialog from './BreakDialog.vue'
import PeopleHere from './PeopleHere.vue'
import PlacePicker from './PlacePicker.vue'
import PlaceTree from './PlaceTree.vue'
import RejoinDialog from './RejoinDialog.vue'

const route = useRoute()
const router = useRouter()
const notices = useNotices()
const { mayChange } = useSession()
const { draft, add } = useDraft()

const root = useQuery({ queryKey: ['root'], queryFn: () => answer(api.GET('/api/repository')) })
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : root.data.value?.id))
const known = computed(() => id.value !== undefined)

const detail = useQuery({
  queryKey: computed(() => ['place', id.value]),
  enabled: known,
  queryFn: () => answer(api.GET('/api/places/{id}', { params: { path: { id: id.value! } } })),
  placeholderData: keepPreviousData,
})
const access = useQuery({
  queryKey: computed(() => ['access', id.value]),
  enabled: known,
  queryFn: () => answer(api.GET('/api/places/{id}/access', { params: { path: { id: id.value! } } })),
  placeholderData: keepPreviousData,
})

const place = computed(() => detail.data.value?.place)
const isRoot = computed(() => place.value?.kind === 'repository')
const ownLines = computed(() => access.data.value?.lines.filter((line) => line.own && line.drafted !== 'ADDED').length ?? 0)
const drafted = computed(() => detail.data.value?.drafted ?? false)
const alone = computed(() => detail.data.value?.standsAloneDrafted ?? false)
const state = computed(() => `${draft.value?.change}-${draft.value?.version}-${draft.value?.items.length}`)

const view = ref<'list' | 'people'>('list')
const asDrafted = ref(true)
const found = ref<Schemas['Found']>()
const adding = ref(false)
const breaking = ref(false)
const rejoining = ref(false)

watch(found, (chosen) => {
  if (chosen !== undefined) {
    void go(chosen.id)
    found.value = undefined
  }
})

async function go(to: string) {
  await router.push({ name: 'places', params: { id: to } })
}

async function removeLine(line: Schemas['AccessLine']) {
  await add
    .mutateAsync({ kind: line.entry.kind === 'grant' ? 'removeGrant' : 'removeWithholding', place: line.entry.place, entry: line.entry.id })
    .catch(notices.fail)
}
</script>

<template>
  <div class="places">
    <section class="side" aria-label="The repository">
      <div class="find" data-find><PlacePicker v-model="found" label="Find a place" /></div>
      <PlaceTree :selected="id" :path="detail.data.value?.path ?? []" :state="state" @choose="go" />
    </section>
    <section v-if="detail.isError.value" class="work"><p class="fault" role="alert">{{ detail.error.value?.message }}</p></section>
    <section v-else-if="place && detail.data.value" class="work" :aria-busy="access.isFetching.value">
      <PathLine :posts="detail.data.value.path" />
      <div class="title">
        <div>
          <h1>{{ place.name }}</h1>
          <p class="quiet">
            <template v-if="isRoot">The repository stands alone by nature.</template>
            <template v-else>
              A {{ place.kind }} that <strong>{{ place.standsAlone ? 'stands alone' : 'follows' }}</strong
              ><span v-if="!place.standsAlone"> its parent</span
              ><span v-if="alone !== place.standsAlone" class="warn">; in your draft it {{ alone ? 'stands alone' : 'follows again' }}</span>.
            </template>
            <template v-if="access.data.value">
              {{ counted(access.data.value.people, 'person', 'people') }} can do something here<template v-if="access.data.value.outsiders > 0"
                >, <span class="mark outsider">{{ counted(access.data.value.outsiders, 'outsider') }}</span> among them</template
              >.
            </template>
            <template v-if="place.type"> {{ place.type }}.</template>
            <template v-if="detail.data.value.owner"> Owned by {{ detail.data.value.owner }}.</template>
          </p>
          <p v-if="detail.data.value.target" class="quiet">
            Shows another place:
            <router-link :to="{ name: 'places', params: { id: detail.data.value.target } }">go there</router-link>. Access to what it shows is decided there.
          </p>
          <ul v-if="detail.data.value.guards.length > 0" class="guards" aria-label="What limits this place">
            <li v-for="guard in detail.data.value.guards" :key="guard">{{ guard }}</li>
          </ul>
          <p v-if="Object.keys(detail.data.value.labels).length > 0">
            <span v-for="(value, key) in detail.data.value.labels" :key="key" class="mark">{{ key }}: {{ value }}</span>
          </p>
        </div>
        <div v-if="mayChange" class="acts">
          <v-btn class="is-main" @click="adding = true">Add an entry</v-btn>
          <v-btn v-if="!isRoot && !alone" @click="breaking = true">Break …</v-btn>
          <v-btn v-if="!isRoot && alone" @click="rejoining = true">Rejoin …</v-btn>
        </div>
      </div>
      <div class="views">
        <div class="segments" role="group" aria-label="What to show">
          <button type="button" :aria-pressed="view === 'list'" @click="view = 'list'">Access list</button>
          <button type="button" :aria-pressed="view === 'people'" @click="view = 'people'">People here</button>
        </div>
        <v-checkbox v-if="view === 'people' && drafted" v-model="asDrafted" label="As my draft would have it" />
        <router-link :to="{ name: 'statements', query: { about: 'PLACE', id: place.id } }">Statement on this place</router-link>
      </div>
      <div class="sheet content">
        <p v-if="access.isError.value" class="fault" role="alert">{{ access.error.value?.message }}</p>
        <AccessListTable
          v-else-if="view === 'list' && access.data.value"
          :place="place.id"
          :lines="access.data.value.lines"
          :may-change="mayChange"
          @remove="removeLine"
        />
        <PeopleHere v-else-if="view === 'people'" :key="place.id" :place="place.id" :drafted="drafted && asDrafted" />
      </div>
      <AddEntryDialog v-if="adding" v-model="adding" :place="place.id" :place-name="place.name" />
      <BreakDialog v-if="breaking" v-model="breaking" :place="place.id" :place-name="place.name" />
      <RejoinDialog v-if="rejoining" v-model="rejoining" :place="place.id" :place-name="place.name" :own-lines="ownLines" :breaks-below="place.breaksBelow" />
    </section>
    <section v-else class="work"><p role="status">Fetching the place …</p></section>
  </div>
</template>

<style scoped>
.places {
  height: 100%;
  display: flex;
}
.side {
  width: 330px;
  flex: none;
  border-right: 1px solid var(--pg-line);
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.side > :last-child {
  flex: 1;
  min-height: 0;
}
.find {
  padding: 12px;
}
.work {
  flex: 1;
  min-width: 0;
  padding: 14px 22px 16px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  overflow: auto;
}
.title {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  align-items: flex-start;
}
.guards {
  list-style: none;
  margin: 4px 0;
  padding-left: 10px;
  border-left: 4px double rgb(var(--v-theme-primary));
}
.acts {
  display: flex;
  gap: 8px;
  flex: none;
  padding-top: 4px;
}
.views {
  display: flex;
  align-items: center;
  gap: 18px;
}
.views > :last-child {
  margin-left: auto;
}
.content {
  flex: 1;
  min-height: 240px;
  overflow: hidden;
}
@media (max-width: 900px) {
  .places {
    flex-direction: column;
    overflow: auto;
  }
  .side {
    width: auto;
    height: 260px;
    border-right: 0;
    border-bottom: 1px solid var(--pg-line);
  }
  .work {
    overflow: visible;
  }
  .title {
    flex-direction: column;
  }
}
</style>
