<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/shell/DraftedMark.vue'
import { counted, listed } from '@/shell/words'
import LikeThatOneDialog from './LikeThatOneDialog.vue'
import PeriodBar from './PeriodBar.vue'
import PersonDialog from './PersonDialog.vue'
import PersonName from './PersonName.vue'

const props = defineProps<{ id: string }>()
const { may } = useSession()
const query = useQuery({ queryKey: computed(() => ['people', 'one', props.id]), queryFn: () => answer(api.GET('/api/people/{id}', { params: { path: { id: props.id } } })) })
const data = computed(() => query.data.value)
const dialog = ref<'change' | 'like'>()
</script>

<template>
  <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
  <p v-else-if="data === undefined" role="status">Fetching the person …</p>
  <div v-else class="detail">
    <div class="title">
      <div>
        <h2><PersonName :person="data.person" /> <DraftedMark :drafted="data.drafted" /></h2>
        <p class="quiet">{{ [data.person.login, data.person.email].filter(Boolean).join(' · ') }}</p>
        <p>
          Reaches {{ counted(data.documents, 'document') }} and {{ counted(data.places - data.documents, 'other place') }}.
          <router-link :to="{ name: 'statements', query: { about: 'PERSON', id: data.person.id } }">Statement on this person</router-link>
        </p>
      </div>
      <div v-if="may('people')" class="acts">
        <v-btn size="small" class="is-main" @click="dialog = 'change'">Change</v-btn>
        <v-btn size="small" @click="dialog = 'like'">Make like …</v-btn>
      </div>
    </div>
    <section class="sheet block">
      <h3>In these groups</h3>
      <ul>
        <li v-for="one in data.groups" :key="`${one.group}${one.from}`">
          <router-link :to="{ name: 'people', params: { view: 'groups', id: one.group } }">{{ one.name }}</router-link>
          <PeriodBar :from="one.from" :until="one.until" :current="one.current" />
        </li>
        <li v-if="data.groups.length === 0" class="quiet">In no group: whatever they have comes from elsewhere.</li>
      </ul>
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
      <ul>
        <li v-for="entry in data.own" :key="entry.id">
          <router-link :to="{ name: 'places', params: { id: entry.place } }">{{ entry.placeName }}</router-link>
          <span>{{ entry.role ?? `withholds ${listed(entry.rights)}` }}</span>
          <PeriodBar :from="entry.from" :until="entry.until" :current="true" />
        </li>
        <li v-if="data.own.length === 0" class="quiet">None, which is as it should be: single people in access lists are easily forgotten.</li>
      </ul>
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
.title {
  display: flex;
  justify-content: space-between;
  gap: 14px;
}
.acts {
  display: flex;
  gap: 8px;
  flex: none;
}
.block {
  padding: 12px 16px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
ul {
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 5px 0;
  border-bottom: 1px solid var(--pg-line);
}
</style>
