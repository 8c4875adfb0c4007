<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { asFile } from '@/api/file'
import PageDialog from '@/common/PageDialog.vue'
import { counted } from '@/common/words'

/** A file that was filled in elsewhere is read first: what it says, what cannot be taken and why; then its good rows are kept. */
const props = defineProps<{ round: number }>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const file = ref<File>()
const found = ref<Schemas['Return']>()
const fault = ref('')
const busy = ref(false)
const confirmed = ref(false)
const input = ref<HTMLInputElement>()
const toKeep = computed(() => (found.value === undefined ? 0 : found.value.fresh - (confirmed.value ? 0 : found.value.changed.length)))

async function send(keep: boolean) {
  if (file.value === undefined) return
  fault.value = ''
  busy.value = true
  try {
    found.value = await answer(
      api.POST('/api/reviews/{round}/return', {
        params: { path: { round: props.round }, query: { keep, confirmed: confirmed.value ? (found.value?.seen ?? '') : '' } },
        ...asFile(file.value),
      }),
    )
    // Not waited for: the dialog would be another height once that has come, under the pointer of whoever presses Close.
    if (keep) void queries.invalidateQueries({ queryKey: ['reviews'] })
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
function took() {
  file.value = input.value?.files?.[0]
  found.value = undefined
  confirmed.value = false
  void send(false)
}
</script>

<template>
  <PageDialog :model-value="true" max-width="820" scrollable aria-labelledby="return-title" @update:model-value="emit('close')">
    <div class="sheet pg-dialog">
      <h2 id="return-title">Bring a file back</h2>
      <p class="quiet">The workbook or CSV that was handed out, filled in. It is read first; nothing is kept until you say so. What cannot be taken is listed by cell, and does not hold up the rest.</p>
      <input ref="input" type="file" aria-label="The file that comes back" accept=".xlsx,.csv" @change="took" />
      <p v-if="busy" role="status">Reading {{ file?.name }} …</p>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <div v-if="found" class="found" role="status" tabindex="0" aria-label="What the file says">
        <p v-if="found.kept" class="good"><strong>Kept: {{ counted(found.written, 'decision') }}.</strong> {{ found.faults.length > 0 ? 'Correct the cells below in the file and bring it back again; what is kept already is not changed by that.' : '' }}</p>
        <p>{{ counted(found.answers, 'decision') }}: {{ found.fresh }} new, {{ found.same }} as they are here already. {{ counted(found.open, 'row decides', 'rows decide') }} nothing.</p>
        <table v-if="found.faults.length > 0">
          <caption class="fault">{{ counted(found.faults.length, 'cell') }} cannot be taken</caption>
          <thead><tr><th scope="col">Row</th><th scope="col">Column</th><th scope="col">What is wrong, and what would be right</th></tr></thead>
          <tbody>
            <tr v-for="(one, i) in found.faults" :key="i"><td>{{ one.row }}</td><td>{{ one.column }}</td><td>{{ one.what }} {{ one.remedy }}</td></tr>
          </tbody>
        </table>
        <template v-if="found.changed.length > 0 && (!found.kept || found.written < found.fresh)">
          <p class="caution">{{ counted(found.changed.length, 'thing is', 'things are') }} no longer as they were when the file was handed out:</p>
          <ul><li v-for="one in found.changed" :key="one.row">Row {{ one.row }}, {{ one.decision }}: {{ one.sentence }}</li></ul>
          <v-checkbox v-model="confirmed" label="I have looked; keep these decisions too" />
        </template>
        <details v-if="found.missing.length > 0">
          <summary>{{ counted(found.missing.length, 'item is', 'items are') }} not in the file and stay as they are</summary>
          <ul><li v-for="one in found.missing" :key="one">{{ one }}</li></ul>
        </details>
      </div>
      <div class="actions">
        <v-btn @click="emit('close')">Close</v-btn>
        <v-btn v-if="found && (!found.kept || found.written < found.fresh)" class="is-main" :disabled="toKeep === 0" :loading="busy" @click="send(true)">Keep {{ counted(toKeep, 'decision') }}</v-btn>
      </div>
    </div>
  </PageDialog>
</template>

<style scoped>
.found {
  max-height: 52vh;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
table {
  border-collapse: collapse;
}
caption,
th,
td {
  text-align: left;
  padding: 2px 12px 2px 0;
  vertical-align: top;
}
</style>
