<script setup lang="ts">
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PageDialog from '@/common/PageDialog.vue'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import PersonName from '@/people/PersonName.vue'
import { useDraft } from '@/tray/useDraft'
import type { WhyTarget } from '@/common/useWhy'
import WhyDialog from '@/why/WhyDialog.vue'

/** The people behind one cell of the matrix, with what each would have; those first who differ from most. */
const props = defineProps<{ subject: Schemas['SubjectView']; type: Schemas['TypeName']; library: string | undefined; place: string }>()
const emit = defineEmits<{ close: [] }>()
const fetchPeople = (part: Part) =>
  answer(api.GET('/api/types/matrix/people', { params: { query: { library: props.library, type: props.type.id, kind: props.subject.kind, subject: props.subject.id, ...part } } }))
const { draft } = useDraft()
const why = ref<WhyTarget>()
/** Of a document that is not there yet: in the library, or anywhere where nothing more is said. */
function ask(person: string) {
  why.value = { person, place: props.place, type: props.type.id, drafted: (draft.value?.items.length ?? 0) > 0 }
}
const COLUMNS = [
  { title: 'Person', width: '1.2fr', sort: 'name' },
  { title: 'Rights', width: '78px' },
  { title: 'Like most', width: '1fr', sort: 'other' },
  { title: 'Why', width: '56px' },
]
</script>

<template>
  <PageDialog :model-value="true" max-width="620" aria-labelledby="behind-cell-title" @update:model-value="emit('close')">
    <div class="sheet pg-dialog">
      <h2 id="behind-cell-title">{{ subject.name }}, on a new {{ type.name.toLowerCase() }}</h2>
      <PagedList label="People behind the cell" find="Find a person" :query-key="['matrix', 'people', subject.id, type.id, library]" :fetch="fetchPeople" :columns="COLUMNS" :at-most="12" empty="Nobody is in it.">
        <template #row="{ item }">
          <div role="cell"><PersonName link :person="item.person" /></div>
          <div role="cell"><Paling :rights="item.rights" /></div>
          <div role="cell" :class="{ quiet: item.common }">{{ item.common ? 'as most' : item.rights.length === 0 ? 'has nothing' : 'differs' }}</div>
          <div role="cell"><button type="button" class="linklike" :aria-label="`Why ${item.person.name} would have this`" @click="ask(item.person.id)">why</button></div>
        </template>
      </PagedList>
      <div class="actions"><v-btn @click="emit('close')">Close</v-btn></div>
    </div>
    <WhyDialog v-if="why" :target="why" @close="why = undefined" />
  </PageDialog>
</template>
