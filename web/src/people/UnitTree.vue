<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { partOf, type Keys, type Part } from '@/lists/part'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/common/DraftedMark.vue'
import { counted } from '@/common/words'
import { useDrafting } from '@/tray/useDrafting'
import PersonList from './PersonList.vue'
import UnitDialog from './UnitDialog.vue'

const emit = defineEmits<{ person: [id: string] }>()
const { may } = useSession()
const { draftAt } = useDrafting()
const query = useQuery({ queryKey: ['units'], queryFn: () => answer(api.GET('/api/units')) })
const chosen = ref<Schemas['UnitLine']>()
const changing = ref<Schemas['UnitLine']>()

interface Row {
  unit: Schemas['UnitLine']
  depth: number
}

/** Parents before what is below them, each with its depth. */
const rows = computed(() => {
  const all = query.data.value ?? []
  const list: Row[] = []
  const visit = (parent: string | undefined, depth: number) =>
    all.filter((unit) => unit.parent === parent).forEach((unit) => {
      list.push({ unit, depth })
      visit(unit.id, depth + 1)
    })
  visit(undefined, 0)
  return list
})
const KEYS: Keys<Row> = { name: (row) => row.unit.name, people: (row) => row.unit.people }
const COLUMNS = [
  { title: 'Unit', width: 'minmax(160px, 1fr)', sort: 'name' },
  { title: 'People', width: '190px', sort: '-people' },
  { title: 'Actions', width: '130px', silent: true },
]
/** Only the whole tree is shown as one: what is found or put in another order stands side by side. */
function fetchUnits(part: Part) {
  const found = partOf(rows.value, part, (row) => row.unit.name, KEYS)
  const whole = part.text === undefined && part.sort === undefined
  return Promise.resolve(whole ? found : { ...found, items: found.items.map((row) => ({ ...row, depth: 0 })) })
}
</script>

<template>
  <div class="units">
    <div class="sheet tree">
      <PagedList
        v-if="query.isFetched.value"
        label="Units"
        :query-key="['units', 'list', query.dataUpdatedAt.value]"
        :fetch="fetchUnits"
        :columns="COLUMNS"
        find="Find a unit"
        find-in="#find-here"
        empty="There are no units yet. A unit as a subject means everyone in it and in the units below it."
      >
        <template #row="{ item: { unit, depth } }">
          <div role="cell" class="who" :style="{ paddingLeft: `${depth * 22}px` }" :data-chosen="chosen?.id === unit.id">
            <button type="button" class="linklike row-name" @click="chosen = unit">{{ unit.name }}</button>
            <DraftedMark :drafted="unit.drafted" />
          </div>
          <div role="cell">
            <span class="quiet">{{ counted(unit.people, 'person', 'people') }}</span>
            <span v-if="unit.outsiders > 0" class="mark outsider">{{ counted(unit.outsiders, 'outsider') }}</span>
          </div>
          <div role="cell" class="acts">
            <template v-if="may('people')">
              <button type="button" class="linklike" :aria-label="`Change ${unit.name}`" @click="changing = unit">Change</button>
              <button v-if="unit.people === 0" type="button" class="linklike" :aria-label="`Remove ${unit.name}`" @click="draftAt([{ kind: 'removeUnit', unit: unit.id }])">Remove</button>
            </template>
          </div>
        </template>
      </PagedList>
    </div>
    <PersonList v-if="chosen" :key="chosen.id" :unit="chosen.id" @choose="emit('person', $event)" />
    <UnitDialog v-if="changing" :model-value="true" :unit="changing" @update:model-value="changing = undefined" />
  </div>
</template>

<style scoped>
.units {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.tree {
  flex: 1;
  min-height: 160px;
}
.units > :nth-child(2) {
  flex: 1;
  min-height: 200px;
}
.who[data-chosen='true'] button {
  font-weight: 600;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
