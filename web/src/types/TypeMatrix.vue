<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import BehindCellDialog from './BehindCellDialog.vue'
import Paling from '@/paling/Paling.vue'
import { number } from '@/common/words'

const library = ref<string | null>()
const chosen = ref(false)
const opened = ref<{ subject: Schemas['SubjectView']; type: Schemas['TypeName'] }>()
const root = useQuery({ queryKey: ['root'], queryFn: () => answer(api.GET('/api/repository')) })
const libraries = useQuery({
  queryKey: computed(() => ['children', root.data.value?.id]),
  enabled: computed(() => root.data.value !== undefined),
  queryFn: () => answer(api.GET('/api/places/{id}/children', { params: { path: { id: root.data.value!.id }, query: { drafted: true } } })),
})
const types = ref<Schemas['TypeName'][]>([])

/** The types come with the rows: a library may use some of them only. */
async function fetchRows(part: Part) {
  const matrix = await answer(api.GET('/api/types/matrix', { params: { query: { library: library.value ?? undefined, ...part } } }))
  types.value = matrix.types
  const cellsOf = (row: number) => new Map(matrix.types.map((type, column) => [type.id, matrix.cells[row]![column]!]))
  return { total: matrix.named, items: matrix.subjects.map((subject, row) => ({ subject, cells: cellsOf(row) })) }
}
/** As wide as a paling with a remark beside it, or as its head, in pixels. */
const NARROW = 150
const LETTER = 8
const columns = computed(() => [
  { title: 'Who', width: '230px', sort: 'name' },
  { title: 'Outsiders', width: '84px', sort: '-outsiders' },
  ...types.value.map((type) => {
    const title = type.guarded ? `${type.name} (guarded)` : type.name
    return { title, width: `${Math.max(NARROW, title.length * LETTER)}px` }
  }),
])

// Most is given at libraries: the first one says more than the repository as a whole.
watch(
  () => libraries.data.value,
  (now) => {
    if (!chosen.value && now !== undefined) {
      chosen.value = true
      library.value = now.find((one) => one.kind === 'library')?.id
    }
  },
  { immediate: true },
)

function words(cell: Schemas['CellView'] | undefined): string {
  if (cell === undefined) return ''
  return `${cell.alike} of ${cell.people} have just this; ${cell.finds} find, ${cell.reads} read, ${cell.adds} add, ${cell.deletes} delete`
}
</script>

<template>
  <div class="matrix">
    <h2>Who may see, add and delete papers of each type</h2>
    <div class="bar">
      <v-select
        v-model="library"
        :items="(libraries.data.value ?? []).filter((one) => one.kind === 'library')"
        item-title="name"
        item-value="id"
        label="In this library (of all, if left empty)"
        clearable
        hide-details
      />
      <p class="quiet">Each paling is what the people of the row have on a new paper of that type; where not all have the same, what most of them have. The number opens to who they are, and why.</p>
    </div>
    <div class="sheet list">
      <PagedList
        wide
        label="Types and who may do what with them"
        find="Find whom"
        :query-key="['types', 'matrix', library]"
        :fetch="fetchRows"
        :columns="columns"
        empty="No entry names anybody there."
      >
        <template #row="{ item: { subject, cells } }">
          <div role="rowheader">{{ subject.name }}</div>
          <div role="cell"><span v-if="subject.outsiders > 0" class="mark outsider">{{ number(subject.outsiders) }}</span></div>
          <div v-for="type in types" :key="type.id" role="cell" class="rights" :title="words(cells.get(type.id))">
            <Paling v-if="cells.has(type.id)" :rights="cells.get(type.id)!.common" />
            <button
              v-if="cells.has(type.id) && cells.get(type.id)!.people > 0"
              type="button"
              class="linklike"
              :class="cells.get(type.id)!.alike < cells.get(type.id)!.people ? 'some' : 'all'"
              :aria-label="`${subject.name}, ${type.name}: ${words(cells.get(type.id))}. List them`"
              @click="opened = { subject, type }"
            >
              <template v-if="cells.get(type.id)!.alike < cells.get(type.id)!.people">{{ number(cells.get(type.id)!.alike) }} of </template>{{ number(cells.get(type.id)!.people) }}
            </button>
          </div>
        </template>
      </PagedList>
    </div>
    <BehindCellDialog v-if="opened && root.data.value" :subject="opened.subject" :type="opened.type" :library="library ?? undefined" :place="library ?? root.data.value.id" @close="opened = undefined" />
  </div>
</template>

<style scoped>
.matrix {
  display: flex;
  flex-direction: column;
  gap: 10px;
  height: 100%;
}
.bar {
  display: grid;
  grid-template-columns: 300px 1fr;
  gap: 14px;
  align-items: center;
}
.list {
  flex: 1;
  min-height: 0;
}
.rights {
  display: flex;
  align-items: center;
}
.some,
.all {
  font-size: 0.82rem;
  margin-left: 4px;
}
.some {
  color: rgb(var(--v-theme-warning));
}
</style>
