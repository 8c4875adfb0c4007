<script setup lang="ts">
import HistoryLink from '@/session/HistoryLink.vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/common/DraftedMark.vue'
import { counted } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'
import AddMembersDialog from './AddMembersDialog.vue'
import GroupAccess from './GroupAccess.vue'
import GroupDialog from './GroupDialog.vue'
import GroupMembers from './GroupMembers.vue'
import GroupPeople from './GroupPeople.vue'
import MoveMemberDialog from './MoveMemberDialog.vue'

const props = defineProps<{ id: string }>()
const { may } = useSession()
const { draftAt } = useDrafting()
const query = useQuery({ queryKey: computed(() => ['groups', 'one', props.id]), queryFn: () => answer(api.GET('/api/groups/{id}', { params: { path: { id: props.id } } })) })
const data = computed(() => query.data.value)
const view = ref<'members' | 'people' | 'access' | 'beyond'>('members')
const dialog = ref<'add' | 'rename'>()
const moving = ref<Schemas['Member']>()

const VIEWS = [
  { view: 'members', title: 'Members' },
  { view: 'people', title: 'Everyone in it' },
  { view: 'access', title: 'What it has' },
  { view: 'beyond', title: 'What its people have elsewhere' },
] as const
</script>

<template>
  <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
  <p v-else-if="data === undefined" role="status">Fetching the group …</p>
  <div v-else class="detail">
    <div class="detail-title">
      <div>
        <h2>{{ data.group.name }} <DraftedMark :drafted="data.group.drafted" /></h2>
        <HistoryLink :id="data.group.id" kind="group" :name="data.group.name" />
        <p v-if="data.group.description" class="quiet">{{ data.group.description }}</p>
        <p>
          {{ counted(data.group.people, 'person', 'people') }}<template v-if="data.group.outsiders > 0">, <span class="mark outsider">{{ counted(data.group.outsiders, 'outsider') }}</span></template>
          · {{ counted(data.group.direct, 'direct member') }} · named by {{ counted(data.group.entries, 'entry', 'entries') }}
        </p>
        <p v-if="data.parents.length > 0" class="quiet">
          Lies in
          <template v-for="(parent, i) in data.parents" :key="parent.id"
            ><span v-if="i > 0">, </span><router-link :to="{ name: 'people', params: { view: 'groups', id: parent.id } }">{{ parent.name }}</router-link></template
          >, and so has what they are given.
        </p>
      </div>
      <div v-if="may('people')" class="detail-acts">
        <v-btn size="small" class="is-main" @click="dialog = 'add'">Add members</v-btn>
        <v-btn size="small" @click="dialog = 'rename'">Rename</v-btn>
        <v-btn v-if="data.group.direct === 0" size="small" @click="draftAt([{ kind: 'removeGroup', group: id }])">Remove</v-btn>
      </div>
    </div>
    <div class="segments" role="group" aria-label="What to show of the group">
      <button v-for="one in VIEWS" :key="one.view" type="button" :aria-pressed="view === one.view" @click="view = one.view">{{ one.title }}</button>
    </div>
    <div class="sheet body">
      <GroupMembers v-if="view === 'members'" :id="id" :members="data.members" :gone="data.gone" :version="query.dataUpdatedAt.value" @move="moving = $event" />
      <GroupPeople v-else-if="view === 'people' || view === 'beyond'" :id="id" :key="view" :beyond="view === 'beyond'" />
      <GroupAccess v-else :id="id" />
    </div>
    <AddMembersDialog v-if="dialog === 'add'" :model-value="true" :group="id" :group-name="data.group.name" @update:model-value="dialog = undefined" />
    <GroupDialog v-if="dialog === 'rename'" :model-value="true" :group="data.group" @update:model-value="dialog = undefined" />
    <MoveMemberDialog v-if="moving" :model-value="true" :group="id" :member="moving" @update:model-value="moving = undefined" />
  </div>
</template>

<style scoped>
.detail {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.segments {
  align-self: flex-start;
}
.body {
  flex: 1;
  min-height: 220px;
  overflow: auto;
}
</style>
