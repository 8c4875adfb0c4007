<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useNotices } from '@/common/useNotices'
import { moment } from '@/common/words'

/** What one deleted and may put back. */
const open = defineModel<boolean>({ required: true })
const notices = useNotices()
const client = useQueryClient()
const busy = ref<number>()
const bin = useQuery({ queryKey: ['papers', 'bin'], queryFn: () => answer(api.GET('/api/papers/bin')) })

async function putBack(one: Schemas['Binned']) {
  busy.value = one.change
  try {
    await answer(api.POST('/api/papers/bin/{change}/return', { params: { path: { change: one.change } } }))
    notices.say(`${one.name} is back in ${one.where}.`)
  } catch (error) {
    notices.fail(error)
  } finally {
    busy.value = undefined
    await client.invalidateQueries({ queryKey: ['papers'] })
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="820" scrollable aria-labelledby="bin-title">
    <div class="sheet pg-dialog">
      <h2 id="bin-title">Bin</h2>
      <p class="quiet">What you deleted in the last 30 days. Later on, whoever looks after the place can still undo that it was deleted.</p>
      <p v-if="bin.isError.value" class="fault" role="alert">{{ bin.error.value?.message }}</p>
      <p v-else-if="bin.data.value === undefined" role="status">Looking …</p>
      <p v-else-if="bin.data.value.length === 0">Nothing is in it.</p>
      <div v-else class="rows">
        <table>
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">Was in</th>
              <th scope="col">Deleted</th>
              <th scope="col">Yours to put back until</th>
              <th scope="col"><span class="sr">Put back</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in bin.data.value" :key="one.change">
              <td>
                {{ one.name }} <span class="quiet">{{ one.type ?? one.kind }}</span>
              </td>
              <td>{{ one.where }}</td>
              <td>{{ moment(one.deletedAt) }}</td>
              <td>{{ moment(one.until) }}</td>
              <td>
                <v-btn v-if="one.why === undefined" size="small" :loading="busy === one.change" :disabled="busy !== undefined" :aria-label="`Put back ${one.name}`" @click="putBack(one)">Put back</v-btn>
                <span v-else class="quiet">{{ one.why }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="actions"><v-btn @click="open = false">Close</v-btn></div>
    </div>
  </v-dialog>
</template>

<style scoped>
.rows {
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 6px 12px 6px 0;
  border-bottom: 1px solid var(--pg-line);
}
</style>
