<script setup lang="ts">
import HistoryLink from '@/session/HistoryLink.vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import { CLUSTERS, LETS } from '@/paling/rights'
import { useSession } from '@/session/useSession'
import FaultList from '@/common/FaultList.vue'
import { listed } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'

const props = defineProps<{
  role?: Schemas['RoleView']
  roles: Schemas['RoleView'][]
  /** Tells one form for a new role from the next. */
  form?: number
}>()
const emit = defineEmits<{ done: [form: number] }>()

const CLUSTER_NAMES = ['See', 'Work', 'Steer']
const { may } = useSession()
const { faults, busy, draft } = useDrafting()
const name = ref(props.role?.name ?? '')
const chosen = ref<string[]>([...(props.role?.rights ?? [])])
const beside = ref<string>()

const completed = useQuery({
  queryKey: computed(() => ['roles', 'completed', [...chosen.value].sort().join()]),
  enabled: computed(() => chosen.value.length > 0),
  queryFn: () => answer(api.GET('/api/roles/completed', { params: { query: { rights: chosen.value } } })),
})
const added = computed(() => (chosen.value.length === 0 ? [] : (completed.data.value?.added ?? [])))
const whole = computed(() => (chosen.value.length === 0 ? [] : (completed.data.value?.rights ?? chosen.value)))
const altered = computed(() => name.value !== (props.role?.name ?? '') || [...whole.value].sort().join() !== [...(props.role?.rights ?? [])].sort().join())
const twin = computed(() => props.roles.find((one) => one.id !== props.role?.id && one.rights.length > 0 && [...one.rights].sort().join() === [...whole.value].sort().join()))
const other = computed(() => props.roles.find((one) => one.id === beside.value))

const fetchGrants = (part: Part) => answer(api.GET('/api/roles/{id}/grants', { params: { path: { id: props.role!.id }, query: part } }))

async function save() {
  if (await draft([{ kind: 'setRole', role: props.role?.id, name: name.value, rights: whole.value }])) emit('done', props.form ?? 0)
}
async function remove() {
  if (await draft([{ kind: 'removeRole', role: props.role!.id }])) emit('done', props.form ?? 0)
}
</script>

<template>
  <form class="detail" @submit.prevent="save">
    <div class="title">
      <v-text-field v-model="name" v-focus-first="role === undefined" label="Name of the role" maxlength="300" hide-details :readonly="!may('access')" />
      <Paling :rights="whole" :role="name" />
    </div>
    <div class="clusters">
      <fieldset v-for="(cluster, i) in CLUSTERS" :key="i" class="sheet">
        <legend>{{ CLUSTER_NAMES[i] }}</legend>
        <div v-for="right in cluster" :key="right" class="right-row" :data-added="added.includes(right)">
          <v-checkbox v-model="chosen" :value="right" :label="right" hide-details :disabled="!may('access')" />
          <p class="quiet">Lets a person {{ LETS[right] }}.</p>
          <p v-if="added.includes(right)" class="implied">added: what you chose needs it</p>
        </div>
      </fieldset>
    </div>
    <p v-if="twin" class="caution">{{ twin.name }} holds the very same rights. Two names for one thing are hard to keep apart.</p>
    <FaultList :faults="faults" />
    <div v-if="may('access')" class="acts">
      <v-btn type="submit" class="is-main" :disabled="!altered || name.trim() === '' || chosen.length === 0" :loading="busy">{{ role ? 'Add the change to the draft' : 'Add the role to the draft' }}</v-btn>
      <v-btn v-if="role && role.grants + role.clearances + role.ceilings === 0" :loading="busy" @click="remove">Remove</v-btn>
      <p class="quiet">{{ role ? 'The tray then says what changes wherever the role is used.' : 'A new role gives nobody anything until somebody is given it.' }}</p>
    </div>
    <template v-if="role">
      <div class="compare">
        <v-select v-model="beside" :items="roles.filter((one) => one.id !== role!.id)" item-title="name" item-value="id" label="Compare with" clearable hide-details />
        <template v-if="other">
          <Paling :rights="other.rights" :role="other.name" />
          <p>
            {{ role.name }} has besides: {{ listed(role.rights.filter((right) => !other!.rights.includes(right))) || 'nothing' }}. {{ other.name }} has besides:
            {{ listed(other.rights.filter((right) => !role!.rights.includes(right))) || 'nothing' }}.
          </p>
        </template>
      </div>
      <h2>Where it is used</h2>
      <HistoryLink v-if="role" :id="role.id" kind="role" :name="role.name" />
      <div class="sheet list">
        <PagedList
          label="Grants of the role"
          :query-key="['roles', 'grants', role.id]"
          :fetch="fetchGrants"
          :columns="[
            { title: 'Place', width: '1fr', sort: 'place' },
            { title: 'To', width: '1fr', sort: 'subject' },
            { title: 'Only for', width: '1fr' },
          ]"
          find="Find a place, or whom it is given to"
          empty="No grant gives it."
        >
          <template #row="{ item }">
            <div role="cell"><router-link :to="{ name: 'places', params: { id: item.place } }">{{ item.placeName }}</router-link></div>
            <div role="cell">{{ item.subjectName }}</div>
            <div role="cell" class="quiet">{{ listed(item.types) }}</div>
          </template>
        </PagedList>
      </div>
    </template>
  </form>
</template>

<style scoped>
.detail {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.title {
  display: flex;
  gap: 18px;
  align-items: center;
}
.title > :first-child {
  max-width: 360px;
}
.clusters {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
}
fieldset {
  padding: 2px 14px 10px;
}
legend {
  font-family: var(--pg-serif);
  font-weight: 600;
  padding: 0 6px;
}
.right-row p {
  margin: -6px 0 4px 38px;
  font-size: 0.92rem;
}
.right-row .implied {
  color: rgb(var(--v-theme-primary));
  font-weight: 600;
  margin-top: -4px;
}
.acts {
  display: flex;
  gap: 12px;
  align-items: center;
}
.compare {
  display: grid;
  grid-template-columns: 220px auto 1fr;
  gap: 14px;
  align-items: center;
}
.list {
  height: 300px;
}
@media (max-width: 1100px) {
  .clusters {
    grid-template-columns: 1fr;
  }
}
</style>
