<script setup lang="ts">
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import DraftedMark from '@/common/DraftedMark.vue'
import { number } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'

defineProps<{ chosen: string | undefined }>()
const emit = defineEmits<{ choose: [id: string] }>()

const { draftAt } = useDrafting()
const fetchGroups = (part: Part) => answer(api.GET('/api/groups', { params: { query: part } }))

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
  { title: 'Group', width: '1fr', sort: 'name' },
  { title: 'People', width: '78px', sort: '-people' },
  { title: 'Outsiders', width: '92px', sort: '-outsiders' },
  { title: 'Entries', width: '76px', sort: '-entries' },
]
</script>

<template>
  <div class="list-with-filter">
    <div class="sheet list">
      <PagedList
        label="Groups"
        :query-key="['groups', 'list']"
        :fetch="fetchGroups"
        :columns="COLUMNS"
        empty="No group of that name."
        find="Find a group"
        find-in="#find-here"
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
