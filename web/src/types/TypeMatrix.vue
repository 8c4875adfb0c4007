<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import Paling from '@/paling/Paling.vue'
import { listed, number } from '@/shell/words'

const library = ref<string | null>()
const opened = ref(false)
const text = ref('')
const root = useQuery({ queryKey: ['root'], queryFn: () => answer(api.GET('/api/repository')) })
const libraries = useQuery({
  queryKey: computed(() => ['children', root.data.value?.id]),
  enabled: computed(() => root.data.value !== undefined),
  queryFn: () => answer(api.GET('/api/places/{id}/children', { params: { path: { id: root.data.value!.id }, query: { drafted: true } } })),
})
const matrix = useQuery({
  queryKey: computed(() => ['types', 'matrix', library.value, text.value]),
  queryFn: () => answer(api.GET('/api/types/matrix', { params: { query: { library: library.value ?? undefined, text: text.value || undefined } } })),
  placeholderData: keepPreviousData,
})

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

function words(cell: Schemas['CellView']): string {
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
      <v-text-field v-model="text" label="Find whom" clearable hide-details @click:clear="text = ''" />
      <p class="quiet">Each paling is what all people of the row have on a new paper of that type. <strong>some</strong> marks where only some have more.</p>
    </div>
    <p v-if="matrix.data.value === undefined" role="status">Working it out …</p>
    <div v-else class="sheet scroll" tabindex="0" role="region" aria-label="Types and who may do what with them">
      <table>
        <thead>
          <tr>
            <th scope="col">Who</th>
            <th v-for="type in matrix.data.value.types" :key="type.id" scope="col">{{ type.name }}<span v-if="type.guarded" class="mark">guarded</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(subject, row) in matrix.data.value.subjects" :key="subject.kind + subject.id">
            <th scope="row">
              {{ subject.name }} <span v-if="subject.outsiders > 0" class="mark outsider">{{ subject.outsiders }}</span>
            </th>
            <td v-for="(type, column) in matrix.data.value.types" :key="type.id" :title="words(matrix.data.value.cells[row]![column]!)">
              <Paling :rights="matrix.data.value.cells[row]![column]!.every" />
              <span v-if="matrix.data.value.cells[row]![column]!.some.length > matrix.data.value.cells[row]![column]!.every.length" class="some">some</span>
            </td>
          </tr>
          <tr v-if="matrix.data.value.subjects.length === 0">
            <td class="quiet">{{ text ? `Nobody with “${text}” in the name.` : 'No entry names anybody there.' }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="matrix.data.value.named > matrix.data.value.subjects.length" class="caution more">
        The first {{ matrix.data.value.subjects.length }} of {{ number(matrix.data.value.named) }} whom the place names. Type part of a name to see others.
      </p>
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
  grid-template-columns: 300px 200px 1fr;
  gap: 14px;
  align-items: center;
}
.scroll {
  flex: 1;
  overflow: auto;
}
table {
  border-collapse: collapse;
}
th,
td {
  padding: 7px 12px;
  border-bottom: 1px solid var(--pg-line);
  text-align: left;
  vertical-align: bottom;
}
thead th {
  position: sticky;
  top: 0;
  background: rgb(var(--v-theme-surface));
  z-index: 1;
  min-width: 96px;
}
tbody th {
  position: sticky;
  left: 0;
  background: rgb(var(--v-theme-surface));
  white-space: nowrap;
}
.more {
  padding: 10px 12px;
}
.some {
  font-size: 0.82rem;
  color: rgb(var(--v-theme-warning));
  margin-left: 4px;
}
</style>
