<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import { counted, number } from '@/common/words'
import { useDraft } from '@/tray/useDraft'
import WhyButton from '@/common/WhyButton.vue'
import GroupPicker from './GroupPicker.vue'
import PersonPicker from './PersonPicker.vue'

const { draft } = useDraft()
const drafted = computed(() => (draft.value?.items.length ?? 0) > 0)
const kind = ref<'person' | 'group'>('person')
const onePerson = ref<Schemas['PersonView']>()
const otherPerson = ref<Schemas['PersonView']>()
const oneGroup = ref<Schemas['GroupLine']>()
const otherGroup = ref<Schemas['GroupLine']>()
const one = computed(() => (kind.value === 'person' ? onePerson.value : oneGroup.value))
const other = computed(() => (kind.value === 'person' ? otherPerson.value : otherGroup.value))
const asked = computed(() => one.value !== undefined && other.value !== undefined)

function compare(part: Part) {
  return answer(api.GET('/api/comparison', { params: { query: { kind: kind.value, one: one.value!.id, other: other.value!.id, ...part } } }))
}
const head = useQuery({
  queryKey: computed(() => ['comparison', kind.value, one.value?.id, other.value?.id]),
  enabled: asked,
  queryFn: () => compare({ offset: 0, limit: 1 }),
})
const fetchPlaces = async (part: Part) => (await compare(part)).places
/** Of very many only the first are named, and how many more there are is said. */
function names(sharing: Schemas['Sharing']): string {
  const left = sharing.people - sharing.first.length
  return (sharing.first.map((person) => person.name).join(', ') || 'nobody') + (left > 0 ? `, and ${number(left)} more` : '')
}
const columns = computed(() => [
  { title: 'Place', width: '1.6fr', sort: 'place' },
  { title: one.value?.name ?? '', width: '150px', sort: '-one' },
  { title: other.value?.name ?? '', width: '150px', sort: '-other' },
])
</script>

<template>
  <div class="comparison">
    <div class="bar">
      <div class="segments" role="group" aria-label="What to compare">
        <button type="button" :aria-pressed="kind === 'person'" @click="kind = 'person'">Two people</button>
        <button type="button" :aria-pressed="kind === 'group'" @click="kind = 'group'">Two groups</button>
      </div>
      <template v-if="kind === 'person'">
        <PersonPicker v-model="onePerson" label="One" />
        <PersonPicker v-model="otherPerson" label="The other" />
      </template>
      <template v-else>
        <GroupPicker v-model="oneGroup" label="One" />
        <GroupPicker v-model="otherGroup" label="The other" />
      </template>
    </div>
    <p v-if="!asked" class="quiet">Choose two to see who and what they share, and where what they may do differs. What a group may do is what all of its people may.</p>
    <p v-else-if="head.isError.value" class="fault" role="alert">{{ head.error.value?.message }}</p>
    <template v-else-if="head.data.value">
      <div class="shared">
        <div v-if="kind === 'group'" class="sheet">
          <h3>Only in {{ one!.name }} ({{ number(head.data.value.onlyOne.people) }})</h3>
          <p>{{ names(head.data.value.onlyOne) }}</p>
        </div>
        <div v-if="kind === 'group'" class="sheet">
          <h3>In both ({{ number(head.data.value.both.people) }})</h3>
          <p>{{ names(head.data.value.both) }}</p>
        </div>
        <div v-if="kind === 'group'" class="sheet">
          <h3>Only in {{ other!.name }} ({{ number(head.data.value.onlyOther.people) }})</h3>
          <p>{{ names(head.data.value.onlyOther) }}</p>
        </div>
        <div class="sheet">
          <h3>{{ kind === 'person' ? 'Groups' : 'Lies in' }}: only {{ one!.name }}</h3>
          <p>{{ head.data.value.groupsOnlyOne.join(', ') || 'none' }}</p>
        </div>
        <div class="sheet">
          <h3>Both</h3>
          <p>{{ head.data.value.groupsBoth.join(', ') || 'none' }}</p>
        </div>
        <div class="sheet">
          <h3>Only {{ other!.name }}</h3>
          <p>{{ head.data.value.groupsOnlyOther.join(', ') || 'none' }}</p>
        </div>
      </div>
      <p>{{ counted(head.data.value.places.total, 'place') }} where they may do different things:</p>
      <div class="sheet list">
        <PagedList label="Where they differ" find="Find a place" :query-key="['comparison', 'places', kind, one!.id, other!.id]" :fetch="fetchPlaces" :columns="columns" empty="They may do the same everywhere.">
          <template #row="{ item }">
            <div role="cell"><router-link :to="{ name: 'places', params: { id: item.place } }">{{ item.path }}</router-link></div>
            <div v-for="side in [{ who: one!, rights: item.one }, { who: other!, rights: item.other }]" :key="side.who.id" role="cell" class="side">
              <Paling :rights="side.rights" />
              <WhyButton v-if="kind === 'person'" :person="side.who" :place="item.place" :drafted="drafted" />
            </div>
          </template>
        </PagedList>
      </div>
    </template>
    <p v-else role="status">Comparing …</p>
  </div>
</template>

<style scoped>
.comparison {
  display: flex;
  flex-direction: column;
  gap: 10px;
  overflow: auto;
  /* The name of a field stands over its edge. */
  padding-top: 8px;
}
.bar {
  display: grid;
  grid-template-columns: auto 1fr 1fr;
  gap: 12px;
  align-items: center;
}
.shared {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 10px;
}
.shared .sheet {
  padding: 8px 12px;
  max-height: 120px;
  overflow: auto;
}
.side {
  display: flex;
  align-items: center;
  gap: 8px;
}
.list {
  flex: 1;
  min-height: 220px;
}
</style>
