<script setup lang="ts">
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import DraftedMark from '@/shell/DraftedMark.vue'
import { number } from '@/shell/words'
import { useDrafting } from '@/tray/useDrafting'

defineProps<{ chosen: string | undefined }>()
const emit = defineEmits<{ choose: [id: string] }>()

const { draftAt } = useDrafting()
const text = ref('')
const fetchGroups = (offset: number, limit: number) => answer(api.GET('/api/groups', { params: { query: { text: text.value, offset, limit } } }))
/** A member that is dragged from its group to this one. */
function moveHere(group: string, carried: string) {
  const member = JSON.parse(carried) as Schemas['Member'] & { group: string }
  if (member.group === group) return
  const one = { memberKind: member.kind, member: member.id, from: member.from, until: member.until }
  void draftAt([
    { kind: 'removeMember', group: member.group, ...one },
    { kind: 'addMember', group, ...one },
  ])
}

const COLUMNS = [
  { title: 'Group', width: '1fr' },
  { title: 'People', width: '68px' },
  { title: 'Outsiders', width: '78px' },
  { title: 'Entries', width: '60px' },
]
</script>

<template>
  <div class="list-with-filter">
    <v-text-field v-model="text" label="Find a group" clearable hide-details @click:clear="text = ''" />
    <div class="sheet list">
      <PagedList
        label="Groups"
        :query-key="['groups', text ?? '']"
        :fetch="fetchGroups"
        :columns="COLUMNS"
        empty="No group of that name."
        takes="application/x-pg-member"
        @dropped="(group, carried) => moveHere(group.id, carried)"
      >
        <template #row="{ item }">
          <div role="cell" :data-chosen="item.id === chosen">
            <button type="button" class="linklike row-name" @click="emit('choose', item.id)">{{ item.name }}</button>
            <DraftedMark :drafted="item.drafted" />
            <span v-if="item.people === 0" class="mark">nobody in it</span>
          </div>
          <div role="cell">{{ number(item.people) }}</div>
          <div role="cell"><span v-if="item.outsiders > 0" class="mark outsider">{{ number(item.outsiders) }}</span></div>
          <div role="cell" class="quiet">{{ number(item.entries) }}</div>
        </template>
      </PagedList>
    </div>
  </div>
</template>
