<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import Paling from '@/paling/Paling.vue'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/shell/DraftedMark.vue'
import { counted } from '@/shell/words'
import RoleDetail from './RoleDetail.vue'

const route = useRoute()
const router = useRouter()
const { may } = useSession()
const query = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const roles = computed(() => query.data.value ?? [])
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : undefined))
/** Counts the forms for new roles, so that the end of one does not close the next; 0 while there is none. */
const making = ref(0)
let made = 0
const chosen = computed(() => (making.value > 0 ? undefined : roles.value.find((role) => role.id === id.value)))

function begin() {
  making.value = ++made
}
function end(form: number) {
  if (making.value === form) making.value = 0
}
function choose(role: string) {
  making.value = 0
  void router.push({ name: 'roles', params: { id: role } })
}
</script>

<template>
  <div class="roles">
    <section class="left" aria-label="Roles">
      <div class="head">
        <h1>Roles</h1>
        <v-btn v-if="may('access')" size="small" class="is-main" @click="begin">New role</v-btn>
      </div>
      <ul class="sheet">
        <li v-for="role in roles" :key="role.id" :data-chosen="role.id === chosen?.id">
          <Paling :rights="role.rights" decorative />
          <div>
            <button type="button" class="linklike row-name" @click="choose(role.id)">{{ role.name }}</button> <DraftedMark :drafted="role.drafted" />
            <p class="quiet">
              {{ counted(role.grants, 'grant') }} to {{ counted(role.people, 'person', 'people') }}<template v-if="role.clearances > 0"> · {{ counted(role.clearances, 'clearance') }}</template
              ><template v-if="role.ceilings > 0"> · {{ counted(role.ceilings, 'ceiling') }}</template>
            </p>
            <p v-if="role.sameAs.length > 0" class="caution">The very same rights as {{ role.sameAs.join(', ') }}.</p>
          </div>
        </li>
        <li v-if="query.isFetched.value && roles.length === 0" class="quiet">There are no roles yet. A role is a named set of rights: make one for each way in which people work.</li>
      </ul>
    </section>
    <section class="right" aria-label="The role">
      <RoleDetail v-if="making > 0" :key="making" :roles="roles" :form="making" @done="end" />
      <RoleDetail v-else-if="chosen" :key="`${chosen.id} ${chosen.rights.join()}`" :role="chosen" :roles="roles" @done="() => undefined" />
      <p v-else class="quiet hint">Choose a role to see what it lets people do, where it is used, and what would change if it changed.</p>
    </section>
  </div>
</template>

<style scoped>
.roles {
  height: 100%;
  display: flex;
  gap: 20px;
  padding: 16px 22px;
}
.left {
  width: 380px;
  flex: none;
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
ul {
  list-style: none;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 14px;
  align-items: center;
  padding: 9px 14px;
  border-bottom: 1px solid var(--pg-line);
}
li[data-chosen='true'] {
  background: rgba(var(--v-theme-primary), 0.09);
}
.right {
  flex: 1;
  min-width: 0;
  overflow: auto;
  padding-top: 8px;
}
.hint {
  padding: 46px 20px;
}
@media (max-width: 900px) {
  .roles {
    flex-direction: column;
    overflow: auto;
  }
  .left {
    width: 100%;
  }
}
</style>
