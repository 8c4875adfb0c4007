<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { counted, moment } from '@/common/words'
import { partsOf } from './statement'

/** What one statement says and the earlier one did not. */
const props = defineProps<{ compared: Schemas['StatementsCompared'] }>()
const emit = defineEmits<{ leave: [] }>()
const rows = computed(() => [
  ...props.compared.cameRows.map((cells) => ({ what: 'came', cells, was: undefined as string[] | undefined })),
  ...props.compared.wentRows.map((cells) => ({ what: 'went', cells, was: undefined })),
  ...props.compared.alteredRows.map((row) => ({ what: 'altered', cells: row.is, was: row.was })),
])
const all = computed(() => props.compared.came + props.compared.went + props.compared.altered)
/** By which changes, with their notes and authors, is another statement's answer. */
const byWhich = computed(() => {
  const { id } = partsOf(props.compared.recipe)
  return {
    name: 'statements',
    query: {
      kind: 'difference',
      from: props.compared.before.at.slice(0, 10),
      asOf: props.compared.after.at.slice(0, 10),
      ...(id === undefined || id.includes(':') ? {} : { id }),
    },
  }
})
</script>

<template>
  <section class="compared" aria-labelledby="compared-title">
    <h3 id="compared-title">Compared with each other</h3>
    <p>
      From change {{ compared.before.change }}, {{ moment(compared.before.at) }}, to change {{ compared.after.change }},
      {{ moment(compared.after.at) }}:
      <strong v-if="all === 0">they say the same.</strong>
      <strong v-else
        >{{ counted(compared.came, 'row') }} came, {{ counted(compared.went, 'row') }} went,
        {{ counted(compared.altered, 'row') }} {{ compared.altered === 1 ? 'says' : 'say' }} something else.</strong
      >
      {{ ' ' }}
      <RouterLink v-if="all > 0" :to="byWhich" @click="emit('leave')">Who gained and lost, and by which change</RouterLink>
    </p>
    <table v-if="rows.length > 0" class="pg-table">
      <caption v-if="rows.length < all" class="quiet">
        The first two hundred of each
      </caption>
      <thead>
        <tr>
          <th scope="col">What</th>
          <th v-for="column in compared.columns" :key="column" scope="col">{{ column }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in rows" :key="i">
          <td>{{ row.what }}</td>
          <td v-for="(cell, j) in row.cells" :key="j">
            {{ cell }}<span v-if="row.was && row.was[j] !== cell" class="quiet">, was {{ row.was[j] || 'empty' }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.compared {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
table {
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 2px 10px 2px 0;
  vertical-align: top;
  min-width: 64px;
}
</style>
