<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import { day, moment } from '@/common/words'
import { useSession } from '@/session/useSession'

/** Who sees to a finding, and what was said about it. */
const props = defineProps<{ findingKey: string }>()
const { may, account } = useSession()
const queries = useQueryClient()
const name = computed(() => ['findings', 'care', props.findingKey])
const query = useQuery({
  queryKey: name,
  queryFn: () => answer(api.GET('/api/findings/carers', { params: { query: { key: props.findingKey } } })),
})
const care = computed(() => query.data.value)
const mayTake = computed(() => may('access') || may('people') || may('walls') || may('types'))
const giving = ref(false)
const colleague = ref<string>()
const colleagues = useQuery({
  queryKey: ['drafts', 'colleagues'],
  queryFn: () => answer(api.GET('/api/drafts/colleagues')),
  enabled: giving,
})
const remark = ref('')
const faults = ref<FaultLine[]>([])
async function run(act: () => Promise<Schemas['CareView'] | undefined>): Promise<boolean> {
  faults.value = []
  try {
    const now = await act()
    if (now !== undefined) queries.setQueryData(name.value, now)
    await queries.invalidateQueries({ queryKey: ['findings'] })
    return true
  } catch (error) {
    faults.value = faultsOf(error)
    return false
  }
}
const give = (login: string) => run(() => answer(api.POST('/api/findings/carers', { body: { key: props.findingKey, login } })))
const takeUp = () => give(account.value!.login)
async function giveToColleague() {
  if (colleague.value !== undefined && (await give(colleague.value))) {
    giving.value = false
    colleague.value = undefined
  }
}
const letGo = (login: string) =>
  run(() => answer(api.DELETE('/api/findings/carers', { params: { query: { key: props.findingKey, login } } })).then(() => undefined))
async function say() {
  if (await run(() => answer(api.POST('/api/findings/remarks', { body: { key: props.findingKey, text: remark.value } }))))
    remark.value = ''
}
</script>

<template>
  <section v-if="care" class="care" aria-labelledby="care-title">
    <h3 id="care-title">Who sees to it</h3>
    <p>
      <template v-if="!care.carer">Nobody.</template>
      <template v-else-if="care.carer.mine"
        >You<template v-if="care.carer.by && care.carer.by !== account?.name">: {{ care.carer.by }} gave it to you</template>, since
        {{ day(care.carer.at) }}.</template
      >
      <template v-else>{{ care.carer.name ?? 'Somebody else' }}, since {{ day(care.carer.at) }}.</template>
    </p>
    <div v-if="mayTake" class="acts">
      <v-btn v-if="!care.carer || (care.mayGive && !care.carer.mine)" size="small" @click="takeUp">I see to it</v-btn>
      <v-btn v-if="care.mayGive && !giving" size="small" @click="giving = true">Give it to somebody …</v-btn>
      <v-btn
        v-if="care.carer?.login && (care.carer.mine || care.mayGive)"
        size="small"
        :aria-label="care.carer.mine ? 'I no longer see to it' : `${care.carer.name} no longer sees to it`"
        @click="letGo(care.carer.login)"
        >{{ care.carer.mine ? 'Not any more' : 'Take it away' }}</v-btn
      >
    </div>
    <form v-if="giving" class="give" @submit.prevent="giveToColleague">
      <v-autocomplete
        v-model="colleague"
        label="Colleague"
        :items="colleagues.data.value ?? []"
        item-title="name"
        item-value="login"
      />
      <v-btn type="submit" size="small" class="is-main" :disabled="colleague === undefined">Give it</v-btn>
      <v-btn size="small" @click="giving = false">Cancel</v-btn>
    </form>
    <FaultList :faults="faults" />
    <template v-if="care.remarks.length > 0">
      <h3>What was said</h3>
      <ul class="remarks" aria-label="Remarks">
        <li v-for="(one, i) in care.remarks" :key="i">
          <span class="quiet">{{ one.by }}, {{ moment(one.at) }}</span>
          <p>{{ one.text }}</p>
        </li>
      </ul>
    </template>
    <form class="say" @submit.prevent="say">
      <v-text-field v-model="remark" label="A remark" maxlength="1000" />
      <v-btn type="submit" size="small" :disabled="remark.trim() === ''">Say it</v-btn>
    </form>
    <p class="quiet">
      {{
        care.mayGive
          ? 'Remarks are read by whoever administers everything.'
          : 'Your remarks are read by you and by whoever administers everything.'
      }}
    </p>
  </section>
  <p v-else-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
</template>

<style scoped>
.care {
  display: flex;
  flex-direction: column;
  gap: 6px;
  border-top: 1px solid var(--pg-line);
  padding-top: 8px;
}
.acts,
.give,
.say {
  display: flex;
  gap: 8px;
  align-items: center;
}
.remarks {
  list-style: none;
}
.remarks li {
  padding: 3px 0;
}
</style>
