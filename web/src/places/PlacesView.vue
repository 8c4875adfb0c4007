<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref, watch, watchEffect } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import PathLine from '@/path-line/PathLine.vue'
import MenuButton, { type Entry } from '@/common/MenuButton.vue'
import { useNotices } from '@/common/useNotices'
import { counted } from '@/common/words'
import { useDraft } from '@/tray/useDraft'
import { useSession } from '@/session/useSession'
import { lastPlaceOf, rememberPlace } from './lastPlace'
import { removal } from './listLines'
import AccessListTable from './AccessListTable.vue'
import AddEntryDialog from './AddEntryDialog.vue'
import BreakDialog from './BreakDialog.vue'
import DocumentsHere from './DocumentsHere.vue'
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
const { draft, add, remove } = useDraft()
const { account } = useSession()
const login = account.value?.login ?? ''

const root = useQuery({ queryKey: ['root'], queryFn: () => answer(api.GET('/api/repository')) })
/** The one in the address; without one where somebody was last, or the repository. */
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : (last.value ?? root.data.value?.id)))
const last = ref(lastPlaceOf(login))
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

/** What is on the screen is of another place than the address says: it is not to be used as if it were this one. */
const stale = computed(() => detail.isPlaceholderData.value || access.isPlaceholderData.value)
const place = computed(() => detail.data.value?.place)
/** By a duty that covers the place; its list also by govern. */
const mayChange = computed(() => detail.data.value?.mayChange ?? false)
const mayChangeList = computed(() => detail.data.value?.mayChangeList ?? false)
const isRoot = computed(() => place.value?.kind === 'repository')
const ownLines = computed(() => access.data.value?.lines.filter((line) => line.own && line.drafted !== 'ADDED').length ?? 0)
const drafted = computed(() => detail.data.value?.drafted ?? false)
const alone = computed(() => detail.data.value?.standsAloneDrafted ?? false)
const state = computed(() => `${draft.value?.change}-${draft.value?.version}-${draft.value?.items.length}`)

const isContainer = computed(() => ['repository', 'library', 'folder'].includes(place.value?.kind ?? ''))
/** Which of its sides is shown stands in the address. */
const view = computed<'list' | 'people' | 'document' | 'documents'>(() => {
  const asked = route.query.show
  return asked === 'people' || (asked === 'document' && place.value?.kind === 'document') || (asked === 'documents' && isContainer.value) ? asked : 'list'
})
const show = (side: string) => void router.replace({ query: { ...route.query, show: side === 'list' ? undefined : side } })
const asDrafted = ref(true)
const found = ref<Schemas['Found']>()
const selected = ref<string[]>([])
const dialog = ref<'new' | 'outline' | 'place' | 'guards' | 'overseers'>()
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
  await router.push({ name: 'places', params: { id: to }, query: view.value === 'people' || view.value === 'documents' ? { show: view.value } : {} })
}

/** What was begun for one place is never finished for another. */
watch(id, () => {
  selected.value = []
  dialog.value = undefined
  adding.value = breaking.value = rejoining.value = false
})
watch(
  () => [place.value?.id, detail.isError.value],
  () => {
    if (detail.isError.value) {
      last.value = undefined
      dialog.value = undefined
      adding.value = breaking.value = rejoining.value = false
      document.title = 'Places · Pale Gate'
    }
    rememberPlace(login, detail.isError.value ? undefined : place.value?.id)
  },
)
// After the router has given the page the title of its room.
watchEffect(
  () => {
    if (route.fullPath !== '' && place.value !== undefined && !stale.value) document.title = `${place.value.name} · Places · Pale Gate`
  },
  { flush: 'post' },
)

/** The values of a document's fields stand with the document, under their own names. */
const types = useQuery({ queryKey: ['types'], queryFn: () => answer(api.GET('/api/types')) })
const labels = computed(() => {
  const fields = new Set(types.data.value?.find((type) => type.id === detail.data.value?.typeId)?.fields.map((field) => field.key))
  return Object.entries(detail.data.value?.labels ?? {}).filter(([key]) => !fields.has(key))
})

const entries = computed<Entry[]>(() => [
  ...(isContainer.value ? [{ title: 'New place below …', run: () => (dialog.value = 'new') }, { title: 'Many places below …', run: () => (dialog.value = 'outline') }] : []),
  { title: 'Name, labels, move, remove …', run: () => (dialog.value = 'place') },
  { title: 'Ceiling, house rules and sharing …', run: () => (dialog.value = 'guards') },
  { title: 'Overseers …', run: () => (dialog.value = 'overseers') },
  { title: 'History of this place', to: { name: 'journal', query: { thing: `place:${place.value!.id}`, name: place.value!.name } } },
  ...(isContainer.value ? [{ title: 'Breaks below', to: { name: 'breaks', params: { id: place.value!.id } } }] : []),
])

const draftedEntries = computed(() => new Set(draft.value?.items.flatMap((item) => item.entry ?? [])))
function takeBack(line: Schemas['AccessLine']) {
  const item = draft.value?.items.findLast((one) => one.entry === line.entry.id)
  if (item !== undefined) remove.mutate(item.id)
}
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
    <section v-else-if="place && detail.data.value" class="work" :inert="stale" :aria-busy="stale">
      <p v-if="stale" class="sr" role="status">Fetching the place …</p>
      <PathLine :posts="detail.data.value.path" />
      <div class="title">
          <h1>
            {{ detail.data.value.nameDrafted }}
            <span v-if="detail.data.value.made" class="mark gain">new in your draft</span>
            <span v-else-if="detail.data.value.gone" class="mark lose">taken away by your draft</span>
            <span v-else-if="detail.data.value.nameDrafted !== place.name" class="mark warn">now {{ place.name }}</span>
          </h1>
        <div v-if="mayChangeList" class="acts">
          <v-btn size="small" class="is-main" @click="adding = true">Add an entry</v-btn>
          <v-btn v-if="!isRoot && !alone" size="small" @click="breaking = true">Break …</v-btn>
          <v-btn v-if="!isRoot && alone" size="small" @click="rejoining = true">Rejoin …</v-btn>
          <MenuButton v-if="mayChange" title="More …" label="More to do with this place" :entries="entries" />
        </div>
        <div v-else-if="detail.data.value.mayOversee" class="acts"><v-btn @click="dialog = 'overseers'">Overseers …</v-btn></div>
      </div>
          <p class="quiet">
            <template v-if="isRoot">The repository: everything stands below it.</template>
            <template v-else>
              A {{ place.kind }} that <strong>{{ place.standsAlone ? 'stands alone' : 'follows' }}</strong
              ><span v-if="!place.standsAlone"> its parent</span
              ><span v-if="alone !== place.standsAlone" class="warn">; in your draft it {{ alone ? 'stands alone' : 'follows again' }}</span>.
            </template>
            <template v-if="access.data.value">
              {{ ' ' }}{{ counted(access.data.value.people, 'person', 'people') }} can do something here<template v-if="access.data.value.outsiders > 0"
                >, <span class="mark outsider">{{ counted(access.data.value.outsiders, 'outsider') }}</span> among them</template
              >.
            </template>
            <template v-if="place.type"> {{ place.type }}.</template>
            <template v-if="detail.data.value.owner"> Owned by {{ detail.data.value.owner }}.</template>
          </p>
          <p v-if="detail.data.value.target" class="quiet">
            Leads to <router-link :to="{ name: 'places', params: { id: detail.data.value.target.id } }">{{ detail.data.value.target.path }}</router-link>, where access to it is decided:
            {{ counted(detail.data.value.target.people, 'person finds', 'people find') }} this link, {{ detail.data.value.target.opening }} of them can open what it shows<span
              v-if="detail.data.value.target.people > detail.data.value.target.opening"
              class="warn"
              >, {{ detail.data.value.target.people - detail.data.value.target.opening }} cannot</span
            >.
          </p>
          <PlaceLimits :limits="detail.data.value.guards" />
          <p v-if="labels.length + detail.data.value.inheritedLabels.length > 0" class="labels">
            <span v-for="[key, value] in labels" :key="key" class="mark">{{ key }}: {{ value }}</span>
            <span v-for="label in detail.data.value.inheritedLabels" :key="label.key" class="mark inherited" :title="`from ${label.fromName}`">{{ label.key }}: {{ label.value }} (from above)</span>
          </p>
      <div class="views">
        <div class="segments" role="group" aria-label="What to show">
          <button type="button" :aria-pressed="view === 'list'" @click="show('list')">Access list</button>
          <button type="button" :aria-pressed="view === 'people'" @click="show('people')">People here</button>
          <button v-if="isContainer && !isRoot" type="button" :aria-pressed="view === 'documents'" @click="show('documents')">Documents</button>
          <button v-if="place.kind === 'document'" type="button" :aria-pressed="view === 'document'" @click="show('document')">The document</button>
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
        <div id="find-in-place" class="find-here"></div>
        <router-link :to="{ name: 'statements', query: { kind: 'place', id: place.id } }">Statement on this place</router-link>
      </div>
      <div id="place-content" class="sheet content">
        <p v-if="access.isError.value" class="fault" role="alert">{{ access.error.value?.message }}</p>
        <DocumentPanel v-else-if="view === 'document'" :key="place.id" :detail="detail.data.value" />
        <AccessListTable
          v-else-if="view === 'list' && access.data.value"
          v-model:selected="selected"
          :place="place.id"
          :lines="access.data.value.lines"
          :may-change="mayChangeList"
          find-in="#find-in-place"
          :drafted="draftedEntries"
          @remove="removeLine"
          @take-back="takeBack"
        />
        <DocumentsHere v-else-if="view === 'documents'" :key="place.id" :place="place.id" :state="state" find-in="#find-in-place" />
        <PeopleHere v-else-if="view === 'people'" :key="place.id" :place="place.id" :drafted="drafted && asDrafted" />
      </div>
      <OverseersDialog v-if="dialog === 'overseers'" :model-value="true" :detail="detail.data.value" @update:model-value="dialog = undefined" />
      <NewPlaceDialog v-if="dialog === 'new'" :model-value="true" :parent="place.id" :parent-name="place.name" :parent-kind="place.kind" :library="detail.data.value.path[1]?.id" @update:model-value="dialog = undefined" />
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
  width: 286px;
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
  padding: 8px 12px;
}
.work[inert] {
  opacity: 0.55;
}
.work {
  flex: 1;
  min-width: 0;
  padding: 8px 16px 12px;
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-height: 0;
  overflow: auto;
}
.title {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 16px;
  align-items: center;
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
}
.views {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
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
}
</style>
