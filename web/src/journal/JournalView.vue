<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { moment } from '@/shell/words'
import ChangeContent from './ChangeContent.vue'

const route = useRoute()
const chosen = computed(() => (typeof route.params.number === 'string' && route.params.number !== '' ? Number(route.params.number) : undefined))

const fetchChanges = (offset: number, limit: number) => answer(api.GET('/api/journal', { params: { query: { offset, limit } } }))
const change = useQuery({
  queryKey: computed(() => ['journal', 'change', chosen.value]),
  enabled: computed(() => chosen.value !== undefined),
  queryFn: () => answer(api.GET('/api/journal/{number}', { params: { path: { number: chosen.value! }, query: { limit: 1 } } })),
})
</script>

<template>
  <div class="journal">
    <section class="left" aria-label="Changes">
      <h1>Journal</h1>
      <div class="sheet list">
        <PagedList
          label="Changes, newest first"
          :query-key="['journal', 'list']"
          :fetch="fetchChanges"
          :columns="[
            { title: 'No.', width: '44px' },
            { title: 'Change', width: '1fr' },
          ]"
          :row-height="70"
          empty="Nothing has been put in force yet."
        >
          <template #row="{ item }">
            <div role="cell" class="number">{{ item.number }}</div>
            <div role="cell" class="change" :data-chosen="item.number === chosen">
              <router-link :to="{ name: 'journal', params: { number: item.number } }">{{ item.note }}</router-link>
              <span class="quiet">{{ item.author }}, {{ moment(item.at) }}</span>
            </div>
          </template>
        </PagedList>
      </div>
    </section>
    <section class="right" aria-label="The change">
      <p v-if="chosen === undefined" class="quiet hint">Choose a change to see exactly what it altered, before and after.</p>
      <p v-else-if="change.isError.value" class="fault" role="alert">{{ change.error.value?.message }}</p>
      <template v-else-if="change.data.value">
        <h2>Change {{ change.data.value.change.number }}: {{ change.data.value.change.note }}</h2>
        <p class="quiet">
          {{ change.data.value.change.origin === 'import' ? 'Brought in' : 'Put in force' }} by {{ change.data.value.change.author }}, {{ moment(change.data.value.change.at) }}.
          {{ change.data.value.altered.total }} {{ change.data.value.altered.total === 1 ? 'thing' : 'things' }} altered.
        </p>
        <div class="sheet list"><ChangeContent :key="chosen" :number="chosen" /></div>
      </template>
      <p v-else role="status">Fetching the change …</p>
    </section>
  </div>
</template>

<style scoped>
.journal {
  height: 100%;
  display: flex;
  gap: 20px;
  padding: 16px 22px;
}
.left {
  width: 380px;
  flex: none;
}
.left,
.right {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}
.right {
  flex: 1;
  min-width: 0;
}
.hint {
  padding-top: 40px;
}
.list {
  flex: 1;
  min-height: 200px;
}
.number {
  font-family: var(--pg-serif);
  font-weight: 600;
}
.change {
  display: flex;
  flex-direction: column;
}
.change > * {
  overflow: hidden;
  text-overflow: ellipsis;
}
.change[data-chosen='true'] a {
  font-weight: 600;
}
@media (max-width: 900px) {
  .journal {
    flex-direction: column;
    overflow: auto;
  }
  .left {
    width: auto;
  }
  .list {
    flex: none;
    height: 380px;
  }
}
</style>
