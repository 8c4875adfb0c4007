<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/shell/DraftedMark.vue'
import { counted } from '@/shell/words'
import { useDrafting } from '@/tray/useDrafting'
import PersonList from './PersonList.vue'
import UnitDialog from './UnitDialog.vue'

const emit = defineEmits<{ person: [id: string] }>()
const { may } = useSession()
const { draftAt } = useDrafting()
const query = useQuery({ queryKey: ['units'], queryFn: () => answer(api.GET('/api/units')) })
const chosen = ref<Schemas['UnitLine']>()
const changing = ref<Schemas['UnitLine']>()

/** Parents before what is below them, each with its depth. */
const rows = computed(() => {
  const all = query.data.value ?? []
  const list: { unit: Schemas['UnitLine']; depth: number }[] = []
  const visit = (parent: string | undefined, depth: number) =>
    all.filter((unit) => unit.parent === parent).forEach((unit) => {
      list.push({ unit, depth })
      visit(unit.id, depth + 1)
    })
  visit(undefined, 0)
  return list
})
</script>

<template>
  <div class="units">
    <div class="sheet tree">
      <ul aria-label="Units">
        <li v-for="{ unit, depth } in rows" :key="unit.id" :style="{ paddingLeft: `${14 + depth * 22}px` }" :data-chosen="chosen?.id === unit.id">
          <button type="button" class="linklike row-name" @click="chosen = unit">{{ unit.name }}</button>
          <DraftedMark :drafted="unit.drafted" />
          <span class="quiet">{{ counted(unit.people, 'person', 'people') }}</span>
          <span v-if="unit.outsiders > 0" class="mark outsider">{{ counted(unit.outsiders, 'outsider') }}</span>
          <span v-if="may('people')" class="acts">
            <button type="button" class="linklike" :aria-label="`Change ${unit.name}`" @click="changing = unit">Change</button>
            <button v-if="unit.people === 0" type="button" class="linklike" :aria-label="`Remove ${unit.name}`" @click="draftAt([{ kind: 'removeUnit', unit: unit.id }])">Remove</button>
          </span>
        </li>
        <li v-if="rows.length === 0" class="quiet">There are no units yet. A unit as a subject means everyone in it and in the units below it.</li>
      </ul>
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
  overflow: auto;
  flex: 1;
  min-height: 160px;
}
.units > :nth-child(2) {
  flex: 1;
  min-height: 200px;
}
ul {
  list-style: none;
}
li {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 6px 14px;
  border-bottom: 1px solid var(--pg-line);
}
.acts {
  margin-left: auto;
  display: flex;
  gap: 8px;
}
</style>
