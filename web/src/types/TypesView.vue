<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/common/DraftedMark.vue'
import TwoSides from '@/common/TwoSides.vue'
import { number } from '@/common/words'
import TypeDetail from './TypeDetail.vue'
import TypeMatrix from './TypeMatrix.vue'

const route = useRoute()
const router = useRouter()
const { may } = useSession()
const query = useQuery({ queryKey: ['types'], queryFn: () => answer(api.GET('/api/types')) })
const types = computed(() => query.data.value ?? [])
const fetchTypes = inPage(
  () => types.value,
  (type) => `${type.name} ${type.shortName ?? ''}`,
  { name: (type) => type.name, documents: (type) => type.documents, fields: (type) => type.fields.length },
)
const COLUMNS = [
  { title: 'Type', width: '1fr', sort: 'name' },
  { title: 'Fields', width: '50px', sort: '-fields' },
  { title: 'Documents', width: '80px', sort: '-documents' },
  { title: 'Start from it', width: '86px', silent: true },
]
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : undefined))
const view = computed(() => (id.value === 'matrix' ? 'matrix' : 'one'))
/** What a new type starts from: nothing, or a similar one. */
const making = ref<{ form: number; from?: Schemas['TypeView'] }>()
let made = 0
const chosen = computed(() =>
  making.value === undefined ? types.value.find((type) => type.id === id.value) : undefined,
)

// Whoever goes to a type by another way (back, the palette, a link) sees that one.
watch(id, () => (making.value = undefined))

function begin(from?: Schemas['TypeView']) {
  making.value = { form: ++made, from }
}
/** The end of one form does not close the next. */
function end(form: number) {
  if (making.value?.form === form) making.value = undefined
}
function choose(type: string) {
  making.value = undefined
  void router.push({ name: 'types', params: { id: type } })
}
</script>

<template>
  <TwoSides list="Types" chosen="The type">
    <template #head>
      <h1>Types</h1>
      <button type="button" class="linklike all" @click="choose('matrix')">
        Who may see, add and delete papers of each type
      </button>
      <div id="find-here" class="find-here"></div>
      <v-btn v-if="may('types')" size="small" class="is-main" @click="begin()">New type</v-btn>
    </template>
    <template #list>
      <div class="sheet fills">
        <PagedList
          label="Types"
          :query-key="['types', 'list', query.dataUpdatedAt.value]"
          :fetch="fetchTypes"
          :columns="COLUMNS"
          find="Find a type"
          find-in="#find-here"
          :empty="
            query.isFetched.value
              ? 'There are no types yet. Most rules about a document hang on its type: its fields, and who may see it.'
              : 'Fetching the types …'
          "
        >
          <template #row="{ item: type }">
            <div role="cell" :data-chosen="type.id === chosen?.id">
              <button type="button" class="linklike row-name" @click="choose(type.id)">{{ type.name }}</button>
              <DraftedMark :drafted="type.drafted" />
              <span v-if="type.guarded" class="mark" :class="{ warn: type.clearances.length === 0 }">{{
                type.clearances.length === 0 ? 'cleared for nobody' : 'guarded'
              }}</span>
            </div>
            <div role="cell">{{ number(type.fields.length) }}</div>
            <div role="cell">{{ number(type.documents) }}</div>
            <div role="cell">
              <button
                v-if="may('types')"
                type="button"
                class="linklike"
                :aria-label="`Start a new type from ${type.name}`"
                @click="begin(type)"
              >
                Start from it
              </button>
            </div>
          </template>
        </PagedList>
      </div>
    </template>
    <TypeMatrix v-if="view === 'matrix' && making === undefined" />
    <TypeDetail v-else-if="making" :key="making.form" :form="making.form" :like="making.from" @done="end" />
    <TypeDetail v-else-if="chosen" :key="chosen.id + chosen.drafted" :type="chosen" @done="() => undefined" />
    <p v-else class="quiet hint">
      Choose a type to see its fields and who is cleared for it, or start a new one from a similar one.
    </p>
  </TwoSides>
</template>

<style scoped>
.all {
  text-align: left;
}
</style>
