<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'

/** Keeps what is asked under a name, for oneself; without its day, so that it can be asked again. */
const props = defineProps<{ recipe: string; kept: Schemas['KeptStatement'][] }>()
const emit = defineEmits<{ close: [] }>()
const name = ref('')
const faults = ref<FaultLine[]>([])
const queries = useQueryClient()

async function act(doing: () => Promise<unknown>) {
  faults.value = []
  try {
    await doing()
    await queries.invalidateQueries({ queryKey: ['statement', 'kept'] })
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
async function keep() {
  await act(() => answer(api.POST('/api/statements/kept', { body: { name: name.value.trim(), recipe: props.recipe } })))
  if (faults.value.length === 0) emit('close')
}
</script>

<template>
  <PageDialog :model-value="true" max-width="520" aria-labelledby="keep-title" @update:model-value="emit('close')">
    <form class="sheet pg-dialog" @submit.prevent="keep">
      <h2 id="keep-title">Keep this statement</h2>
      <v-text-field v-model="name" v-focus-first label="Name" maxlength="120" />
      <p class="quiet">
        What is asked is kept, for you alone; the rows are made anew whenever you open it. One of the same name is
        replaced.
      </p>
      <ul v-if="kept.length > 0" aria-label="Kept so far">
        <li v-for="one in kept" :key="one.id">
          {{ one.name }}
          <button
            type="button"
            class="linklike"
            :aria-label="`Forget ${one.name}`"
            @click="act(() => answer(api.DELETE('/api/statements/kept/{id}', { params: { path: { id: one.id } } })))"
          >
            forget
          </button>
        </li>
      </ul>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="emit('close')">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="name.trim() === ''">Keep it</v-btn>
      </div>
    </form>
  </PageDialog>
</template>
