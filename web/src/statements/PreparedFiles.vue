<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PageDialog from '@/common/PageDialog.vue'
import { toTheEndOf } from '@/common/dates'
import { counted, moment } from '@/common/words'
import { FORMATS, KINDS, partsOf, size, timeLeft, WEEKDAYS } from './statement'

/** Files that are made in the background: how far each is, and where it waits. And those that come by themselves. */
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const fault = ref('')
const files = useQuery({
  queryKey: ['statement', 'prepared'],
  queryFn: () => answer(api.GET('/api/statements/prepared')),
  staleTime: 0,
  refetchInterval: (query) => (query.state.data?.some(isUnderWay) ? 1000 : false),
})
const regular = useQuery({
  queryKey: ['statement', 'regular'],
  queryFn: () => answer(api.GET('/api/statements/regular')),
})
function isUnderWay(file: Schemas['PreparedFile']) {
  return file.state === 'waiting' || file.state === 'in the making'
}
const underWay = computed(() => (files.data.value ?? []).filter(isUnderWay).length)
/** Until it is begun nothing is known of it but what was asked. */
const titleOf = (file: Schemas['PreparedFile']) =>
  file.regular ?? (file.title || (KINDS.find((one) => one.kind === partsOf(file.recipe).kind)?.title ?? file.recipe))
const formatOf = (value: string) => FORMATS.find((one) => one.value === value)?.title ?? value
const share = (file: Schemas['PreparedFile']) =>
  file.rowsExpected ? Math.min(100, Math.round((100 * file.rows) / file.rowsExpected)) : undefined
function far(file: Schemas['PreparedFile']): string {
  if (file.state === 'waiting') return 'Waits until one before it is done.'
  const made = file.rowsExpected
    ? `${file.rows.toLocaleString('en-GB')} of ${file.rowsExpected.toLocaleString('en-GB')} rows`
    : `${file.rows.toLocaleString('en-GB')} rows so far`
  return file.secondsLeft === undefined ? made : `${made}, ${timeLeft(file.secondsLeft)}`
}
function when(one: Schemas['RegularStatement']): string {
  return one.every === 'week' ? `every ${WEEKDAYS[one.day - 1]}` : `on day ${one.day} of every month`
}

async function act(doing: () => Promise<unknown>) {
  fault.value = ''
  try {
    await doing()
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error)
  }
  await queries.invalidateQueries({ queryKey: ['statement', 'prepared'] })
  await queries.invalidateQueries({ queryKey: ['statement', 'regular'] })
}
const forget = (id: number) =>
  act(() => answer(api.DELETE('/api/statements/prepared/{id}', { params: { path: { id } } })))
const end = (id: number) => act(() => answer(api.DELETE('/api/statements/regular/{id}', { params: { path: { id } } })))
</script>

<template>
  <PageDialog
    :model-value="true"
    max-width="820"
    scrollable
    aria-labelledby="prepared-title"
    @update:model-value="emit('close')"
  >
    <div class="sheet pg-dialog">
      <h2 id="prepared-title">Prepared files</h2>
      <p v-if="files.isPending.value" role="status">Looking for them …</p>
      <p v-else-if="files.isError.value" class="fault" role="alert">{{ files.error.value?.message }}</p>
      <p v-else-if="files.data.value?.length === 0" class="quiet">
        None. Choose <em>Later</em> beside a statement, and its file is made while you do something else. It waits here,
        for you alone, for a week.
      </p>
      <p class="sr" role="status">{{ counted(underWay, 'file') }} under way.</p>
      <ul v-if="files.data.value?.length" class="files" tabindex="0" aria-label="Prepared files">
        <li v-for="file in files.data.value" :key="file.id">
          <div class="what">
            <strong>{{ titleOf(file) }}</strong>
            <span class="quiet">{{ formatOf(file.format) }}, as of change {{ file.change }}, {{ moment(file.at) }}</span>
            <template v-if="isUnderWay(file)">
              <v-progress-linear
                :model-value="share(file) ?? 0"
                :indeterminate="file.state === 'in the making' && share(file) === undefined"
                :aria-label="`How far ${titleOf(file)} is`"
                height="6"
              />
              <span class="quiet">{{ far(file) }}</span>
            </template>
            <span v-else-if="file.state === 'failed'" class="fault">Not made. {{ file.failure }}</span>
            <span v-else-if="file.state === 'unchanged'" class="quiet">
              It says what the last one said, so no file was made.
            </span>
            <span v-else class="quiet"
              >{{ counted(file.rows, 'row') }}, {{ size(file.bytes) }}. {{ file.keptUntil ? `Kept ${toTheEndOf(file.keptUntil)}.` : '' }}</span
            >
          </div>
          <v-btn
            v-if="file.state === 'ready'"
            size="small"
            class="is-main"
            :href="`/api/statements/prepared/${file.id}/file`"
            :aria-label="`Download ${titleOf(file)}`"
            download
            >Download</v-btn
          >
          <v-btn
            size="small"
            :aria-label="`${isUnderWay(file) ? 'Cancel' : 'Delete'} ${titleOf(file)}`"
            @click="forget(file.id)"
            >{{ isUnderWay(file) ? 'Cancel' : 'Delete' }}</v-btn
          >
        </li>
      </ul>
      <template v-if="regular.data.value?.length">
        <h3>Regular statements</h3>
        <ul class="files" aria-label="Regular statements">
          <li v-for="one in regular.data.value" :key="one.id">
            <div class="what">
              <strong>{{ one.name }}</strong>
              <span class="quiet"
                >{{ formatOf(one.format) }}, {{ when(one) }}{{ one.onlyIfChanged ? ', if it changed' : '' }}; next
                {{ moment(one.nextAt) }}</span
              >
            </div>
            <v-btn size="small" :aria-label="`End ${one.name}`" @click="end(one.id)">End it</v-btn>
          </li>
        </ul>
      </template>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <div class="actions"><v-btn v-focus-first @click="emit('close')">Close</v-btn></div>
    </div>
  </PageDialog>
</template>

<style scoped>
.files {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 46vh;
  overflow: auto;
}
li {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 8px 0;
  border-bottom: 1px solid var(--pg-line);
}
.what {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
  gap: 3px;
}
</style>
