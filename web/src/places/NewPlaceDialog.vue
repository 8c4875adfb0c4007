<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PageDialog from '@/common/PageDialog.vue'
import PersonPicker from '@/people/PersonPicker.vue'
import FaultList from '@/common/FaultList.vue'
import { useDrafting } from '@/tray/useDrafting'
import FieldInputs from './FieldInputs.vue'
import PlacePicker from './PlacePicker.vue'
import { typesIn } from './typesThere'

const props = defineProps<{ parent: string; parentName: string; parentKind: string; /** The library in which it stands. */ library?: string | undefined }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()

const KINDS: Record<string, { value: string; title: string }[]> = {
  repository: [
    { value: 'library', title: 'Library' },
    { value: 'link', title: 'Link' },
  ],
}
const kinds = computed(
  () =>
    KINDS[props.parentKind] ?? [
      { value: 'folder', title: 'Folder' },
      { value: 'document', title: 'Document' },
      { value: 'link', title: 'Link' },
    ],
)
const kind = ref(kinds.value[0]!.value)
const name = ref('')
const type = ref<string | null>()
const owner = ref<Schemas['PersonView']>()
const target = ref<Schemas['Found']>()
const values = ref<Record<string, string>>({})
const types = useQuery({ queryKey: ['types'], queryFn: () => answer(api.GET('/api/types')) })
const chosen = computed(() => types.data.value?.find((one) => one.id === type.value))
const missing = computed(() => (chosen.value?.fields ?? []).filter((field) => field.required && !values.value[field.key]))

async function save(another: boolean) {
  const added = await draft([
    {
      kind: 'addPlace',
      placeKind: kind.value,
      parent: props.parent,
      name: name.value,
      labels: kind.value === 'document' ? values.value : undefined,
      type: type.value ?? undefined,
      owner: owner.value?.id,
      target: target.value?.id,
    },
  ])
  if (!added) return
  if (another) {
    name.value = ''
    values.value = {}
  } else open.value = false
}
</script>

<template>
  <PageDialog v-model="open" max-width="600" scrollable aria-labelledby="new-title">
    <form class="sheet pg-dialog" @submit.prevent="save(false)">
      <h2 id="new-title">A new place below {{ parentName }}</h2>
      <div class="segments" role="group" aria-label="Kind">
        <button v-for="one in kinds" :key="one.value" type="button" :aria-pressed="kind === one.value" @click="kind = one.value">{{ one.title }}</button>
      </div>
      <v-text-field v-model="name" v-focus-first label="Name" maxlength="300" />
      <template v-if="kind === 'document'">
        <v-select v-model="type" :items="typesIn(types.data.value, library)" item-title="name" item-value="id" label="Document type (none if left empty)" clearable />
        <FieldInputs v-if="chosen" v-model="values" pick-people :fields="chosen.fields" />
        <PersonPicker v-model="owner" label="Owner (nobody if left empty)" />
        <p v-if="missing.length > 0" class="caution">Required and still empty: {{ missing.map((field) => field.label).join(', ') }}.</p>
      </template>
      <PlacePicker v-if="kind === 'link'" v-model="target" label="The place it shows" />
      <p v-if="kind === 'link'" class="quiet">Access to what a link shows is decided there, never here.</p>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Close</v-btn>
        <v-btn :disabled="name.trim() === ''" :loading="busy" @click="save(true)">Add, and another</v-btn>
        <v-btn type="submit" class="is-main" :disabled="name.trim() === '' || (kind === 'link' && target === undefined)" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
.segments {
  align-self: flex-start;
}
form {
  overflow: auto;
}
</style>
