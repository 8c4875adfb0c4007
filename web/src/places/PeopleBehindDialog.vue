<script setup lang="ts">
import { answer, api, type Schemas } from '@/api/client'
import PageDialog from '@/common/PageDialog.vue'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import PersonName from '@/people/PersonName.vue'

const props = defineProps<{ place: string; line: Schemas['AccessLine'] }>()
const open = defineModel<boolean>({ required: true })

function fetchPeople(part: Part) {
  return answer(
    api.GET('/api/places/{id}/access/{entry}/people', {
      params: { path: { id: props.place, entry: props.line.entry.id }, query: { kind: props.line.entry.kind, ...part } },
    }),
  )
}
</script>

<template>
  <PageDialog v-model="open" max-width="620" aria-labelledby="behind-title">
    <div class="sheet pg-dialog">
      <h2 id="behind-title">The people behind “{{ line.entry.subjectName }}”</h2>
      <p class="quiet">Everyone active who is named by it now, by any chain of memberships.</p>
      <div class="list">
        <PagedList
          label="People behind the line"
          :query-key="['behind', place, line.entry.kind, line.entry.id]"
          :fetch="fetchPeople"
          :columns="[
            { title: 'Person', width: '1.4fr', sort: 'name' },
            { title: 'Unit', width: '1fr', sort: 'unit' },
          ]"
          :row-height="36"
          find="Find somebody"
          empty="Nobody: the line has no effect."
        >
          <template #row="{ item }">
            <div role="cell"><PersonName link :person="item" /></div>
            <div role="cell" class="quiet">{{ item.unit }}</div>
          </template>
        </PagedList>
      </div>
      <div class="actions"><v-btn @click="open = false">Close</v-btn></div>
    </div>
  </PageDialog>
</template>

<style scoped>
.list {
  height: min(420px, 50vh);
}
</style>
