<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import FaultList from '@/shell/FaultList.vue'
import { listed } from '@/shell/words'
import { useDrafting } from '@/tray/useDrafting'
import PersonPicker from './PersonPicker.vue'

const props = defineProps<{ person: Schemas['PersonView'] }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const model = ref<Schemas['PersonView']>()
const groups = ref<string[]>([])
const entries = ref<string[]>([])

const detail = useQuery({
  queryKey: computed(() => ['people', 'one', model.value?.id]),
  enabled: computed(() => model.value !== undefined),
  queryFn: () => answer(api.GET('/api/people/{id}', { params: { path: { id: model.value!.id } } })),
})
const own = useQuery({ queryKey: ['people', 'one', props.person.id], queryFn: () => answer(api.GET('/api/people/{id}', { params: { path: { id: props.person.id } } })) })
const offered = computed(() => (detail.data.value?.groups ?? []).filter((one) => one.current && own.data.value?.groups.every((has) => has.group !== one.group)))

// Memberships are proposed; single grants only if somebody ticks them.
watch(offered, (now) => (groups.value = now.map((one) => one.group)))

async function save() {
  const changes: Schemas['ChangeBody'][] = [
    ...offered.value
      .filter((one) => groups.value.includes(one.group))
      .map((one) => ({ kind: 'addMember' as const, group: one.group, memberKind: 'person', member: props.person.id, until: one.until })),
    ...(detail.data.value?.own ?? [])
      .filter((entry) => entries.value.includes(entry.id) && entry.roleId !== undefined)
      .map((entry) => ({
        kind: 'addGrant' as const,
        place: entry.place,
        subject: { kind: 'person', id: props.person.id },
        role: entry.roleId!,
        types: entry.typeIds,
        until: entry.until,
      })),
  ]
  if (await draft(changes)) open.value = false
}
</script>

<template>
  <v-dialog v-model="open" max-width="560" scrollable aria-labelledby="like-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="like-title">Make {{ person.name }} like somebody else</h2>
      <PersonPicker v-model="model" label="Like whom" />
      <template v-if="detail.data.value">
        <fieldset>
          <legend>Groups to be put into as well</legend>
          <v-checkbox v-for="one in offered" :key="one.group" v-model="groups" :value="one.group" :label="one.name" hide-details />
          <p v-if="offered.length === 0" class="quiet">{{ person.name }} is in all of their groups already.</p>
        </fieldset>
        <fieldset v-if="detail.data.value.own.length > 0">
          <legend>Single grants, only if ticked</legend>
          <v-checkbox
            v-for="entry in detail.data.value.own.filter((one) => one.kind === 'grant')"
            :key="entry.id"
            v-model="entries"
            :value="entry.id"
            :label="`${entry.role} at ${entry.placeName}${entry.types.length > 0 ? `, only ${listed(entry.types)}` : ''}`"
            hide-details
          />
        </fieldset>
      </template>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="groups.length + entries.length === 0" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
fieldset {
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  padding: 4px 12px 8px;
}
form {
  overflow: auto;
}
</style>
