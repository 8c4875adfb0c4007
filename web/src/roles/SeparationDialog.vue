<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { RIGHTS } from '@/paling/rights'
import { useDrafting } from '@/tray/useDrafting'

/** What is kept apart: two sides or more, each naming roles, rights, groups or duties. */
const props = defineProps<{ line?: Schemas['SeparationView'] | undefined }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const DUTIES: { value: Schemas['KeptApartSide']['duties'][number]; title: string }[] = (['ACCESS', 'PEOPLE', 'TYPES', 'WALLS', 'OVERSIGHT', 'ROUNDS', 'AUDIT', 'SYSTEM'] as const).map((duty) => ({ value: duty, title: duty.toLowerCase() }))
const SIDES_AT_MOST = 10
const GROUPS_AT_MOST = 500

const roles = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const types = useQuery({ queryKey: ['types'], queryFn: () => answer(api.GET('/api/types')) })
const groups = useQuery({ queryKey: ['groups', 'all'], queryFn: () => answer(api.GET('/api/groups', { params: { query: { limit: GROUPS_AT_MOST } } })) })
const name = ref(props.line?.name ?? '')
const reason = ref(props.line?.reason ?? '')
const within = ref<Schemas['SeparationView']['within']>(props.line?.within ?? 'PLACE')
const needsApproval = ref(props.line?.needsApproval ?? false)
let keys = 0
const blank = () => ({ key: ++keys, roles: [] as string[], rights: [] as string[], groups: [] as string[], duties: [] as Schemas['KeptApartSide']['duties'], types: [] as string[] })
const sides = ref(props.line ? props.line.sides.map((side) => ({ key: ++keys, roles: [...side.roles], rights: [...side.rights], groups: [...side.groups], duties: [...side.duties], types: [...side.types] })) : [blank(), blank()])
const some = <T,>(list: T[]) => (list.length > 0 ? list : undefined)

async function save() {
  const change: Schemas['Change'] = {
    kind: 'setSeparation',
    ...(props.line ? { separation: props.line.id } : {}),
    name: name.value.trim(),
    reason: reason.value.trim() === '' ? undefined : reason.value.trim(),
    needsApproval: needsApproval.value,
    within: within.value,
    sides: sides.value.map((side) => ({ roles: some(side.roles), rights: some(side.rights), groups: some(side.groups), duties: some(side.duties), types: some(side.types) })),
  }
  if (await draft([change])) open.value = false
}
</script>

<template>
  <PageDialog v-model="open" max-width="860" scrollable aria-labelledby="separation-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="separation-title">{{ line ? `Change ${line.name}` : 'Keep something apart' }}</h2>
      <v-text-field v-model="name" v-focus-first label="Name" maxlength="300" hide-details />
      <v-text-field v-model="reason" label="Why (may be left empty)" maxlength="2000" hide-details />
      <div class="segments" role="group" aria-label="Where it counts">
        <button type="button" :aria-pressed="within === 'PLACE'" @click="within = 'PLACE'">At one place</button>
        <button type="button" :aria-pressed="within === 'ANYWHERE'" @click="within = 'ANYWHERE'">Anywhere</button>
      </div>
      <fieldset v-for="(side, at) in sides" :key="side.key">
        <legend>Side {{ at + 1 }}: whoever holds any of these</legend>
        <v-select v-model="side.roles" :items="roles.data.value ?? []" item-title="name" item-value="id" label="Roles" multiple clearable hide-details />
        <v-select v-model="side.rights" :items="[...RIGHTS]" label="Rights" multiple clearable hide-details />
        <v-autocomplete v-model="side.groups" :items="groups.data.value?.items ?? []" item-title="name" item-value="id" label="Being in a group" multiple clearable hide-details />
        <v-select v-model="side.duties" :items="DUTIES" label="Duties" multiple clearable hide-details />
        <v-select v-model="side.types" class="wide" :items="types.data.value ?? []" item-title="name" item-value="id" label="Roles and rights only on documents of these types (everywhere if left empty)" multiple clearable hide-details />
        <button v-if="sides.length > 2" type="button" class="linklike wide" @click="sides.splice(at, 1)">Leave this side out</button>
      </fieldset>
      <v-btn size="small" class="more" :disabled="sides.length >= SIDES_AT_MOST" @click="sides.push(blank())">One more side</v-btn>
      <v-checkbox v-model="needsApproval" label="A second person must approve what brings somebody to hold it together" hide-details />
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="name.trim() === ''" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>

<style scoped>
form {
  overflow: auto;
}
.segments,
.more {
  align-self: flex-start;
}
fieldset {
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  padding: 6px 12px 10px;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
}
.wide {
  grid-column: 1 / -1;
  justify-self: start;
  width: 100%;
}
.linklike.wide {
  width: auto;
}
</style>
