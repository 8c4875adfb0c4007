<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { counted, moment } from '@/common/words'
import { useNotices } from '@/common/useNotices'
import { useSession } from '@/session/useSession'

/** Telling those concerned of a wall, and who has said that they read it. */
const props = defineProps<{ id: string; name: string; drafted: string }>()
const client = useQueryClient()
const notices = useNotices()
const { may } = useSession()
const query = useQuery({
  queryKey: computed(() => ['walls', 'notices', props.id]),
  enabled: computed(() => props.drafted !== 'MADE'),
  queryFn: () => answer(api.GET('/api/walls/{id}/notices', { params: { path: { id: props.id } } })),
})
const telling = ref<Schemas['AudienceView']>()
const text = ref('')

type Audience = Schemas['AudienceView']['audience']
const WHO: Record<Audience, string> = { KEEPERS: 'who keep papers inside', READERS: 'who have access inside', KEPT_OUT: 'whom it keeps out' }
const TITLE: Record<Audience, string> = { KEEPERS: 'Those who keep papers inside', READERS: 'Those who have access inside', KEPT_OUT: 'Those whom it keeps out' }

const send = useMutation({
  mutationFn: (to: Schemas['AudienceView']) =>
    answer(api.POST('/api/walls/{id}/notices', { params: { path: { id: props.id } }, body: { audience: to.audience, text: text.value, seen: to.seen } })),
  onSuccess: async (sent) => {
    telling.value = undefined
    notices.say(`Sent to ${counted(sent.people, 'person', 'people')}; ${counted(sent.letters, 'letter')}.`)
    await client.invalidateQueries({ queryKey: ['walls', 'notices', props.id] })
  },
  // Others than were shown: whom it would reach is fetched again, and shown beside what is wrong.
  onError: () => void client.invalidateQueries({ queryKey: ['walls', 'notices', props.id] }),
})
const remind = useMutation({
  mutationFn: (notice: number) => answer(api.POST('/api/walls/{id}/notices/{number}/reminders', { params: { path: { id: props.id, number: notice } } })),
  onSuccess: (sent) => notices.say(sent.people === 0 ? 'Everybody who still has to confirm it was written to within the last day.' : `Written again to ${counted(sent.people, 'person', 'people')}; ${counted(sent.letters, 'letter')}.`),
  onError: notices.fail,
})
function begin(audience: Schemas['AudienceView']) {
  send.reset()
  telling.value = audience
  text.value = audience.audience === 'KEPT_OUT' ? '' : `${props.name}: from now on some people are kept out of papers that you work with. Do not pass them on, and do not talk about them.`
}
/** As it is now, not as it was when the dialog was opened. */
const audience = computed(() => query.data.value?.audiences.find((one) => one.audience === telling.value?.audience))
const waiting = (notice: Schemas['NoticeView']) => notice.readers.filter((reader) => reader.acknowledged === undefined)
</script>

<template>
  <div class="notices">
    <p v-if="drafted === 'MADE'" class="quiet">It is not in force yet. Once it is, those concerned can be told.</p>
    <p v-else-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="query.data.value === undefined" role="status">Looking who is concerned …</p>
    <template v-else>
      <p class="quiet">
        A notice stands above every page of its reader until they confirm it; a letter asks them to sign in, and says no more. Nobody whom the wall keeps out is told, unless you choose to; what they read names neither the wall nor what lies behind it.
      </p>
      <ul class="audiences">
        <li v-for="one in query.data.value.audiences" :key="one.audience">
          <strong>{{ TITLE[one.audience] }}</strong
          >: {{ counted(one.total, 'person', 'people') }}<template v-if="one.withoutAddress > 0">, {{ one.withoutAddress }} without an address</template>
          <button v-if="may('walls') && one.total > 0" type="button" class="linklike" :aria-label="`Tell those ${WHO[one.audience]}`" @click="begin(one)">Tell them …</button>
        </li>
      </ul>
      <p v-if="query.data.value.notices.length === 0" class="quiet">Nobody has been told yet.</p>
      <section v-for="notice in query.data.value.notices" :key="notice.id" class="sheet notice">
        <p>{{ notice.text }}</p>
        <p class="quiet">
          To those {{ WHO[notice.audience] }}, by {{ notice.by }}, {{ moment(notice.at) }}. {{ notice.readers.length - waiting(notice).length }} of {{ counted(notice.readers.length, 'person', 'people') }} confirmed it.
          <button v-if="may('walls') && waiting(notice).length > 0" type="button" class="linklike" :disabled="remind.isPending.value" @click="remind.mutate(notice.id)">Write again to the rest</button>
        </p>
        <details v-if="notice.readers.length > 0">
          <summary>Who has confirmed it</summary>
          <ul>
            <li v-for="reader in notice.readers" :key="reader.person.id">
              <router-link :to="{ name: 'people', params: { view: 'persons', id: reader.person.id } }">{{ reader.person.name }}</router-link
              >{{ ' ' }}<span class="quiet">{{ reader.acknowledged === undefined ? 'not yet' : moment(reader.acknowledged) }}</span>
            </li>
          </ul>
        </details>
      </section>
    </template>
    <PageDialog :model-value="telling !== undefined" max-width="560" aria-labelledby="tell-title" @update:model-value="telling = undefined">
      <form v-if="audience" class="sheet pg-dialog" @submit.prevent="send.mutate(audience)">
        <h2 id="tell-title">Tell those {{ WHO[audience.audience] }}</h2>
        <p>
          {{ counted(audience.total, 'person', 'people') }}: {{ audience.people.map((person) => person.name).join(', ') }}<template v-if="audience.more > 0"> and {{ counted(audience.more, 'other') }}</template
          >.
        </p>
        <template v-if="audience.audience === 'KEPT_OUT'">
          <p class="caution">They then know that something is kept from them. They read just this:</p>
          <blockquote>{{ query.data.value?.keptOutText }}</blockquote>
        </template>
        <v-textarea v-else v-model="text" label="What they are to know" rows="4" maxlength="2000" counter="2000" autofocus />
        <FaultList :faults="send.isError.value ? faultsOf(send.error.value) : []" />
        <div class="actions">
          <v-btn @click="telling = undefined">Cancel</v-btn>
          <v-btn type="submit" class="is-main" :loading="send.isPending.value" :disabled="audience.audience !== 'KEPT_OUT' && text.trim() === ''">Send it</v-btn>
        </div>
      </form>
    </PageDialog>
  </div>
</template>

<style scoped>
.notices {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.notices ul {
  padding-left: 18px;
}
.audiences button {
  margin-left: 8px;
}
.notice {
  padding: 8px 12px;
}
blockquote {
  margin: 0 0 8px;
  padding-left: 12px;
  border-left: 2px solid var(--pg-line);
}
</style>
