<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import Paling from '@/paling/Paling.vue'
import SubjectPicker from '@/people/SubjectPicker.vue'
import { useSession } from '@/session/useSession'
import FaultList from '@/shell/FaultList.vue'
import { beginningOf } from '@/shell/instants'
import { counted, day } from '@/shell/words'
import { useDrafting } from '@/tray/useDrafting'

const props = defineProps<{ type: Schemas['TypeView'] }>()
const { may } = useSession()
const { faults, busy, draft } = useDrafting()
const roles = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const subject = ref<Schemas['SubjectView']>()
const role = ref<string>()
const until = ref('')
const complete = computed(() => subject.value !== undefined && role.value !== undefined)

async function clear() {
  const change = { kind: 'addClearance' as const, type: props.type.id, subject: { kind: subject.value!.kind, id: subject.value!.id }, role: role.value!, until: beginningOf(until.value) }
  if (await draft([change])) {
    subject.value = undefined
    until.value = ''
  }
}
function end(clearance: Schemas['ClearanceView']) {
  void draft([
    { kind: 'removeClearance', type: props.type.id, subject: { kind: clearance.subject.kind, id: clearance.subject.id }, role: clearance.role, from: clearance.from, until: clearance.until },
  ])
}
</script>

<template>
  <section class="clearances" aria-labelledby="cleared-title">
    <h3 id="cleared-title">Who is cleared, and for what at most</h3>
    <ul class="sheet">
      <li v-for="one in type.clearances" :key="one.subject.kind + one.subject.id + one.role + one.from">
        <span>
          <strong>{{ one.subject.name }}</strong> <span class="quiet">{{ counted(one.subject.people, 'person', 'people') }}</span>
          <span v-if="one.subject.outsiders > 0" class="mark outsider">{{ counted(one.subject.outsiders, 'outsider') }}</span>
          <span v-if="!one.current" class="mark">does not hold now</span>
        </span>
        <Paling :rights="one.rights" :role="one.roleName" />
        <span>{{ one.roleName }}<template v-if="one.until">, until {{ day(one.until) }}</template></span>
        <button v-if="may('types')" type="button" class="linklike" :aria-label="`End the clearance of ${one.subject.name}`" @click="end(one)">End it</button>
      </li>
      <li v-if="type.clearances.length === 0" class="caution">Nobody: papers of this type are closed to everybody but overseers.</li>
    </ul>
    <div v-if="may('types')" class="add">
      <SubjectPicker v-model="subject" label="Clear whom" />
      <v-select v-model="role" :items="roles.data.value ?? []" item-title="name" item-value="id" label="For, at most" hide-details />
      <v-text-field v-model="until" type="date" label="Until (no end if left empty)" hide-details />
      <v-btn size="small" :disabled="!complete" :loading="busy" @click="clear">Add to the draft</v-btn>
    </div>
    <FaultList :faults="faults" />
  </section>
</template>

<style scoped>
.clearances {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
ul {
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 1.4fr auto 1fr auto;
  gap: 14px;
  align-items: center;
  padding: 7px 14px;
  border-bottom: 1px solid var(--pg-line);
}
.add {
  display: grid;
  grid-template-columns: 1.4fr 1fr 1fr auto;
  gap: 10px;
  align-items: center;
}
</style>
