<script setup lang="ts">
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { useDrafting } from '@/tray/useDrafting'
import GroupPicker from './GroupPicker.vue'

const props = defineProps<{ group: string; member: Schemas['Member'] }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const to = ref<Schemas['GroupLine']>()

async function save() {
  const one = { memberKind: props.member.kind, member: props.member.id, from: props.member.from, until: props.member.until }
  if (await draft([{ kind: 'removeMember', group: props.group, ...one }, { kind: 'addMember', group: to.value!.id, ...one }])) open.value = false
}
</script>

<template>
  <PageDialog v-model="open" max-width="460" aria-labelledby="move-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="move-title">Move {{ member.name }} to another group</h2>
      <p class="quiet">The dates go along. The tray then says what {{ member.name }} gains and loses by it.</p>
      <GroupPicker v-model="to" label="To which group" />
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :disabled="to === undefined" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </PageDialog>
</template>
