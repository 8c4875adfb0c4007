<script setup lang="ts">
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { asFile } from '@/api/file'
import { counted, moment } from '@/common/words'

/** A file of a statement, dropped here, is held against what the system said. */
const emit = defineEmits<{ close: [] }>()
const verdict = ref<Schemas['Verdict']>()
const name = ref('')
const fault = ref('')
const busy = ref(false)
const over = ref(false)
const input = ref<HTMLInputElement>()

async function check(file: File | undefined) {
  if (file === undefined) return
  name.value = file.name
  verdict.value = undefined
  fault.value = ''
  busy.value = true
  try {
    verdict.value = await answer(
      api.POST('/api/statements/verification', asFile(file)),
    )
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
function dropped(event: DragEvent) {
  over.value = false
  void check(event.dataTransfer?.files[0])
}
</script>

<template>
  <v-dialog
    :model-value="true"
    max-width="860"
    scrollable
    aria-labelledby="verify-title"
    @update:model-value="emit('close')"
  >
    <div class="sheet pg-dialog">
      <h2 id="verify-title">Check a file</h2>
      <p class="quiet">
        A statement that was taken away as a workbook, PDF, CSV or JSON is held against what was said at its change:
        every row, every cell. It may have been sorted, filtered and saved by another program since. Nothing of it is
        kept.
      </p>
      <div
        class="drop"
        :class="{ over }"
        @dragover.prevent="over = true"
        @dragleave="over = false"
        @drop.prevent="dropped"
      >
        <input
          ref="input"
          type="file"
          aria-label="The file of a statement"
          accept=".xlsx,.pdf,.csv,.json,.jsonl"
          @change="check(input?.files?.[0])"
        />
        <span class="quiet">or drop it here</span>
      </div>
      <p v-if="busy" role="status">Checking {{ name }} …</p>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <div v-if="verdict" class="verdict" role="status" tabindex="0" aria-label="What was found">
        <p v-if="verdict.same" class="good">
          <strong>This is what was said at change {{ verdict.change }}.</strong> {{ counted(verdict.rows, 'row') }}, all
          as they were.
        </p>
        <p v-else class="caution">
          <strong>This is not what was said at change {{ verdict.change }}:</strong>
          {{ counted(verdict.altered, 'cell') }} altered, {{ counted(verdict.added, 'row') }} added,
          {{ counted(verdict.leftOut, 'row') }} left out.
          <template v-if="verdict.altered + verdict.added + verdict.leftOut === 0 && !verdict.intact"
            >The rows are as they were; the digest in its identity is not theirs.</template
          >
        </p>
        <p class="quiet">
          {{ verdict.title }}, {{ moment(verdict.at) }}.<template v-if="!verdict.whole && !verdict.same">
            You may not know all there is: rows that you may not know count as added.</template
          >
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
              <td>{{ cell.row }}</td>
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
      <div class="actions"><v-btn @click="emit('close')">Close</v-btn></div>
    </div>
  </v-dialog>
</template>

<style scoped>
.drop {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 18px;
  border: 1px dashed currentcolor;
  border-radius: 4px;
}
.over {
  outline: 2px solid currentcolor;
}
.verdict {
  display: flex;
  flex-direction: column;
  gap: 8px;
  max-height: 50vh;
  overflow: auto;
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
