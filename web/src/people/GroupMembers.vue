<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { NEVER, partOf, type Part } from '@/lists/part'
import { useChoice } from '@/lists/useChoice'
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

interface Line {
  member: Member
  gone: boolean
}
const lines = computed<Line[]>(() => [...props.members.map((member) => ({ member, gone: false })), ...props.gone.map((member) => ({ member, gone: true }))])
const KEYS = { name: (line: Line) => line.member.name, people: (line: Line) => line.member.people, until: (line: Line) => line.member.until ?? NEVER }
const found = (part: Part) => partOf(lines.value, part, (line) => line.member.name, KEYS)
/** Everything that is found, in the order in which it stands: what can be chosen among. */
const inOrder = ref<Line[]>([])
const fetchMembers = (part: Part) => {
  inOrder.value = found({ ...part, offset: 0, limit: lines.value.length }).items
  return Promise.resolve(found(part))
}
const keyOf = (member: Member) => `${member.kind}:${member.id}:${member.from ?? ''}`
const chosen = ref<string[]>([])
const choosable = computed(() => inOrder.value.filter((line) => !line.gone))
const { all, some, toggle, toggleAll } = useChoice(() => choosable.value.map((line) => keyOf(line.member)), chosen)
const chosenMembers = computed(() => props.members.filter((member) => chosen.value.includes(keyOf(member))))
/** Outsiders, and groups of nobody else. */
const fromOutside = computed(() => choosable.value.filter(({ member }) => member.external || (member.kind === 'group' && member.outsiders > 0 && member.outsiders === member.people)).map((line) => keyOf(line.member)))
watch(
  () => props.members,
  (now) => {
    const there = new Set(now.map(keyOf))
    chosen.value = chosen.value.filter((key) => there.has(key))
  },
)

const COLUMNS = [
  ...(may('people') ? [{ title: 'Choose', width: '24px', silent: true }] : []),
  { title: 'Member', width: 'minmax(130px, 1fr)', sort: 'name' },
  { title: 'People', width: '68px', sort: '-people' },
  { title: 'Period', width: '142px', sort: 'until' },
  { title: 'Actions', width: '104px', silent: true },
]

function takeOut(...members: Member[]) {
  void draftAt(members.map((member) => ({ kind: 'removeMember', group: props.id, memberKind: member.kind, member: member.id, from: member.from, until: member.until })))
}

/** Members are carried by drag too: the tray says what it changes. */
function grab(event: DragEvent, member: Member) {
  event.dataTransfer?.setData('application/x-pg-member', JSON.stringify({ ...member, group: props.id }))
}
</script>

<template>
  <div class="whole">
  <div v-if="may('people') && (choosable.length > 1 || chosenMembers.length > 0)" class="tools" role="toolbar" aria-label="Many members at once">
    <label><input type="checkbox" :checked="all" :indeterminate="some" @change="toggleAll" /> Choose all {{ choosable.length }}</label>
    <button v-if="fromOutside.length > 0 && fromOutside.length < choosable.length" type="button" class="linklike" @click="chosen = [...new Set([...chosen, ...fromOutside])]">Choose {{ fromOutside.length }} from outside</button>
    <template v-if="chosenMembers.length > 0">
      <span>{{ counted(chosenMembers.length, 'member') }} chosen</span>
      <v-btn size="small" @click="takeOut(...chosenMembers)">Take {{ chosenMembers.length === 1 ? 'it' : 'them' }} out</v-btn>
    </template>
  </div>
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
      <div v-if="may('people')" role="cell">
        <input v-if="!out" type="checkbox" :checked="chosen.includes(keyOf(member))" :aria-label="`Choose ${member.name}`" title="With Shift: all from the one chosen last" @click="toggle(keyOf(member), $event.shiftKey)" />
      </div>
      <div role="cell" class="who" :class="{ gone: out }" :draggable="may('people') && !out" :data-outsiders="member.external || member.outsiders > 0" @dragstart="grab($event, member)">
        <span v-if="out" class="name">{{ member.name }}</span>
        <router-link v-else :to="{ name: 'people', params: { view: member.kind === 'group' ? 'groups' : 'persons', id: member.id } }">{{ member.name }}</router-link>
        <span v-if="out" class="mark lose">taken out by your draft</span>
        <template v-else>
          <span v-if="member.kind === 'group'" class="quiet">group</span>
          <span v-if="member.external" class="mark outsider">outsider</span>
          <span v-if="!member.active" class="mark">not active</span>
          <DraftedMark :drafted="member.drafted" />
        </template>
      </div>
      <div role="cell" class="people">
        <template v-if="member.kind === 'group'">
          {{ member.people }}
          <span v-if="!out && member.outsiders > 0" class="mark outsider" :title="counted(member.outsiders, 'outsider')">{{ member.outsiders }}<span class="sr"> {{ member.outsiders === 1 ? 'outsider' : 'outsiders' }}</span></span>
        </template>
      </div>
      <div role="cell"><PeriodBar v-if="!out" :from="member.from" :until="member.until" :current="member.current" /></div>
      <div role="cell" class="acts">
        <template v-if="may('people') && !out">
          <button type="button" class="linklike" :aria-label="`Move ${member.name} to another group`" @click="emit('move', member)">Move</button>
          <button type="button" class="linklike" :aria-label="`Take ${member.name} out of the group`" @click="takeOut(member)">Take out</button>
        </template>
      </div>
    </template>
  </PagedList>
  </div>
</template>

<style scoped>
.whole {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.members {
  flex: 1;
  min-height: 0;
}
.tools {
  display: flex;
  gap: 6px 16px;
  align-items: center;
  flex-wrap: wrap;
  padding: 6px 14px 0;
}
input[type='checkbox'] {
  width: 16px;
  height: 16px;
  accent-color: rgb(var(--v-theme-primary));
}
.people {
  display: flex;
  gap: 6px;
  align-items: center;
}
.who {
  display: flex;
  gap: 0 6px;
  align-items: center;
  align-content: center;
  height: 100%;
  padding-left: 8px;
  margin-left: -8px;
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
