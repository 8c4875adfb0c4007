<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import FieldInputs from '@/places/FieldInputs.vue'

/** Adds a folder or a document, of a type that the person may add here. */
const props = defineProps<{ detail: Schemas['PaperDetail'] }>()
const open = defineModel<boolean>({ required: true })
const router = useRouter()
const client = useQueryClient()
const name = ref('')
const type = ref<string>(props.detail.adds[0]?.id ?? 'folder')
const values = ref<Record<string, string>>({})
const faults = ref<FaultLine[]>([])
const busy = ref(false)
const kinds = computed(() => [
  ...props.detail.adds.map((one) => ({ value: one.id, title: one.name })),
  ...(props.detail.addsFolders ? [{ value: 'none', title: 'Document without a type' }, { value: 'folder', title: 'Folder' }] : []),
])
const chosen = computed(() => props.detail.adds.find((one) => one.id === type.value))

async function save() {
  busy.value = true
  faults.value = []
  try {
    const folder = type.value === 'folder'
    const made = await answer(
      api.POST('/api/papers/places/{id}/children', {
        params: { path: { id: props.detail.paper.id } },
        body: { name: name.value, folder, type: folder || type.value === 'none' ? undefined : type.value, labels: values.value },
      }),
    )
    await client.invalidateQueries({ queryKey: ['papers'] })
    open.value = false
    void router.push({ name: 'papers', params: { id: made.id } })
  } catch (error) {
    faults.value = faultsOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="560" scrollable aria-labelledby="new-paper-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="new-paper-title">Add to {{ detail.paper.name }}</h2>
      <v-text-field v-model="name" v-focus-first label="Name" maxlength="300" />
      <v-select v-model="type" :items="kinds" label="What it is" />
      <FieldInputs v-if="chosen" v-model="values" :fields="chosen.fields" />
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="name.trim() === ''" :loading="busy">Add it</v-btn>
      </div>
    </form>
  </PageDialog>
</template>
