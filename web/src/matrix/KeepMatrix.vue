<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'

/** Keeps what is looked at under a name. */
const props = defineProps<{ look: Schemas['MatrixLook']; name: string }>()
const emit = defineEmits<{ close: [] }>()
const name = ref(props.name)
const shared = ref(false)
const faults = ref<FaultLine[]>([])
const queries = useQueryClient()
async function keep() {
  faults.value = []
  try {
    queries.setQueryData(
      ['matrix', 'views'],
      await answer(
        api.POST('/api/matrix/views', { body: { name: name.value, shared: shared.value, look: props.look } }),
      ),
    )
    emit('close')
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
</script>

<template>
  <PageDialog :model-value="true" max-width="520" aria-labelledby="keep-matrix-title" @update:model-value="emit('close')">
    <form class="sheet pg-dialog" @submit.prevent="keep">
      <h2 id="keep-matrix-title">Keep this matrix under a name</h2>
      <v-text-field v-model="name" v-focus-first label="Name" maxlength="200" />
      <v-checkbox v-model="shared" label="Colleagues see it too, if they may know what it names" />
      <p class="quiet">
        Which subjects and places it has is kept, not what is in the cells. What has changed in it since can be looked
        for.
      </p>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="emit('close')">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="name.trim() === ''">Keep it</v-btn>
      </div>
    </form>
  </PageDialog>
</template>
