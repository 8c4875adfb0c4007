<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import { day, moment } from '@/common/words'
import { useSession } from '@/session/useSession'

/** To whom a finding is assigned, and what was said about it. */
const props = defineProps<{ findingKey: string }>()
const { may, account } = useSession()
const queries = useQueryClient()
const name = computed(() => ['findings', 'follow-up', props.findingKey])
const query = useQuery({
  queryKey: name,
  queryFn: () => answer(api.GET('/api/findings/follow-up', { params: { query: { key: props.findingKey } } })),
})
const followUp = computed(() => query.data.value)
const assignment = computed(() => followUp.value?.assignment)
const mayTake = computed(() => may('access') || may('people') || may('walls') || may('types'))
const assigning = ref(false)
const colleague = ref<string>()
const colleagues = useQuery({
  queryKey: ['drafts', 'colleagues'],
  queryFn: () => answer(api.GET('/api/drafts/colleagues')),
  enabled: assigning,
})
const comment = ref('')
const busy = ref(false)
const faults = ref<FaultLine[]>([])
async function run(act: () => Promise<Schemas['FindingFollowUp'] | undefined>): Promise<boolean> {
  faults.value = []
  busy.value = true
  try {
    const now = await act()
    if (now !== undefined) queries.setQueryData(name.value, now)
    await queries.invalidateQueries({ queryKey: ['findings'] })
    return true
  } catch (error) {
    faults.value = faultsOf(error)
    // What was seen may no longer be so: it is shown as it is now, beside what was wrong.
    void query.refetch()
    return false
  } finally {
    busy.value = false
  }
}
const assign = (login: string) =>
  run(() =>
    answer(
      api.POST('/api/findings/assignment', {
        body: { key: props.findingKey, login, seen: assignment.value?.login },
      }),
    ),
  )
async function assignToColleague() {
  if (colleague.value !== undefined && (await assign(colleague.value))) {
    assigning.value = false
    colleague.value = undefined
  }
}
const takeBack = (seen: string) =>
  run(() =>
    answer(api.DELETE('/api/findings/assignment', { params: { query: { key: props.findingKey, seen } } })).then(
      () => undefined,
    ),
  )
async function say() {
  if (await run(() => answer(api.POST('/api/findings/comments', { body: { key: props.findingKey, text: comment.value } }))))
    comment.value = ''
}
</script>

<template>
  <section v-if="followUp" class="follow-up" aria-labelledby="follow-up-title">
    <h3 id="follow-up-title">Follow-up</h3>
    <p>
      <template v-if="!assignment">Assigned to nobody.</template>
      <template v-else-if="assignment.mine"
        >Assigned to you<template v-if="assignment.by && assignment.by !== account?.name"> by {{ assignment.by }}</template
        >, {{ day(assignment.at) }}.</template
      >
      <template v-else>Assigned to {{ assignment.name ?? 'somebody else' }}, {{ day(assignment.at) }}.</template>
      <strong v-if="assignment?.gone" class="warn"> They cannot come in any more.</strong>
    </p>
    <div v-if="mayTake" class="acts">
      <v-btn
        v-if="!assignment || (followUp.mayAssign && !assignment.mine)"
        size="small"
        :disabled="busy"
        @click="assign(account!.login)"
        >Take it on</v-btn
      >
      <v-btn v-if="followUp.mayAssign && !assigning" size="small" @click="assigning = true">Assign it …</v-btn>
      <v-btn
        v-if="assignment?.login && (assignment.mine || followUp.mayAssign)"
        size="small"
        :disabled="busy"
        :aria-label="assignment.mine ? 'Give it back' : `Take it back from ${assignment.name}`"
        @click="takeBack(assignment.login)"
        >{{ assignment.mine ? 'Give it back' : 'Take it back' }}</v-btn
      >
    </div>
    <form v-if="assigning" class="assign" @submit.prevent="assignToColleague">
      <v-autocomplete
        v-model="colleague"
        label="Colleague"
        :items="colleagues.data.value ?? []"
        item-title="name"
        item-value="login"
      />
      <v-btn type="submit" size="small" class="is-main" :loading="busy" :disabled="colleague === undefined">Assign it</v-btn>
      <v-btn size="small" @click="assigning = false">Cancel</v-btn>
    </form>
    <p v-if="assigning && colleagues.isError.value" class="fault" role="alert">{{ colleagues.error.value?.message }}</p>
    <FaultList :faults="faults" />
    <ul v-if="followUp.comments.length > 0" class="comments" aria-label="Comments">
      <li v-for="(one, i) in followUp.comments" :key="i">
        <span class="quiet">{{ one.by }}, {{ moment(one.at) }}</span>
        <p>{{ one.text }}</p>
      </li>
    </ul>
    <form class="say" @submit.prevent="say">
      <v-text-field v-model="comment" label="A comment" maxlength="1000" />
      <v-btn type="submit" size="small" :disabled="comment.trim() === '' || busy">Comment</v-btn>
    </form>
    <p class="quiet">
      {{
        followUp.mayAssign
          ? 'Comments are read by whoever administers everything.'
          : 'Your comments are read by you and by whoever administers everything.'
      }}
    </p>
  </section>
  <p v-else-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
</template>

<style scoped>
.follow-up {
  display: flex;
  flex-direction: column;
  gap: 6px;
  border-top: 1px solid var(--pg-line);
  padding-top: 8px;
}
.acts,
.assign,
.say {
  display: flex;
  gap: 8px;
  align-items: center;
}
.comments {
  list-style: none;
}
.comments li {
  padding: 3px 0;
}
.comments p {
  white-space: pre-line;
  overflow-wrap: anywhere;
}
</style>
