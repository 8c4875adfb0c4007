<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/common/DraftedMark.vue'
import TwoSides from '@/common/TwoSides.vue'
import { counted, number } from '@/common/words'
import KeptApart from './KeptApart.vue'
import RoleDetail from './RoleDetail.vue'

const route = useRoute()
const router = useRouter()
const { may } = useSession()
const query = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const roles = computed(() => query.data.value ?? [])
const fetchRoles = inPage(
  () => roles.value,
  (role) => role.name,
  {
    rights: (role) => role.rights.length,
    name: (role) => role.name,
    grants: (role) => role.grants,
    people: (role) => role.people,
  },
)
const COLUMNS = [
  { title: 'Rights', width: '78px', sort: 'rights' },
  { title: 'Role', width: '1fr', sort: 'name' },
  { title: 'Grants', width: '72px', sort: '-grants' },
  { title: 'People', width: '72px', sort: '-people' },
]
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : undefined))
/** Counts the forms for new roles, so that the end of one does not close the next; 0 while there is none. */
const making = ref(0)
let made = 0
const chosen = computed(() => (making.value > 0 ? undefined : roles.value.find((role) => role.id === id.value)))

// Whoever goes to a role by another way (back, the palette, a link) sees that one.
watch(id, () => (making.value = 0))

function begin() {
  making.value = ++made
}
function end(form: number) {
  if (making.value === form) making.value = 0
}
function apart() {
  making.value = 0
  void router.push({ name: 'roles' })
}
function choose(role: string) {
  making.value = 0
  void router.push({ name: 'roles', params: { id: role } })
}
</script>

<template>
  <TwoSides list="Roles" chosen="The role">
    <template #head>
      <h1>Roles</h1>
      <div id="find-here" class="find-here"></div>
      <v-btn v-if="id || making > 0" size="small" @click="apart">Kept apart</v-btn>
      <v-btn v-if="may('access')" size="small" class="is-main" @click="begin">New role</v-btn>
    </template>
    <template #list>
      <div class="sheet fills">
        <PagedList
          label="Roles"
          :query-key="['roles', 'list', query.dataUpdatedAt.value]"
          :fetch="fetchRoles"
          :columns="COLUMNS"
          find="Find a role"
          find-in="#find-here"
          :empty="
            query.isFetched.value
              ? 'There are no roles yet. A role is a named set of rights: make one for each way in which people work.'
              : 'Fetching the roles …'
          "
        >
          <template #row="{ item: role }">
            <div role="cell"><Paling :rights="role.rights" decorative /></div>
            <div role="cell" :data-chosen="role.id === chosen?.id">
              <button type="button" class="linklike row-name" @click="choose(role.id)">{{ role.name }}</button>
              <DraftedMark :drafted="role.drafted" />
              <span
                v-if="role.sameAs.length > 0"
                class="mark warn"
                :title="`The very same rights as ${role.sameAs.join(', ')}.`"
                >same as {{ role.sameAs.join(', ') }}</span
              >
              <span v-else-if="role.clearances + role.ceilings > 0" class="quiet more">
                {{
                  [
                    role.clearances > 0 ? counted(role.clearances, 'clearance') : '',
                    role.ceilings > 0 ? counted(role.ceilings, 'ceiling') : '',
                  ]
                    .filter((part) => part !== '')
                    .join(' · ')
                }}
              </span>
            </div>
            <div role="cell">{{ number(role.grants) }}</div>
            <div role="cell">{{ number(role.people) }}</div>
          </template>
        </PagedList>
      </div>
    </template>
    <RoleDetail v-if="making > 0" :key="making" :roles="roles" :form="making" @done="end" />
    <RoleDetail
      v-else-if="chosen"
      :key="`${chosen.id} ${chosen.rights.join()}`"
      :role="chosen"
      :roles="roles"
      @done="() => undefined"
    />
    <div v-else class="hint">
      <p class="quiet">Choose a role to see what it lets people do, where it is used, and what would change if it changed.</p>
      <KeptApart />
    </div>
  </TwoSides>
</template>
