<script setup lang="ts">
import HistoryLink from '@/session/HistoryLink.vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { inPage, NEVER } from '@/lists/part'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/common/DraftedMark.vue'
import { useNotices } from '@/common/useNotices'
import { counted, listed, moment } from '@/common/words'
import LikeThatOneDialog from './LikeThatOneDialog.vue'
import PeriodBar from './PeriodBar.vue'
import PersonDialog from './PersonDialog.vue'
import PersonName from './PersonName.vue'

const props = defineProps<{ id: string }>()
const notices = useNotices()
const { may, rooms } = useSession()
const query = useQuery({ queryKey: computed(() => ['people', 'one', props.id]), queryFn: () => answer(api.GET('/api/people/{id}', { params: { path: { id: props.id } } })) })
const data = computed(() => query.data.value)
const dialog = ref<'change' | 'like'>()

const GROUP_COLUMNS = [
  { title: 'Group', width: 'minmax(150px, 1fr)', sort: 'name' },
  { title: 'Period', width: '210px', sort: 'until' },
]
const OWN_COLUMNS = [
  { title: 'Place', width: 'minmax(150px, 1fr)', sort: 'place' },
  { title: 'Gives', width: 'minmax(100px, 0.7fr)', sort: 'gives' },
  { title: 'Period', width: '210px', sort: 'until' },
]
const gives = (entry: Schemas['EntryView']) => entry.role ?? `withholds ${listed(entry.rights)}`
const fetchGroups = inPage(
  () => data.value?.groups ?? [],
  (one) => one.name,
  { name: (one) => one.name, until: (one) => one.until ?? NEVER },
)
const fetchOwn = inPage(
  () => data.value?.own ?? [],
  (entry) => `${entry.placeName} ${gives(entry)}`,
  { place: (entry) => entry.placeName, gives, until: (entry) => entry.until ?? NEVER },
)

/** An address at which they set their password, good once; for whoever has one already it sets another. */
async function invite() {
  try {
    const sent = await answer(api.POST('/api/invitations', { body: { person: props.id } }))
    notices.say(`An address to set a password was sent to ${data.value?.person.email}; it is good once, until ${moment(sent.until)}.`)
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
  <p v-else-if="data === undefined" role="status">Fetching the person …</p>
  <div v-else class="detail">
    <div class="detail-title">
      <div>
        <h2><PersonName :person="data.person" /> <DraftedMark :drafted="data.drafted" /></h2>
        <HistoryLink :id="data.person.id" kind="person" :name="data.person.name" />
        <p class="quiet">{{ [data.person.login, data.person.email].filter(Boolean).join(' · ') }}</p>
        <p>
          Reaches {{ counted(data.documents, 'document') }} and {{ counted(data.places - data.documents, 'other place') }}.
          <router-link :to="{ name: 'statements', query: { kind: 'subject', id: `person:${data.person.id}` } }">Statement on this person</router-link>
          {{ rooms.includes('walk') ? ' · ' : '' }}
          <router-link v-if="rooms.includes('walk')" :to="{ name: 'walk', params: { person: data.person.id } }">Walk as {{ data.person.name }}</router-link>
        </p>
      </div>
      <div v-if="may('people')" class="detail-acts">
        <v-btn size="small" class="is-main" @click="dialog = 'change'">Change</v-btn>
        <v-btn size="small" @click="dialog = 'like'">Make like …</v-btn>
        <v-btn v-if="may('walls')" size="small" :to="{ name: 'walls', params: { id: 'leaver' }, query: { person: data.person.id } }">Confine …</v-btn>
        <v-btn v-if="data.person.active" size="small" @click="invite">Send an invitation</v-btn>
      </div>
    </div>
    <section class="sheet block">
      <h3>In these groups</h3>
      <PagedList
        label="Groups"
        :query-key="['people', 'groups-of', id, query.dataUpdatedAt.value]"
        :fetch="fetchGroups"
        :columns="GROUP_COLUMNS"
        :at-most="8"
        find="Find a group"
        empty="In no group: whatever they have comes from elsewhere."
      >
        <template #row="{ item: one }">
          <div role="cell"><router-link :to="{ name: 'people', params: { view: 'groups', id: one.group } }">{{ one.name }}</router-link></div>
          <div role="cell"><PeriodBar :from="one.from" :until="one.until" :current="one.current" /></div>
        </template>
      </PagedList>
      <p v-if="data.groupsByPath.length > 0" class="quiet">
        And through these in
        <template v-for="(one, i) in data.groupsByPath" :key="one.id"
          ><span v-if="i > 0">, </span><router-link :to="{ name: 'people', params: { view: 'groups', id: one.id } }">{{ one.name }}</router-link></template
        >.
      </p>
      <p v-if="data.units.length > 0" class="quiet">Sits in {{ data.units.map((unit) => unit.name).join(', in ') }}.</p>
    </section>
    <section class="sheet block">
      <h3>Entries that name {{ data.person.name }} alone</h3>
      <PagedList
        label="Entries of this person alone"
        :query-key="['people', 'own-entries', id, query.dataUpdatedAt.value]"
        :fetch="fetchOwn"
        :columns="OWN_COLUMNS"
        :at-most="8"
        find="Find an entry"
        empty="None, which is as it should be: single people in access lists are easily forgotten."
      >
        <template #row="{ item: entry }">
          <div role="cell"><router-link :to="{ name: 'places', params: { id: entry.place } }">{{ entry.placeName }}</router-link></div>
          <div role="cell">{{ gives(entry) }}</div>
          <div role="cell"><PeriodBar :from="entry.from" :until="entry.until" :current="true" /></div>
        </template>
      </PagedList>
    </section>
    <PersonDialog v-if="dialog === 'change'" :model-value="true" :person="data.person" @update:model-value="dialog = undefined" />
    <LikeThatOneDialog v-if="dialog === 'like'" :model-value="true" :person="data.person" @update:model-value="dialog = undefined" />
  </div>
</template>

<style scoped>
.detail {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.block {
  padding: 12px 16px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
</style>
