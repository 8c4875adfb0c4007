<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { counted, moment } from '@/common/words'

/** What was found when a file was held against what the system said. */
defineProps<{ verdict: Schemas['Verdict'] }>()
</script>

<template>
  <div class="found">
    <p v-if="verdict.same" class="good">
      <strong>This is what was said at change {{ verdict.change }}.</strong> {{ counted(verdict.rows, 'row') }}, all
      as they were.
    </p>
    <p v-else class="caution">
      <strong>This is not what was said at change {{ verdict.change }}:</strong>
      {{ counted(verdict.altered, 'cell') }} altered, {{ counted(verdict.added, 'row') }} added,
      {{ counted(verdict.leftOut, 'row') }} left out.
      <template v-if="verdict.altered + verdict.added + verdict.leftOut + verdict.addedParts.length + verdict.missingColumns.length === 0 && !verdict.intact"
        >The rows are as they were; the digest in its identity is not theirs.</template
      >
    </p>
    <p class="quiet">
      {{ verdict.title }}, {{ moment(verdict.at) }}.<template v-if="!verdict.whole && !verdict.same">
        You may not know all there is: rows that you may not know count as added, and totals as altered.</template
      >
    </p>
    <p v-for="part in verdict.addedParts" :key="part" class="fault">Added, and never said: {{ part }}.</p>
    <p v-if="verdict.sinceTheLastOne" class="quiet">
      What it says under “Since the last one” is not part of the statement and is not checked: compare the two statements.
    </p>
    <p v-for="column in verdict.missingColumns" :key="column" class="fault">
      The column “{{ column }}” is missing.
    </p>
    <table v-if="verdict.cells.length > 0" class="pg-table">
      <caption class="quiet">
        Altered cells
      </caption>
      <thead>
        <tr>
          <th scope="col">Row</th>
          <th scope="col">Column</th>
          <th scope="col">Says</th>
          <th scope="col">Was</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(cell, i) in verdict.cells" :key="i">
          <td>{{ cell.row === 0 ? 'Cover' : cell.row }}</td>
          <td>{{ cell.column }}</td>
          <td>{{ cell.says }}</td>
          <td>{{ cell.said }}</td>
        </tr>
      </tbody>
    </table>
    <ul v-if="verdict.addedRows.length > 0" aria-label="Rows added">
      <li v-for="row in verdict.addedRows" :key="row.row">
        Row {{ row.row }} was added: {{ row.cells.filter(Boolean).join(' · ') }}
      </li>
    </ul>
    <ul v-if="verdict.leftOutRows.length > 0" aria-label="Rows left out">
      <li v-for="(row, i) in verdict.leftOutRows" :key="i">Left out: {{ row.filter(Boolean).join(' · ') }}</li>
    </ul>
  </div>
</template>

<style scoped>
.found {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
caption {
  text-align: left;
}
th,
td {
  text-align: left;
  padding: 2px 10px 2px 0;
  vertical-align: top;
}
</style>
