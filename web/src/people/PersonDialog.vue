<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { useDrafting } from '@/tray/useDrafting'

const props = defineProps<{ person?: Schemas['PersonView'] }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const units = useQuery({ queryKey: ['units'], queryFn: () => answer(api.GET('/api/units')) })
const form = ref<HTMLFormElement>()
const name = ref(props.person?.name ?? '')
const login = ref(props.person?.login ?? '')
const email = ref(props.person?.email ?? '')
const external = ref(props.person?.external ?? false)
const active = ref(props.person?.active ?? true)
const unit = ref<string | null | undefined>(props.person?.unitId)

/** After one, the unit and the standing stay for the next: people often come together. */
async function save(another: boolean) {
  const saved = await draft([
    {
      kind: 'setPerson',
      person: props.person?.id,
      name: name.value,
      login: login.value || undefined,
      email: email.value || undefined,
      external: external.value,
      active: active.value,
      unit: unit.value ?? undefined,
    },
  ])
  if (!saved) return
  if (!another) open.value = false
  else {
    name.value = login.value = email.value = ''
    form.value?.querySelector('input')?.focus()
  }
}
</script>

<template>
  <PageDialog v-model="open" max-width="560" aria-labelledby="person-title">
    <form ref="form" class="sheet pg-dialog" @submit.prevent="save(false)">
      <h2 id="person-title">{{ person ? `Change ${person.name}` : 'Add a person' }}</h2>
      <v-text-field v-model="name" v-focus-first label="Name" maxlength="300" />
      <div class="two">
        <v-text-field v-model="login" label="Login" maxlength="200" />
        <v-text-field v-model="email" label="E-mail address" maxlength="300" />
      </div>
      <v-select v-model="unit" :items="units.data.value ?? []" item-title="name" item-value="id" label="Unit (may be left empty)" clearable />
      <v-checkbox v-model="external" label="An outsider: not on our staff" hide-details />
      <v-checkbox v-model="active" label="Active: whoever is not has no rights at all" hide-details />
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn v-if="person === undefined" :disabled="name.trim() === ''" :loading="busy" @click="save(true)">Add, and another</v-btn>
        <v-btn type="submit" class="is-main" :disabled="name.trim() === ''" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
</style>
