<script setup lang="ts">
import { ref } from 'vue'
import { answer, api } from '@/api/client'
import { moment } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'

/** Content that was put into documents: it alters a place without a draft, so no change holds it. */
const cut = ref(false)
async function fetchPuts(part: Part) {
  const found = await answer(api.GET('/api/journal/contents', { params: { query: part } }))
  cut.value = found.cut
  return found.puts
}
const COLUMNS = [
  { title: 'Document', width: 'minmax(220px, 2fr)' },
  { title: 'Version', width: '70px' },
  { title: 'Kind', width: 'minmax(120px, 0.8fr)' },
  { title: 'By', width: 'minmax(120px, 0.8fr)' },
  { title: 'On', width: '150px' },
]
</script>

<template>
  <div class="room pg-room">
    <div class="bar">
      <h1>Content put into documents</h1>
      <div id="find-put" class="find-here"></div>
      <router-link :to="{ name: 'journal' }">Changes</router-link>
    </div>
    <p class="quiet">
      Whoever may revise a document can put content into it without a draft. No change in the journal says so; this list does.
      <template v-if="cut">Only the newest 20,000 are listed.</template>
    </p>
    <div class="sheet fills">
      <PagedList
        label="Content put into documents, newest first"
        find="Find a document or a name"
        find-in="#find-put"
        :query-key="['journal', 'contents']"
        :fetch="fetchPuts"
        :columns="COLUMNS"
        empty="Nothing has been put into any document."
      >
        <template #row="{ item }">
          <div role="cell" class="path" :title="item.path">
            <router-link :to="{ name: 'places', params: { id: item.place } }">{{ item.path }}</router-link>
          </div>
          <div role="cell" class="number">{{ item.version }}</div>
          <div role="cell" class="quiet">{{ item.mediaType }}</div>
          <div role="cell">{{ item.by }}</div>
          <div role="cell" class="quiet">{{ moment(item.at) }}</div>
        </template>
      </PagedList>
    </div>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 16px;
}
.fills {
  flex: 1;
  min-height: 200px;
}
.path {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
