<script setup lang="ts">
import { ref, useId, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { counted } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import { useDrafting } from '@/tray/useDrafting'

/** Many people at once, pasted from a spreadsheet: what was read is shown before anything is drafted. */
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const text = ref('')
const read = ref<Schemas['TableView']>()
const id = useId()
const readings = ref(0)
watch(read, () => readings.value++)
const fetchRows = inPage(() => read.value?.rows ?? [], (row) => `${row.name} ${row.login ?? ''} ${row.email ?? ''} ${row.unit ?? ''}`, { line: (row) => row.line, name: (row) => row.name, unit: (row) => row.unit ?? '' })
const COLUMNS = [
  { title: 'Line', width: '40px', sort: 'line' },
  { title: 'Name', width: '1.2fr', sort: 'name' },
  { title: 'Login', width: '1fr' },
  { title: 'Unit', width: '1fr', sort: 'unit' },
]

async function save() {
  if (read.value !== undefined) {
    if (await draft(read.value.changes)) open.value = false
    return
  }
  faults.value = []
  try {
    read.value = await answer(api.POST('/api/people/table', { body: { text: text.value } }))
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="720" scrollable aria-labelledby="people-table-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="people-table-title">Many people at once</h2>
      <p class="quiet">
        Paste a table from a spreadsheet, or a CSV. The first line names the columns: <code>name,login,email,unit,outsider</code>, in any order; only <code>name</code> must be there.
      </p>
      <v-textarea v-model="text" v-focus-first aria-label="The table" rows="8" @update:model-value="read = undefined" />
      <div v-if="read" role="status">
        <p v-for="fault in read.faults" :key="`${fault.line}${fault.what}`" class="fault">Line {{ fault.line }}: {{ fault.what }} {{ fault.remedy }}</p>
        <p>
          <strong>{{ counted(read.rows.length, 'person', 'people') }} read.</strong>
        </p>
        <PagedList label="People read" find="Find a line" :query-key="['people-table', id, readings]" :fetch="fetchRows" :columns="COLUMNS" :row-height="28" :at-most="6" empty="Nobody.">
          <template #row="{ item }">
            <div role="cell" class="quiet">{{ item.line }}</div>
            <div role="cell">{{ item.name }} <span v-if="item.outsider" class="mark outsider">outsider</span></div>
            <div role="cell" class="quiet">{{ item.login }}</div>
            <div role="cell" class="quiet">{{ item.unit }}</div>
          </template>
        </PagedList>
      </div>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="text.trim() === '' || (read !== undefined && (read.faults.length > 0 || read.rows.length === 0))" :loading="busy">{{
          read ? `Add ${counted(read.rows.length, 'person', 'people')} to the draft` : 'See what it makes'
        }}</v-btn>
      </div>
    </form>
  </PageDialog>
</template>
