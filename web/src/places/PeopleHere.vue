<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import type { Origin } from '@/paling/rights'
import PersonName from '@/people/PersonName.vue'
import PersonPicker from '@/people/PersonPicker.vue'
import type { Schemas } from '@/api/client'
import { listed } from '@/common/words'
import { useWhy } from '@/common/useWhy'
import WhyButton from '@/common/WhyButton.vue'

const props = defineProps<{ place: string; drafted: boolean }>()
const why = useWhy()

const ORIGINS: Record<string, string> = { HERE: 'given here', ABOVE: 'from above', THROUGH_GROUP: 'through another group' }
const asked = ref<Schemas['PersonView']>()
const key = computed(() => ['people-here', props.place, props.drafted])

function fetchPeople(part: Part) {
  return answer(
    api.GET('/api/places/{id}/people', { params: { path: { id: props.place }, query: { drafted: props.drafted, ...part } } }),
  )
}

function ask(person: Schemas['PersonView'] | undefined) {
  if (person !== undefined) why.ask(person.id, props.place, props.drafted)
}
</script>

<template>
  <div class="people-here">
    <div class="ask">
      <PersonPicker v-model="asked" label="Why, or why not, for anybody" @update:model-value="ask" />
    </div>
    <PagedList
      label="People with rights here"
      :query-key="key"
      :fetch="fetchPeople"
      :columns="[
        { title: 'Person', width: 'minmax(150px, 1fr)', sort: 'name' },
        { title: 'Rights', width: '82px', sort: '-rights' },
        { title: 'In words, and where from', width: '1.4fr', sort: 'origin' },
        { title: 'Why', width: '44px' },
      ]"
      find="Find somebody with rights here"
      empty="Nobody has any right here."
    >
      <template #row="{ item }">
        <div role="cell"><PersonName link :person="item.person" /></div>
        <div role="cell"><Paling :rights="item.rights" :origin="item.origin as Origin" /></div>
        <div role="cell" class="words" :title="item.rights.length === 9 ? 'all nine' : listed(item.rights)">
          <span>{{ item.rights.length === 9 ? 'all nine' : listed(item.rights) }}</span>
          <span class="quiet">{{ ORIGINS[item.origin] }}</span>
        </div>
        <div role="cell">
          <WhyButton :person="item.person" :place="place" :drafted="drafted" />
        </div>
      </template>
    </PagedList>
  </div>
</template>

<style scoped>
.people-here {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.people-here > :last-child {
  flex: 1;
}
/* One line; two where rows are made for it. */
.words {
  display: flex;
  align-items: baseline;
  gap: 8px;
  line-height: 1.25;
  font-size: 0.94rem;
}
.words > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.words > .quiet {
  flex: none;
  max-width: 60%;
}
:global(html[data-density='comfortable'] .people-here .words) {
  flex-direction: column;
  align-items: stretch;
  gap: 0;
}
.ask {
  padding: 10px 14px;
  max-width: 420px;
}
</style>
