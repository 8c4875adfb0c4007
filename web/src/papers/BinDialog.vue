<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PageDialog from '@/common/PageDialog.vue'
import { useNotices } from '@/common/useNotices'
import { counted, moment } from '@/common/words'

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
  <PageDialog v-model="open" max-width="820" scrollable aria-labelledby="bin-title">
    <div class="sheet pg-dialog">
      <h2 id="bin-title">Bin</h2>
      <p class="quiet">What you deleted in the last 30 days. Later on, whoever looks after the place can still undo that it was deleted.</p>
      <p v-if="bin.isError.value" class="fault" role="alert">{{ bin.error.value?.message }}</p>
      <p v-else-if="bin.data.value === undefined" role="status">Looking …</p>
      <p v-else-if="bin.data.value.items.length === 0">Nothing is in it.</p>
      <template v-else>
        <ul tabindex="0" aria-label="What you deleted">
          <li v-for="one in bin.data.value.items" :key="one.change">
            <div>
              <p>
                <strong>{{ one.name }}</strong> <span class="quiet">{{ one.type ?? one.kind }}</span>
              </p>
              <p class="quiet">Was in {{ one.where }}. Deleted {{ moment(one.deletedAt) }}; yours to put back until {{ moment(one.until) }}.</p>
              <p v-if="one.why">{{ one.why }}</p>
            </div>
            <v-btn v-if="one.why === undefined" size="small" :loading="busy === one.change" :disabled="busy !== undefined" :aria-label="`Put back ${one.name}`" @click="putBack(one)">Put back</v-btn>
          </li>
        </ul>
        <p v-if="bin.data.value.more > 0" class="quiet">and {{ counted(bin.data.value.more, 'older one') }}: put some back, and they come up.</p>
      </template>
      <div class="actions"><v-btn @click="open = false">Close</v-btn></div>
    </div>
  </PageDialog>
</template>

<style scoped>
ul {
  list-style: none;
  max-height: 60vh;
  overflow: auto;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
  padding: 8px 0;
  border-bottom: 1px solid var(--pg-line);
}
</style>
