<script setup lang="ts">
import { plainly } from '@/api/problem'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import DateField from '@/common/DateField.vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { inPage, NEVER } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import SubjectPicker from '@/people/SubjectPicker.vue'
import { useSession } from '@/session/useSession'
import FaultList from '@/common/FaultList.vue'
import { endOf, toTheEndOf } from '@/common/dates'
import { counted } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'

const props = defineProps<{ type: Schemas['TypeView'] }>()
const { may } = useSession()
const { faults, busy, draft } = useDrafting()
const roles = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const subject = ref<Schemas['SubjectView']>()
const role = ref<string>()
const until = ref('')
const complete = computed(() => subject.value !== undefined && role.value !== undefined)

const COLUMNS = [
  { title: 'Who', width: 'minmax(110px, 1.4fr)', sort: 'name' },
  { title: 'People', width: '74px', sort: '-people' },
  { title: 'Paling', width: '100px', silent: true },
  { title: 'At most', width: 'minmax(80px, 1fr)', sort: 'role' },
  { title: 'Until', width: '96px', sort: 'until' },
  { title: 'Actions', width: '60px', silent: true },
]
const fetchCleared = inPage(
  () => props.type.clearances,
  (one) => `${one.subject.name} ${one.roleName}`,
  { name: (one) => one.subject.name, people: (one) => one.subject.people, role: (one) => one.roleName, until: (one) => one.until ?? NEVER },
)
/** Another list of clearances is another list. */
const version = computed(() => props.type.clearances.map((one) => [one.subject.kind, one.subject.id, one.role, one.from, one.until].join(' ')).join())

async function clear() {
  faults.value = []
  try {
    endOf(until.value)
  } catch (unread) {
    faults.value = [plainly((unread as Error).message)]
    return
  }
  const change = { kind: 'addClearance' as const, type: props.type.id, subject: { kind: subject.value!.kind, id: subject.value!.id }, role: role.value!, until: endOf(until.value) }
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
    <div class="sheet">
      <PagedList
        label="Clearances"
        :query-key="['types', 'clearances', type.id, version]"
        :fetch="fetchCleared"
        :columns="COLUMNS"
        :at-most="8"
        find="Find who is cleared"
        empty="Nobody: papers of this type are closed to everybody but overseers."
      >
        <template #row="{ item: one }">
          <div role="cell">
            <strong>{{ one.subject.name }}</strong>
            <span v-if="!one.current" class="mark">does not hold now</span>
          </div>
          <div role="cell">
            {{ counted(one.subject.people, 'person', 'people') }}
            <span v-if="one.subject.outsiders > 0" class="mark outsider">{{ counted(one.subject.outsiders, 'outsider') }}</span>
          </div>
          <div role="cell"><Paling :rights="one.rights" :role="one.roleName" /></div>
          <div role="cell">{{ one.roleName }}</div>
          <div role="cell">{{ one.until ? toTheEndOf(one.until) : 'no end' }}</div>
          <div role="cell">
            <button v-if="may('types')" type="button" class="linklike" :aria-label="`End the clearance of ${one.subject.name}`" @click="end(one)">End it</button>
          </div>
        </template>
      </PagedList>
    </div>
    <div v-if="may('types')" class="add">
      <SubjectPicker v-model="subject" label="Clear whom" />
      <v-select v-model="role" :items="roles.data.value ?? []" item-title="name" item-value="id" label="For, at most" hide-details />
      <DateField v-model="until" label="To the end of (no end if left empty)" />
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
.add {
  display: grid;
  grid-template-columns: 1.4fr 1fr 1fr auto;
  gap: 10px;
  align-items: center;
}
</style>
