<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import LineBehind from './LineBehind.vue'
import { columnsOf, type Asked } from './statement'

/** The rows of a statement; one that puts several people and places together opens to them. */
const props = defineProps<{ asked: Asked; columns: Schemas['StatementColumn'][]; version: number }>()
const opened = ref<{ line: number; title: string }>()
const opens = computed(() => props.asked.kind === 'place' || props.asked.kind === 'subject')
const columns = computed(() => [
  ...columnsOf(props.columns),
  ...(opens.value ? [{ title: 'Open', width: '50px' }] : []),
])

const fetchRows = async (part: Part) =>
  (await answer(api.GET('/api/statements', { params: { query: { ...props.asked, ...part } } }))).rows
</script>

<template>
  <PagedList
    still
    wide
    label="The statement"
    find="Find in the statement"
    :query-key="['statement', 'rows', asked, version]"
    :fetch="fetchRows"
    :columns="columns"
    empty="There is nothing to say."
  >
    <template #row="{ item }">
      <div
        v-for="(cell, i) in item.cells"
        :key="i"
        role="cell"
        :title="cell"
        :class="{ number: columns[i] && props.columns[i]?.number, quiet: i > 0 && !props.columns[i]?.number }"
      >
        <span class="text">{{ cell }}</span>
      </div>
      <div v-if="opens" role="cell">
        <button
          v-if="item.line !== undefined"
          type="button"
          class="linklike"
          data-opens
          :aria-label="`Open ${item.cells[0]}`"
          @click="opened = { line: item.line, title: item.cells[0] ?? '' }"
        >
          open
        </button>
      </div>
    </template>
  </PagedList>
  <LineBehind v-if="opened" :asked="asked" :line="opened.line" :title="opened.title" @close="opened = undefined" />
</template>

<style scoped>
/* The first cell stays in sight sideways and is a box of its own: its text is cut with dots like any other. */
.text {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
}
[role='cell'] {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.number {
  text-align: right;
  padding-right: 10px;
}
</style>
