<script setup lang="ts">
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'

/** The people behind one cell of the matrix, with what each would have; those first who differ from most. */
const props = defineProps<{ subject: Schemas['SubjectView']; type: Schemas['TypeName']; library: string | undefined }>()
const emit = defineEmits<{ close: [] }>()
const fetchPeople = (part: Part) =>
  answer(api.GET('/api/types/matrix/people', { params: { query: { library: props.library, type: props.type.id, kind: props.subject.kind, subject: props.subject.id, ...part } } }))
const COLUMNS = [
  { title: 'Person', width: '1.2fr', sort: 'name' },
  { title: 'Rights', width: '78px' },
  { title: 'Like most', width: '1fr', sort: 'other' },
]
</script>

<template>
  <v-dialog :model-value="true" max-width="620" aria-labelledby="behind-cell-title" @update:model-value="emit('close')">
    <div class="sheet pg-dialog">
      <h2 id="behind-cell-title">{{ subject.name }}, on a new {{ type.name.toLowerCase() }}</h2>
      <PagedList label="People behind the cell" find="Find a person" :query-key="['matrix', 'people', subject.id, type.id, library]" :fetch="fetchPeople" :columns="COLUMNS" :at-most="12" empty="Nobody is in it.">
        <template #row="{ item }">
          <div role="cell"><PersonName link :person="item.person" /></div>
          <div role="cell"><Paling :rights="item.rights" /></div>
          <div role="cell" :class="{ quiet: item.common }">{{ item.common ? 'as most' : item.rights.length === 0 ? 'has nothing' : 'differs' }}</div>
        </template>
      </PagedList>
      <div class="actions"><v-btn @click="emit('close')">Close</v-btn></div>
    </div>
  </v-dialog>
</template>
