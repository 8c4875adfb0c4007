<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { useDrafting } from '@/tray/useDrafting'

const props = defineProps<{ unit?: { id: string; name: string; parent?: string } }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const units = useQuery({ queryKey: ['units'], queryFn: () => answer(api.GET('/api/units')) })
const others = computed(() => (units.data.value ?? []).filter((one) => one.id !== props.unit?.id))
const form = ref<HTMLFormElement>()
const name = ref(props.unit?.name ?? '')
const parent = ref<string | null | undefined>(props.unit?.parent)

/** After one, the next stands below the same. */
async function save(another: boolean) {
  if (!(await draft([{ kind: 'setUnit', unit: props.unit?.id, name: name.value, parent: parent.value ?? undefined }]))) return
  if (!another) open.value = false
  else {
    name.value = ''
    form.value?.querySelector('input')?.focus()
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="520" aria-labelledby="unit-title">
    <form ref="form" class="sheet pg-dialog" @submit.prevent="save(false)">
      <h2 id="unit-title">{{ unit ? `Change ${unit.name}` : 'Make a unit' }}</h2>
      <v-text-field v-model="name" v-focus-first label="Name" maxlength="300" />
      <v-select v-model="parent" :items="others" item-title="name" item-value="id" label="Below (at the top if left empty)" clearable />
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn v-if="unit === undefined" :disabled="name.trim() === ''" :loading="busy" @click="save(true)">Add, and another</v-btn>
        <v-btn type="submit" class="is-main" :disabled="name.trim() === ''" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>
