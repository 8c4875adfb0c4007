<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PageDialog from '@/common/PageDialog.vue'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import FaultList from '@/common/FaultList.vue'
import { listed } from '@/common/words'
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

const grants = computed(() => (detail.data.value?.own ?? []).filter((one) => one.kind === 'grant'))
type Grant = Schemas['EntryView']
const words = (entry: Grant) => `${entry.role} at ${entry.placeName}${entry.types.length > 0 ? `, only ${listed(entry.types)}` : ''}`
const fetchGroups = inPage(() => offered.value, (one) => one.name, { name: (one) => one.name })
const fetchGrants = inPage(() => grants.value, words, { grant: words, place: (entry) => entry.placeName })
const GROUP = [{ title: 'Group', width: '1fr', sort: 'name' }]
const GRANT = [
  { title: 'Grant', width: '1.4fr', sort: 'grant' },
  { title: 'Where', width: '1fr', sort: 'place' },
]

// Memberships are proposed; single grants only if somebody ticks them.
watch(offered, (now) => (groups.value = now.map((one) => one.group)))

async function save() {
  const changes: Schemas['Change'][] = [
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
  <PageDialog v-model="open" max-width="560" scrollable aria-labelledby="like-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="like-title">Make {{ person.name }} like somebody else</h2>
      <PersonPicker v-model="model" label="Like whom" />
      <template v-if="detail.data.value">
        <fieldset>
          <legend>Groups to be put into as well</legend>
          <PagedList
            label="Groups to be put into"
            find="Find a group"
            :query-key="['like', 'groups', person.id, model?.id, offered.length]"
            :fetch="fetchGroups"
            :columns="GROUP"
            :row-height="40"
            :at-most="6"
            :empty="`${person.name} is in all of their groups already.`"
          >
            <template #row="{ item: one }">
              <div role="cell"><v-checkbox v-model="groups" :value="one.group" :label="one.name" hide-details /></div>
            </template>
          </PagedList>
        </fieldset>
        <fieldset v-if="grants.length > 0">
          <legend>Single grants, only if ticked</legend>
          <PagedList label="Single grants" find="Find a grant" :query-key="['like', 'grants', model?.id, grants.length]" :fetch="fetchGrants" :columns="GRANT" :row-height="40" :at-most="5" empty="None.">
            <template #row="{ item: entry }">
              <div role="cell"><v-checkbox v-model="entries" :value="entry.id" :label="words(entry)" hide-details /></div>
              <div role="cell" class="quiet">{{ entry.placeName }}</div>
            </template>
          </PagedList>
        </fieldset>
      </template>
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="groups.length + entries.length === 0" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
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
