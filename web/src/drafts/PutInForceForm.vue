<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { ProblemError, type Problem } from '@/api/problem'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import { isOutage } from '@/common/queries'
import { useNotices } from '@/common/useNotices'
import { counted, moment } from '@/common/words'
import { useDraft } from '@/tray/useDraft'
import OtherThanSeen from './OtherThanSeen.vue'

const props = defineProps<{ draft: Schemas['Draft'] }>()
const router = useRouter()
const notices = useNotices()
const { putInForce, renew } = useDraft()
const note = ref('')
const meant = ref(false)
const problem = ref<Problem>()
/** Names what is asked for: the same request sent twice is carried out once. */
const request = crypto.randomUUID()

const clashes = computed(() => props.draft.clashes)
const fetchClashes = inPage(() => clashes.value, (clash) => `${clash.author} ${clash.what} ${clash.note}`, { change: (clash) => clash.change })
const COLUMNS = [{ title: 'What was changed, oldest first', width: '1fr', sort: 'change' }]

/** Whether what the draft would do has become something else on the screen, by no edit of its own. */
const moved = ref(false)
watch(
  () => props.draft.seen.digest,
  () => (meant.value = false),
)
watch(
  () => ({ version: props.draft.version, digest: props.draft.seen.digest }),
  (now, before) => {
    if (now.version === before.version && now.digest !== before.digest) moved.value = true
  },
)

const finding = ref(false)

async function act() {
  problem.value = undefined
  try {
    const { change } = await putInForce.mutateAsync({ version: props.draft.version, seen: props.draft.seen, note: note.value, acceptLockOuts: meant.value, request })
    await show(change)
  } catch (error) {
    const change = isOutage(error) || (error instanceof ProblemError && error.problem.status >= 500) ? await carriedOut() : undefined
    if (change === undefined) problem.value = error instanceof ProblemError ? error.problem : { status: 0, title: '', detail: String(error) }
    else await show(change)
  }
}

async function show(change: number) {
  notices.say(`In force as change ${change}.`)
  await router.push({ name: 'journal', params: { number: change } })
}

/** The answer got lost: the name of the request tells whether it was carried out. */
async function carriedOut(): Promise<number | undefined> {
  finding.value = true
  try {
    for (let tries = 0; tries < 20; tries++) {
      try {
        return (await answer(api.GET('/api/draft/in-force/{request}', { params: { path: { request } } }))).change
      } catch (error) {
        if (error instanceof ProblemError && error.problem.status === 404) return undefined
        await new Promise((resolve) => setTimeout(resolve, 1500))
      }
    }
    return undefined
  } finally {
    finding.value = false
  }
}

async function seen() {
  problem.value = undefined
  await renew.mutateAsync().catch(() => undefined)
}
</script>

<template>
  <form class="in-force" @submit.prevent="act">
    <div v-if="clashes.length > 0" class="fault" role="alert">
      <p><strong>Somebody was there before you.</strong> Your draft is kept; the figures here take that change into account.</p>
      <PagedList grows label="What somebody else changed" find="Find a thing" :query-key="['clashes', draft.id, draft.version, draft.change]" :fetch="fetchClashes" :columns="COLUMNS" :row-height="62" :at-most="3" empty="Nothing.">
        <template #row="{ item: clash }">
          <div role="cell">
            {{ clash.author }} changed {{ clash.what }} with
            <router-link :to="{ name: 'journal', params: { number: clash.change } }">change {{ clash.change }}</router-link>, {{ moment(clash.at) }}: “{{ clash.note }}”
          </div>
        </template>
      </PagedList>
      <v-btn size="small" :loading="renew.isPending.value" @click="seen">I have seen it; go on from here</v-btn>
    </div>
    <template v-else>
      <p v-if="draft.approvalNeeded.length > 0" class="caution">
        Somebody else has to approve this first, because {{ draft.approvalNeeded.join('; and because ') }}.
        <router-link :to="{ name: 'drafts', params: { id: draft.id ?? '' } }">Share it with a colleague</router-link>
      </p>
      <p v-if="draft.approvedBy.length > 0" class="quiet">Approved by {{ draft.approvedBy.join(', ') }}.</p>
      <div v-if="moved" class="fault" role="alert">
        <p v-if="!problem">Something was changed elsewhere, or began or ended: the draft would now do something else than when you opened it.</p>
        <v-btn size="small" @click="moved = false">I have looked at it again</v-btn>
      </div>
      <v-checkbox v-if="draft.lockOuts > 0" v-model="meant" :label="`${counted(draft.lockOuts, 'place')} left without a keeper: this is meant`" />
      <v-text-field v-model="note" label="Why: this note stands in the journal" maxlength="2000" />
      <v-btn type="submit" class="is-main" :disabled="moved || note.trim() === '' || (draft.lockOuts > 0 && !meant)" :loading="putInForce.isPending.value || finding">Put in force</v-btn>
    </template>
    <p v-if="finding" role="status">The answer got lost. Finding out whether it was put in force …</p>
    <div v-if="problem" class="fault" role="alert">
      <p>{{ problem.detail }}</p>
      <OtherThanSeen :problem="problem" />
      <p v-for="fault in problem.faults ?? []" :key="fault.place + fault.what">{{ fault.place }}: {{ fault.what }} {{ fault.remedy }}</p>
    </div>
  </form>
</template>

<style scoped>
.in-force {
  padding: 12px 14px;
  border-top: 1px solid rgba(var(--v-theme-on-surface), 0.34);
  display: flex;
  flex-direction: column;
  gap: 10px;
}
ul {
  padding-left: 18px;
  margin: 6px 0;
}
</style>
