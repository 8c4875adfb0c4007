<script setup lang="ts">
import { ref, useId, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf } from '@/api/problem'
import PageDialog from '@/common/PageDialog.vue'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import FaultList from '@/common/FaultList.vue'
import { counted } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'

const props = defineProps<{ place: string; placeName: string }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const text = ref('')
const read = ref<Schemas['OutlineView']>()

/** Each reading is a list of its own. */
const id = useId()
const readings = ref(0)
watch(read, () => readings.value++)
const kindOf = (item: Schemas['ReadItem']) => `${item.kind}${item.type ? `, ${item.type}` : ''}`
const fetchItems = inPage(() => read.value?.items ?? [], (item) => `${item.name} ${kindOf(item)}`, { line: (item) => item.line, name: (item) => item.name, kind: kindOf })
const COLUMNS = [
  { title: 'Line', width: '50px', sort: 'line' },
  { title: 'Place', width: '2fr', sort: 'name' },
  { title: 'Kind', width: '1fr', sort: 'kind' },
]

async function look() {
  faults.value = []
  try {
    read.value = await answer(api.POST('/api/places/{id}/outline', { params: { path: { id: props.place } }, body: { text: text.value } }))
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
async function readFile(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file !== undefined) {
    text.value = await file.text()
    await look()
  }
}
async function save() {
  if (read.value === undefined) {
    await look()
    return
  }
  if (await draft(read.value.changes)) open.value = false
}
</script>

<template>
  <PageDialog v-model="open" max-width="720" scrollable aria-labelledby="outline-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="outline-title">Many places below {{ placeName }}</h2>
      <p class="quiet">
        One place a line; what is indented stands below. “Name = Type” makes a document of that type. Or paste rows of a CSV whose first line is
        <code>path,type</code>, with the names of fields after it: <code>path,type,Amount</code>.
      </p>
      <v-textarea v-model="text" v-focus-first aria-label="Outline" rows="8" class="outline" @update:model-value="read = undefined" />
      <label>Or choose a file <input type="file" accept=".txt,.csv,text/plain,text/csv" @change="readFile" /></label>
      <div v-if="read" role="status">
        <p v-for="fault in read.faults" :key="`${fault.line}${fault.what}`" class="fault">Line {{ fault.line }}: {{ fault.what }} {{ fault.remedy }}</p>
        <p>
          <strong>{{ counted(read.items.length, 'place') }} read.</strong>
        </p>
        <PagedList
          label="Places read"
          find="Find a place"
          :query-key="['outline', id, readings]"
          :fetch="fetchItems"
          :columns="COLUMNS"
          :row-height="28"
          :at-most="5"
          empty="No places."
        >
          <template #row="{ item, sort }">
            <div role="cell" class="quiet">{{ item.line }}</div>
            <div role="cell" :style="{ paddingLeft: sort === undefined || sort === 'line' ? `${item.depth * 20}px` : undefined }">{{ item.name }}</div>
            <div role="cell" class="quiet">{{ kindOf(item) }}</div>
          </template>
        </PagedList>
      </div>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="text.trim() === '' || (read?.faults.length ?? 0) > 0" :loading="busy">{{
          read ? `Add ${counted(read.items.length, 'place')} to the draft` : 'See what it makes'
        }}</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
.outline :deep(textarea) {
  font-family: ui-monospace, monospace !important;
}
form {
  overflow: auto;
}
</style>
