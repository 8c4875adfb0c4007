<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { counted, number } from '@/common/words'
import Paling from '@/paling/Paling.vue'
import BinDialog from './BinDialog.vue'
import NewPaperDialog from './NewPaperDialog.vue'
import SharedByMeDialog from '@/shares/SharedByMeDialog.vue'
import PaperPanel from './PaperPanel.vue'

/** The repository as one person has it: the places they can find, and what they may do there. */
const route = useRoute()
const router = useRouter()
const LIMIT = 200

const mine = useQuery({ queryKey: ['papers'], queryFn: () => answer(api.GET('/api/papers')) })
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : mine.data.value?.root))
const detail = useQuery({
  queryKey: computed(() => ['papers', 'place', id.value]),
  enabled: computed(() => id.value !== undefined),
  queryFn: () => answer(api.GET('/api/papers/places/{id}', { params: { path: { id: id.value! } } })),
})
const place = computed(() => detail.data.value?.paper)
const container = computed(() => ['repository', 'library', 'folder'].includes(place.value?.kind ?? ''))
/** The container whose papers are listed: the place itself, or the one in which the document lies. */
const listed = computed(() => (container.value ? id.value : detail.data.value?.path.slice(-2)[0]?.id))
const children = useQuery({
  queryKey: computed(() => ['papers', 'children', listed.value]),
  enabled: computed(() => listed.value !== undefined && listed.value !== null),
  queryFn: () => answer(api.GET('/api/papers/places/{id}/children', { params: { path: { id: listed.value! }, query: { limit: LIMIT } } })),
  placeholderData: keepPreviousData,
})

const text = ref(String(route.query.text ?? ''))
const condition = ref<'PRIVATE' | 'FROZEN' | 'CHECKED_OUT' | null>(null)
const onlyHere = ref(false)
const typed = refDebounced(text, 250)
const searching = computed(() => typed.value.trim() !== '' || condition.value !== null)
const hits = useQuery({
  queryKey: computed(() => ['papers', 'search', typed.value.trim(), condition.value, onlyHere.value ? listed.value : undefined]),
  enabled: searching,
  queryFn: () =>
    answer(
      api.GET('/api/papers/search', {
        params: { query: { text: typed.value.trim(), condition: condition.value ?? undefined, below: onlyHere.value ? (listed.value ?? undefined) : undefined, limit: LIMIT } },
      }),
    ),
  placeholderData: keepPreviousData,
})
watch(typed, (now) => void router.replace({ query: now.trim() === '' ? {} : { text: now.trim() } }))

/** Of a place that is not there any more for whoever looks, nothing is listed. */
const shown = computed<Schemas['Paper'][]>(() => (searching.value ? hits.data.value?.items : detail.isError.value ? undefined : children.data.value?.items) ?? [])
const total = computed(() => (searching.value ? hits.data.value?.total : detail.isError.value ? 0 : children.data.value?.total) ?? 0)
const waiting = computed(() => (searching.value ? hits.isFetching.value : children.isLoading.value))
const adding = ref(false)
const inBin = ref(false)
const shared = ref(false)
const mayAdd = computed(() => (container.value && (detail.data.value?.addsFolders || (detail.data.value?.adds.length ?? 0) > 0)) ?? false)
const to = (paper: string) => ({ name: 'papers', params: { id: paper }, query: text.value.trim() === '' ? {} : { text: text.value.trim() } })
/** The same with why it is in one's hands as it is. */
const toWhy = (paper: string) => ({ ...to(paper), query: { ...to(paper).query, why: paper } })
const asksWhy = computed({
  get: () => route.query.why === place.value?.id,
  set: (open) => void router.replace(open ? toWhy(place.value!.id) : to(place.value!.id)),
})

watch(place, (now) => {
  document.title = now === undefined ? 'Papers · Pale Gate' : `${now.name} · Papers · Pale Gate`
})
</script>

<template>
  <div class="papers">
    <section class="list" aria-labelledby="papers-title">
      <div class="head">
        <h1 id="papers-title">Papers</h1>
        <input v-model="text" data-find type="search" placeholder="Find by name, field or text" aria-label="Find papers by name, field or text" />
        <v-btn size="small" @click="shared = true">Shared by you</v-btn>
        <v-btn size="small" @click="inBin = true">Bin</v-btn>
      </div>
      <div class="filters">
        <v-select
          v-model="condition"
          :items="[
            { value: 'CHECKED_OUT', title: 'checked out' },
            { value: 'FROZEN', title: 'frozen' },
            { value: 'PRIVATE', title: 'private' },
          ]"
          label="Only what is"
          clearable
          hide-details
        />
        <v-checkbox v-if="listed" v-model="onlyHere" label="Only below this place" hide-details />
      </div>
      <nav v-if="detail.data.value" class="path" aria-label="Where you are">
        <template v-for="(post, i) in detail.data.value.path" :key="post.id">
          <span v-if="i > 0" aria-hidden="true"> / </span>
          <router-link :to="to(post.id)" :aria-current="post.id === id ? 'page' : undefined">{{ post.name }}</router-link>
        </template>
        <v-btn v-if="mayAdd" size="small" class="add" @click="adding = true">Add …</v-btn>
      </nav>
      <p class="count quiet" role="status">
        <template v-if="waiting">Looking …</template>
        <template v-else-if="searching">{{ counted(total, 'paper or place', 'papers and places') }} that you can find<template v-if="total > shown.length">, the first {{ number(shown.length) }} below</template></template>
        <template v-else-if="mine.isFetched.value && mine.data.value?.root === undefined">There is nothing here for you yet. Whoever looks after the repository can let you in.</template>
        <template v-else>{{ counted(total, 'entry', 'entries') }} here<template v-if="total > shown.length">, the first {{ number(shown.length) }} below: search for others</template></template>
      </p>
      <div class="sheet rows">
        <table>
          <thead class="sr">
            <tr>
              <th scope="col">Name</th>
              <th scope="col">What it is</th>
              <th scope="col">Your rights</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="paper in shown" :key="paper.id" :data-chosen="paper.id === id">
              <td>
                <router-link :to="to(paper.id)" class="row-name">{{ paper.name }}</router-link>
                <span v-for="mark in paper.conditions" :key="mark" class="mark">{{ mark }}</span>
                <p v-if="searching && paper.path" class="quiet where">{{ paper.path }}</p>
              </td>
              <td class="quiet">{{ paper.type ?? paper.kind }}</td>
              <td class="rights">
                <div v-if="!paper.passage" class="with-why">
                  <Paling :rights="paper.rights" /><router-link :to="toWhy(paper.id)" :aria-label="`Why you have these rights at ${paper.name}`">why</router-link>
                </div>
                <span v-else class="quiet">leads on</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
    <section class="one" aria-label="What is chosen">
      <p v-if="detail.isError.value" class="fault" role="alert">{{ detail.error.value?.message }}</p>
      <PaperPanel v-else-if="detail.data.value" :key="detail.data.value.paper.id" v-model:why="asksWhy" :detail="detail.data.value" @gone="router.push({ name: 'papers', params: { id: $event } })" />
      <p v-else class="quiet">Choose a paper to see what is in it and what you may do with it.</p>
    </section>
    <BinDialog v-if="inBin" v-model="inBin" />
    <SharedByMeDialog v-if="shared" v-model="shared" />
    <NewPaperDialog v-if="adding && detail.data.value" :model-value="true" :detail="detail.data.value" @update:model-value="adding = false" />
  </div>
</template>

<style scoped>
.papers {
  height: 100%;
  display: grid;
  grid-template-columns: minmax(340px, 5fr) 6fr;
  gap: 18px;
  padding: 14px 20px;
}
.list,
.one {
  min-height: 0;
  min-width: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.one {
  overflow: auto;
}
.head,
.filters {
  display: flex;
  gap: 14px;
  align-items: center;
}
.filters > .v-select {
  max-width: 220px;
}
.head input {
  flex: 1;
  min-width: 0;
  padding: 5px 10px;
  border: 1px solid rgba(var(--v-theme-on-surface), 0.5);
  border-radius: 3px;
  background: rgb(var(--v-theme-surface));
  color: inherit;
}
.path {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
.path [aria-current] {
  font-weight: 600;
}
.add {
  margin-left: auto;
}
.rows {
  flex: 1;
  min-height: 120px;
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
td {
  padding: 3px 10px;
  border-bottom: 1px solid var(--pg-line);
}
tr[data-chosen='true'] {
  background: rgba(var(--v-theme-primary), 0.08);
}
.where {
  font-size: 0.86rem;
}
.rights {
  width: 116px;
}
@media (max-width: 900px) {
  .papers {
    display: block;
    overflow: auto;
  }
  .one {
    margin-top: 18px;
  }
}
</style>
