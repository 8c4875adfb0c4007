<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import { listed, number } from '@/common/words'

const library = ref<string | null>()
const opened = ref(false)
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
const NARROW = 130
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
    if (!opened.value && now !== undefined) {
      opened.value = true
      library.value = now.find((one) => one.kind === 'library')?.id
    }
  },
  { immediate: true },
)

function words(cell: Schemas['CellView'] | undefined): string {
  if (cell === undefined) return ''
  const some = cell.some.filter((right) => !cell.every.includes(right))
  return `${cell.finds} of ${cell.people} find, ${cell.reads} read, ${cell.adds} add, ${cell.deletes} delete${some.length > 0 ? `; only some: ${listed(some)}` : ''}`
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
      <p class="quiet">Each paling is what all people of the row have on a new paper of that type. <strong>some</strong> marks where only some have more.</p>
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
            <Paling v-if="cells.has(type.id)" :rights="cells.get(type.id)!.every" />
            <span v-if="(cells.get(type.id)?.some.length ?? 0) > (cells.get(type.id)?.every.length ?? 0)" class="some">some</span>
          </div>
        </template>
      </PagedList>
    </div>
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
.some {
  font-size: 0.82rem;
  color: rgb(var(--v-theme-warning));
  margin-left: 4px;
}
</style>
