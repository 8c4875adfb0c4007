<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import ChooseAll from '@/lists/ChooseAll.vue'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import { useListedChoice } from '@/lists/useListedChoice'
import { useSession } from '@/session/useSession'
import ChosenPeopleDialog from './ChosenPeopleDialog.vue'
import PersonName from './PersonName.vue'

const props = defineProps<{ chosen?: string; unit?: string }>()
const emit = defineEmits<{ choose: [id: string] }>()

type Standing = 'ALL' | 'STAFF' | 'OUTSIDERS' | 'INACTIVE'
const standing = ref<Standing>('ALL')
const STANDINGS: { value: Standing; title: string }[] = [
  { value: 'ALL', title: 'All' },
  { value: 'STAFF', title: 'Staff' },
  { value: 'OUTSIDERS', title: 'Outsiders' },
  { value: 'INACTIVE', title: 'Not active' },
]
const fetchPeople = (part: Part) => answer(api.GET('/api/people', { params: { query: { ...part, standing: standing.value, unit: props.unit } } }))
const { may } = useSession()
const { shown, listed, rows, all, some, busy, isChosen, toggle, toggleAll, clear } = useListedChoice(fetchPeople, (person) => person.id)
const acting = ref(false)
const COLUMNS = computed(() => [
  ...(may('people') ? [{ title: 'Choose', width: '22px', silent: true }] : []),
  { title: 'Name', width: '1.5fr', sort: 'name' },
  { title: 'Unit', width: '1fr', sort: 'unit' },
  { title: 'Login', width: '1fr', sort: 'login' },
])
</script>

<template>
  <div class="list-with-filter">
    <div class="filters">
      <div class="segments" role="group" aria-label="Whom to show">
        <button v-for="one in STANDINGS" :key="one.value" type="button" :aria-pressed="standing === one.value" @click="standing = one.value">{{ one.title }}</button>
      </div>
      <ChooseAll v-if="may('people')" label="Many people at once" :total="shown.total" :chosen="rows.length" :all="all" :some="some" :busy="busy" one="person" many="people" @all="toggleAll" @clear="clear">
        <v-btn size="small" @click="acting = true">Do the same with all …</v-btn>
      </ChooseAll>
    </div>
    <ChosenPeopleDialog v-if="acting" v-model="acting" :people="rows" @drafted="clear" />
    <div class="sheet list">
      <PagedList
        label="Persons"
        find="Find by name, login or address"
        :find-in="unit === undefined ? '#find-here' : undefined"
        :query-key="['people', 'list', standing, unit]"
        :fetch="fetchPeople"
        :columns="COLUMNS"
        empty="Nobody of that kind."
        @listed="listed"
      >
        <template #row="{ item, index }">
          <div v-if="may('people')" role="cell">
            <input type="checkbox" :checked="isChosen(item)" :aria-label="`Choose ${item.name}`" title="With Shift: all from the one chosen last" @click="toggle(item, index, $event.shiftKey, $event.target)" />
          </div>
          <div role="cell" :data-chosen="item.id === chosen">
            <button type="button" class="linklike row-name" @click="emit('choose', item.id)"><PersonName :person="item" /></button>
          </div>
          <div role="cell" class="quiet">{{ item.unit }}</div>
          <div role="cell" class="quiet">{{ item.login }}</div>
        </template>
      </PagedList>
    </div>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
</style>
