<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch, type Ref } from 'vue'
import { fromKept } from '@/common/dates'
import DateField from '@/common/DateField.vue'
import { answer, api } from '@/api/client'
import { useNotices } from '@/common/useNotices'
import { counted, moment } from '@/common/words'
import { useDraft } from '@/tray/useDraft'
import DraftBeside from './DraftBeside.vue'
import DraftChanges from './DraftChanges.vue'

const props = defineProps<{ id: number }>()
const emit = defineEmits<{ gone: [] }>()
const client = useQueryClient()
const notices = useNotices()
const { refresh } = useDraft()
const path = { params: { path: { id: props.id } } }
const query = useQuery({ queryKey: ['drafts', 'one', props.id], queryFn: () => answer(api.GET('/api/drafts/{id}', path)) })
const colleagues = useQuery({ queryKey: ['drafts', 'colleagues'], queryFn: () => answer(api.GET('/api/drafts/colleagues')) })
const data = computed(() => query.data.value)
const others = computed(() => (colleagues.data.value ?? []).filter((one) => !data.value?.readers.some((reader) => reader.login === one.login)))
const reader = ref<string>()
const text = ref('')
const name = ref('')
const when = ref('')
const why = ref('')

async function run(work: () => Promise<unknown>) {
  try {
    await work()
    await client.invalidateQueries({ queryKey: ['drafts'] })
    await refresh()
  } catch (error) {
    notices.fail(error)
  }
}
const share = () => run(() => answer(api.POST('/api/drafts/{id}/readers', { ...path, body: { login: reader.value! } })).then(() => (reader.value = undefined)))
const unshare = (login: string) => run(() => answer(api.DELETE('/api/drafts/{id}/readers/{login}', { params: { path: { id: props.id, login } } })))
/** What is typed while the answer is on the way stays. */
function emptied(field: Ref<string>, sent: string) {
  if (field.value === sent) field.value = ''
}
function comment() {
  const sent = text.value
  return run(() => answer(api.POST('/api/drafts/{id}/comments', { ...path, body: { text: sent } })).then(() => emptied(text, sent)))
}
/** What is approved is what is on the screen. */
const approve = () => run(() => answer(api.POST('/api/drafts/{id}/approval', { ...path, body: { version: data.value!.version, seen: data.value!.seen } })))
function rename() {
  const sent = name.value
  return run(() => answer(api.POST('/api/drafts/{id}/name', { ...path, body: { name: sent } })).then(() => emptied(name, sent)))
}
/** What the draft would do at the hour chosen: it is scheduled only if that has been shown. */
const at = computed(() => fromKept(when.value)?.toISOString() ?? '')
const foreseen = useQuery({
  queryKey: computed(() => ['drafts', 'foreseen', props.id, data.value?.version, at.value]),
  enabled: computed(() => at.value !== '' && new Date(at.value).getTime() > Date.now()),
  queryFn: () => answer(api.GET('/api/drafts/{id}/foreseen', { params: { path: { id: props.id }, query: { at: at.value } } })),
})
const then = computed(() => (foreseen.isFetching.value ? undefined : foreseen.data.value))
const meant = ref(false)
watch(at, () => (meant.value = false))
const schedule = () =>
  run(() =>
    answer(
      api.POST('/api/drafts/{id}/schedule', {
        ...path,
        body: { version: then.value!.version, seen: then.value!.seen, at: at.value, note: why.value, acceptLockOuts: meant.value },
      }),
    ),
  )
const unschedule = () => run(() => answer(api.DELETE('/api/drafts/{id}/schedule', path)))
const discard = () => run(() => answer(api.DELETE('/api/drafts/{id}', path)).then(() => emit('gone')))
</script>

<template>
  <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
  <p v-else-if="data === undefined" role="status">Fetching the draft …</p>
  <div v-else class="opened">
    <h2>{{ data.draft.name }}</h2>
    <p v-if="data.draft.stopped" class="fault">It was due and stopped: {{ data.draft.stopped }}</p>
    <p>
      <template v-if="data.draft.dueAt">At its hour: </template>{{ counted(data.totals.peopleGaining, 'person gains', 'people gain') }}, {{ data.totals.peopleLosing }} lose, at {{ counted(data.totals.places, 'place') }}.
      <template v-if="data.draft.inHand && data.draft.mine"><router-link :to="{ name: 'rehearsal' }">Open the rehearsal</router-link></template>
    </p>
    <p v-if="data.approvalNeeded.length > 0" class="caution">
      Somebody else has to approve it, because {{ data.approvalNeeded.join('; and because ') }}.
    </p>
    <p v-if="data.draft.approvedBy.length > 0" class="quiet">Approved by {{ data.draft.approvedBy.join(', ') }}.</p>
    <p v-if="data.items.length === 0" class="quiet">Nothing is in it yet.</p>
    <div v-else class="sheet"><DraftChanges :items="data.items" :without-effect="[]" :at-most="5" readonly /></div>
    <DraftBeside :id="id" :version="data.version" />
    <div class="two">
      <section class="sheet block" aria-labelledby="talk-title">
        <h3 id="talk-title">Comments</h3>
        <p v-for="(one, i) in data.comments" :key="i"><strong>{{ one.author }}</strong>, {{ moment(one.at) }}: {{ one.text }}</p>
        <p v-if="data.comments.length === 0" class="quiet">Nothing yet.</p>
        <form class="row" @submit.prevent="comment">
          <v-text-field v-model="text" label="Say something" maxlength="2000" hide-details />
          <v-btn type="submit" size="small" :disabled="text.trim() === ''">Comment</v-btn>
        </form>
        <v-btn v-if="!data.draft.mine" class="is-main" @click="approve">Approve it as it is</v-btn>
      </section>
      <section v-if="data.draft.mine" class="sheet block" aria-labelledby="with-title">
        <h3 id="with-title">Shared with</h3>
        <p v-for="one in data.readers" :key="one.login">
          {{ one.name }} <button type="button" class="linklike" :aria-label="`Stop sharing with ${one.name}`" @click="unshare(one.login)">stop</button>
        </p>
        <p v-if="data.readers.length === 0" class="quiet">Nobody: only you see it.</p>
        <form class="row" @submit.prevent="share">
          <v-select v-model="reader" :items="others" item-title="name" item-value="login" label="A colleague" hide-details />
          <v-btn type="submit" size="small" :disabled="reader === undefined">Share</v-btn>
        </form>
      </section>
      <section v-if="data.draft.mine" class="sheet block" aria-labelledby="when-title">
        <h3 id="when-title">At a later time</h3>
        <template v-if="data.draft.dueAt">
          <p>It will be put in force {{ moment(data.draft.dueAt) }}, if it would then still do exactly this. If not, it stops and says why.</p>
          <v-btn size="small" @click="unschedule">Cancel the schedule</v-btn>
        </template>
        <form v-else @submit.prevent="schedule">
          <DateField v-model="when" time label="Put it in force at" />
          <v-text-field v-model="why" label="Why: this note stands in the journal" maxlength="2000" hide-details />
          <p v-if="foreseen.isFetching.value" role="status">Working out what it would do then …</p>
          <template v-if="then">
            <p>
              Then {{ counted(then.totals.peopleGaining, 'person gains', 'people gain') }}, {{ then.totals.peopleLosing }} lose, at {{ counted(then.totals.places, 'place') }}<template v-if="then.totals.outsidersGaining > 0">; {{ counted(then.totals.outsidersGaining, 'outsider gains', 'outsiders gain') }}</template>. If it would do something else at that hour, it stops.
            </p>
            <p v-if="then.approvalNeeded.length > 0" class="caution">Until then somebody else has to approve it, because {{ then.approvalNeeded.join('; and because ') }}.</p>
            <v-checkbox v-if="then.lockOuts > 0" v-model="meant" :label="`${counted(then.lockOuts, 'place')} left without a keeper: this is meant`" />
          </template>
          <p v-if="foreseen.isError.value" class="fault" role="alert">{{ foreseen.error.value?.message }}</p>
          <v-btn type="submit" size="small" :disabled="then === undefined || why.trim() === '' || data.items.length === 0 || (then.lockOuts > 0 && !meant)">Schedule it</v-btn>
        </form>
      </section>
      <section v-if="data.draft.mine" class="sheet block" aria-labelledby="name-title">
        <h3 id="name-title">Name</h3>
        <form class="row" @submit.prevent="rename">
          <v-text-field v-model="name" :label="data.draft.name" maxlength="200" hide-details />
          <v-btn type="submit" size="small" :disabled="name.trim() === ''">Rename</v-btn>
        </form>
        <v-btn size="small" @click="discard">Discard this draft</v-btn>
      </section>
    </div>
  </div>
</template>

<style scoped>
.opened {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.block {
  padding: 12px 16px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
.block form {
  width: 100%;
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
.block form.row {
  flex-direction: row;
  align-items: center;
}
.block form > .v-input {
  width: 100%;
}
@media (max-width: 1100px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
