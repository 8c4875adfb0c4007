<script setup lang="ts">
import { ref } from 'vue'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { useDrafting } from '@/tray/useDrafting'

const props = defineProps<{ group?: { id: string; name: string; description?: string } }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const form = ref<HTMLFormElement>()
const name = ref(props.group?.name ?? '')
const description = ref(props.group?.description ?? '')

async function save(another: boolean) {
  if (!(await draft([{ kind: 'setGroup', group: props.group?.id, name: name.value, description: description.value || undefined }]))) return
  if (!another) open.value = false
  else {
    name.value = description.value = ''
    form.value?.querySelector('input')?.focus()
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="520" aria-labelledby="group-title">
    <form ref="form" class="sheet pg-dialog" @submit.prevent="save(false)">
      <h2 id="group-title">{{ group ? `Rename ${group.name}` : 'Make a group' }}</h2>
      <v-text-field v-model="name" v-focus-first label="Name" maxlength="300" />
      <v-textarea v-model="description" label="What it is for (may be left empty)" rows="2" maxlength="2000" />
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn v-if="group === undefined" :disabled="name.trim() === ''" :loading="busy" @click="save(true)">Add, and another</v-btn>
        <v-btn type="submit" class="is-main" :disabled="name.trim() === ''" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>
