<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { inPage, NEVER } from '@/lists/part'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/common/DraftedMark.vue'
import { counted } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'
import PeriodBar from './PeriodBar.vue'

type Member = Schemas['Member']

/** The members of a group's own; those that the draft takes out stay in sight. */
const props = defineProps<{
  id: string
  members: Member[]
  gone: Member[]
  /** Another one is another list. */
  version: number
}>()
const emit = defineEmits<{ move: [member: Member] }>()
const { may } = useSession()
const { draftAt } = useDrafting()

const lines = computed(() => [...props.members.map((member) => ({ member, gone: false })), ...props.gone.map((member) => ({ member, gone: true }))])
const fetchMembers = inPage(
  () => lines.value,
  (line) => line.member.name,
  { name: (line) => line.member.name, people: (line) => line.member.people, until: (line) => line.member.until ?? NEVER },
)

const COLUMNS = [
  { title: 'Member', width: 'minmax(150px, 1fr)', sort: 'name' },
  { title: 'People', width: '72px', sort: '-people' },
  { title: 'Period', width: '210px', sort: 'until' },
  { title: 'Act on it', width: '120px', silent: true },
]

function takeOut(member: Member) {
  void draftAt([{ kind: 'removeMember', group: props.id, memberKind: member.kind, member: member.id, from: member.from, until: member.until }])
}

/** Members are carried by drag too: the tray says what it changes. */
function grab(event: DragEvent, member: Member) {
  event.dataTransfer?.setData('application/x-pg-member', JSON.stringify({ ...member, group: props.id }))
}
</script>

<template>
  <PagedList
    class="members"
    label="Members"
    :query-key="['groups', 'members', id, version]"
    :fetch="fetchMembers"
    :columns="COLUMNS"
    find="Find a member"
    empty="Nobody is in it yet. Add members one by one, or paste a column of names."
  >
    <template #row="{ item: { member, gone: out } }">
      <div role="cell" class="who" :class="{ gone: out }" :draggable="may('people') && !out" :data-outsiders="member.external || member.outsiders > 0" @dragstart="grab($event, member)">
        <span v-if="out" class="name">{{ member.name }}</span>
        <router-link v-else :to="{ name: 'people', params: { view: member.kind === 'group' ? 'groups' : 'persons', id: member.id } }">{{ member.name }}</router-link>
        <span v-if="out" class="mark lose">taken out by your draft</span>
        <template v-else>
          <span v-if="member.kind === 'group'" class="quiet">a group</span>
          <span v-if="member.external" class="mark outsider">outsider</span>
          <span v-else-if="member.outsiders > 0" class="mark outsider">{{ counted(member.outsiders, 'outsider') }}</span>
          <span v-if="!member.active" class="mark">not active</span>
          <DraftedMark :drafted="member.drafted" />
        </template>
      </div>
      <div role="cell">{{ member.kind === 'group' ? member.people : '' }}</div>
      <div role="cell"><PeriodBar v-if="!out" :from="member.from" :until="member.until" :current="member.current" /></div>
      <div role="cell" class="acts">
        <template v-if="may('people') && !out">
          <button type="button" class="linklike" :aria-label="`Move ${member.name} to another group`" @click="emit('move', member)">Move</button>
          <button type="button" class="linklike" :aria-label="`Take ${member.name} out of the group`" @click="takeOut(member)">Take out</button>
        </template>
      </div>
    </template>
  </PagedList>
</template>

<style scoped>
.who {
  display: flex;
  gap: 0 8px;
  align-items: center;
  align-content: center;
  height: 100%;
  padding-left: 8px;
  margin-left: -14px;
  border-left: 3px solid transparent;
}
.who[draggable='true'] {
  cursor: grab;
}
.who[data-outsiders='true'] {
  border-left: 3px dashed rgb(var(--v-theme-warning));
}
.gone .name {
  text-decoration: line-through;
}
.acts {
  display: flex;
  gap: 12px;
}
</style>
