<script setup lang="ts">
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { asFile } from '@/api/file'
import PageDialog from '@/common/PageDialog.vue'
import FileVerdict from './FileVerdict.vue'
import StatementsCompared from './StatementsCompared.vue'

/** Files of statements, dropped here, are held against what the system said; two of one question also against each other. */
const emit = defineEmits<{ close: [] }>()
interface Checked {
  name: string
  verdict: Schemas['Verdict']
}
const checked = ref<Checked[]>([])
const compared = ref<Schemas['StatementsCompared']>()
const fault = ref('')
const busy = ref('')
const over = ref(false)
const input = ref<HTMLInputElement>()

/** Two files, or one beside the one that was checked before; a third begins anew. */
async function check(files: File[]) {
  if (files.length === 0) return
  fault.value = ''
  compared.value = undefined
  if (files.length > 1 || checked.value.length > 1) checked.value = []
  try {
    for (const file of files.slice(0, 2)) {
      busy.value = `Checking ${file.name} …`
      const verdict = await answer(api.POST('/api/statements/verification', asFile(file)))
      checked.value = [...checked.value, { name: file.name, verdict }]
    }
    const [one, other] = checked.value
    if (one !== undefined && other !== undefined) {
      busy.value = 'Comparing both …'
      compared.value = await answer(
        api.POST('/api/statements/comparison', {
          body: { before: one.verdict.identity, after: other.verdict.identity },
        }),
      )
    }
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = ''
  }
}
function dropped(event: DragEvent) {
  over.value = false
  void check([...(event.dataTransfer?.files ?? [])])
}
</script>

<template>
  <PageDialog
    :model-value="true"
    max-width="860"
    scrollable
    aria-labelledby="verify-title"
    @update:model-value="emit('close')"
  >
    <div class="sheet pg-dialog">
      <h2 id="verify-title">Check or compare files</h2>
      <p class="quiet">
        A statement that was downloaded as a workbook, PDF, CSV or JSON is held against what was said at its change:
        every row, every cell. It may have been sorted, filtered and saved by another program since. Two statements that
        were asked the same are compared with each other too. Nothing of them is kept.
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
          multiple
          aria-label="The file of a statement, or two"
          accept=".xlsx,.pdf,.csv,.json,.jsonl"
          @change="check([...(input?.files ?? [])])"
        />
        <span class="quiet">{{ checked.length === 1 ? 'or a second one, to compare' : 'or drop it here' }}</span>
      </div>
      <p v-if="busy" role="status">{{ busy }}</p>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <div v-if="checked.length > 0" class="verdict" role="status" tabindex="0" aria-label="What was found">
        <template v-for="(one, i) in checked" :key="i">
          <h3 v-if="checked.length > 1">{{ one.name }}</h3>
          <FileVerdict :verdict="one.verdict" />
        </template>
        <StatementsCompared v-if="compared" :compared="compared" @leave="emit('close')" />
      </div>
      <div class="actions"><v-btn @click="emit('close')">Close</v-btn></div>
    </div>
  </PageDialog>
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
</style>
