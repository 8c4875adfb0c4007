<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import PathLine from '@/path-line/PathLine.vue'
import { useNotices } from '@/common/useNotices'
import { counted } from '@/common/words'
import { useDraft } from '@/tray/useDraft'
import { removal } from './listLines'
import AccessListTable from './AccessListTable.vue'
import AddEntryDialog from './AddEntryDialog.vue'
import BreakDialog from './BreakDialog.vue'
import DocumentPanel from './DocumentPanel.vue'
import GuardsDialog from './GuardsDialog.vue'
import ListTools from './ListTools.vue'
import NewPlaceDialog from './NewPlaceDialog.vue'
import OutlineDialog from './OutlineDialog.vue'
import PlaceDialog from './PlaceDialog.vue'
import PeopleHere from './PeopleHere.vue'
import PlacePicker from './PlacePicker.vue'
import PlaceLimits from './PlaceLimits.vue'
import PlaceTree from './PlaceTree.vue'
import OverseersDialog from './OverseersDialog.vue'
import RejoinDialog from './RejoinDialog.vue'

const route = useRoute()
const router = useRouter()
const notices = useNotices()
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
/** By a duty that covers the place; its list also by govern. */
const mayChange = computed(() => detail.data.value?.mayChange ?? false)
const mayChangeList = computed(() => detail.data.value?.mayChangeList ?? false)
const isRoot = computed(() => place.value?.kind === 'repository')
const ownLines = computed(() => access.data.value?.lines.filter((line) => line.own && line.drafted !== 'ADDED').length ?? 0)
const drafted = computed(() => detail.data.value?.drafted ?? false)
const alone = computed(() => detail.data.value?.standsAloneDrafted ?? false)
const state = computed(() => `${draft.value?.change}-${draft.value?.version}-${draft.value?.items.length}`)

const view = ref<'list' | 'people' | 'document'>('list')
const asDrafted = ref(true)
const found = ref<Schemas['Found']>()
const selected = ref<string[]>([])
const dialog = ref<'new' | 'outline' | 'place' | 'guards' | 'overseers'>()
const isContainer = computed(() => ['repository', 'library', 'folder'].includes(place.value?.kind ?? ''))
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

watch(id, () => {
  selected.value = []
  if (view.value === 'document') view.value = 'list'
})

async function removeLine(line: Schemas['AccessLine']) {
  await add.mutateAsync(removal(line)).catch(notices.fail)
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
          <h1>
            {{ detail.data.value.nameDrafted }}
            <span v-if="detail.data.value.made" class="mark gain">new in your draft</span>
            <span v-else-if="detail.data.value.gone" class="mark lose">taken away by your draft</span>
            <span v-else-if="detail.data.value.nameDrafted !== place.name" class="mark warn">now {{ place.name }}</span>
          </h1>
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
          <PlaceLimits :sentences="detail.data.value.guards" />
          <p v-if="Object.keys(detail.data.value.labels).length + detail.data.value.inheritedLabels.length > 0" class="labels">
            <span v-for="(value, key) in detail.data.value.labels" :key="key" class="mark">{{ key }}: {{ value }}</span>
            <span v-for="label in detail.data.value.inheritedLabels" :key="label.key" class="mark inherited" :title="`from ${label.fromName}`">{{ label.key }}: {{ label.value }} (from above)</span>
          </p>
        </div>
        <div v-if="mayChangeList" class="acts">
          <v-btn class="is-main" @click="adding = true">Add an entry</v-btn>
          <v-btn v-if="!isRoot && !alone" @click="breaking = true">Break …</v-btn>
          <v-btn v-if="!isRoot && alone" @click="rejoining = true">Rejoin …</v-btn>
          <v-menu v-if="mayChange">
            <template #activator="{ props: menu }">
              <v-btn v-bind="menu" aria-label="More to do with this place">More …</v-btn>
            </template>
            <v-list>
              <v-list-item v-if="isContainer" title="New place below …" @click="dialog = 'new'" />
              <v-list-item v-if="isContainer" title="Many places below …" @click="dialog = 'outline'" />
              <v-list-item title="Name, labels, move …" @click="dialog = 'place'" />
              <v-list-item title="Ceiling and house rules …" @click="dialog = 'guards'" />
              <v-list-item title="Overseers …" @click="dialog = 'overseers'" />
              <v-list-item v-if="isContainer" title="Breaks below" :to="{ name: 'breaks', params: { id: place.id } }" />
            </v-list>
          </v-menu>
        </div>
        <div v-else-if="detail.data.value.mayOversee" class="acts"><v-btn @click="dialog = 'overseers'">Overseers …</v-btn></div>
      </div>
      <div class="views">
        <div class="segments" role="group" aria-label="What to show">
          <button type="button" :aria-pressed="view === 'list'" @click="view = 'list'">Access list</button>
          <button type="button" :aria-pressed="view === 'people'" @click="view = 'people'">People here</button>
          <button v-if="place.kind === 'document'" type="button" :aria-pressed="view === 'document'" @click="view = 'document'">The document</button>
        </div>
        <v-checkbox v-if="view === 'people' && drafted" v-model="asDrafted" label="As my draft would have it" />
        <ListTools
          v-if="view === 'list' && mayChangeList && access.data.value"
          :key="place.id"
          :place="place.id"
          :place-name="place.name"
          :lines="access.data.value.lines.filter((line) => line.own)"
          :selected="selected"
          @done="selected = []"
        />
        <router-link :to="{ name: 'statements', query: { about: 'PLACE', id: place.id } }">Statement on this place</router-link>
      </div>
      <div class="sheet content">
        <p v-if="access.isError.value" class="fault" role="alert">{{ access.error.value?.message }}</p>
        <DocumentPanel v-else-if="view === 'document'" :key="place.id" :detail="detail.data.value" />
        <AccessListTable
          v-else-if="view === 'list' && access.data.value"
          v-model:selected="selected"
          :place="place.id"
          :lines="access.data.value.lines"
          :may-change="mayChangeList"
          @remove="removeLine"
        />
        <PeopleHere v-else-if="view === 'people'" :key="place.id" :place="place.id" :drafted="drafted && asDrafted" />
      </div>
      <OverseersDialog v-if="dialog === 'overseers'" :model-value="true" :detail="detail.data.value" @update:model-value="dialog = undefined" />
      <NewPlaceDialog v-if="dialog === 'new'" :model-value="true" :parent="place.id" :parent-name="place.name" :parent-kind="place.kind" @update:model-value="dialog = undefined" />
      <OutlineDialog v-if="dialog === 'outline'" :model-value="true" :place="place.id" :place-name="place.name" @update:model-value="dialog = undefined" />
      <PlaceDialog v-if="dialog === 'place'" :model-value="true" :detail="detail.data.value" @update:model-value="dialog = undefined" />
      <GuardsDialog v-if="dialog === 'guards'" :model-value="true" :detail="detail.data.value" @update:model-value="dialog = undefined" />
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
.labels {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.inherited {
  border-style: dotted;
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
