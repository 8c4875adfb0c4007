<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import TwoSides from '@/common/TwoSides.vue'
import { counted, number } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import { useSession } from '@/session/useSession'
import { stateOf } from './wall'
import LeaverForm from './LeaverForm.vue'
import WallDetail from './WallDetail.vue'
import WallForm from './WallForm.vue'

/** Every wall, and the page of the one that is chosen. */
const route = useRoute()
const router = useRouter()
const { may } = useSession()
const query = useQuery({ queryKey: ['walls'], queryFn: () => answer(api.GET('/api/walls')) })
const lines = computed(() => query.data.value ?? [])
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : undefined))
const raising = computed(() => id.value === 'new')
const leaving = computed(() => id.value === 'leaver')
const changing = ref(false)
watch(id, () => (changing.value = false))
const fetchWalls = inPage(
  () => lines.value,
  (wall) => `${wall.name} ${wall.kind}`,
  { name: (wall) => wall.name, documents: (wall) => wall.documents, people: (wall) => wall.people, state: (wall) => stateOf(wall) },
)
const COLUMNS = [
  { title: 'Wall', width: 'minmax(88px, 1fr)', sort: 'name' },
  { title: 'Documents', width: '72px', sort: '-documents' },
  { title: 'Keeps out', width: '66px', sort: '-people' },
  { title: 'State', width: '112px', sort: 'state' },
]

/** What somebody who keeps the walls should look at first; undefined if there is nothing. */
function noted(wall: Schemas['WallLine']): string | undefined {
  if (wall.drafted !== 'NO') return wall.drafted === 'MADE' ? 'new in the draft' : 'in your draft'
  if (wall.barsYou) return 'bars you'
  if (wall.documents === 0 && wall.state !== 'LIFTED') return 'covers nothing'
  if (wall.conflicts > 0) return counted(wall.conflicts, 'conflict')
  return wall.endingSoon > 0 ? 'exception ends' : undefined
}

function choose(wall: string) {
  changing.value = false
  void router.push({ name: 'walls', params: { id: wall } })
}
</script>

<template>
  <TwoSides list="Walls" chosen="The wall" width="500px">
    <template #head>
      <h1>Walls</h1>
      <div id="find-here" class="find-here"></div>
      <v-btn v-if="may('walls')" size="small" @click="choose('leaver')">Confine a leaver</v-btn>
      <v-btn v-if="may('walls')" size="small" class="is-main" @click="choose('new')">Raise a wall</v-btn>
    </template>
    <template #list>
      <div class="sheet fills">
        <PagedList
          label="Walls"
          :query-key="['walls', 'list', query.dataUpdatedAt.value]"
          :fetch="fetchWalls"
          :columns="COLUMNS"
          find="Find a wall"
          find-in="#find-here"
          :empty="query.isError.value ? (query.error.value?.message ?? '') : query.isFetched.value ? 'No wall stands yet. A wall keeps people out of papers whatever the access lists say: no grant, duty or oversight passes it.' : 'Fetching the walls …'"
        >
          <template #row="{ item: wall }">
            <div role="cell" class="named" :data-chosen="wall.id === id">
              <button type="button" class="linklike row-name" :title="wall.name" @click="choose(wall.id)">{{ wall.name }}</button>
            </div>
            <div role="cell">{{ number(wall.documents) }}</div>
            <div role="cell">{{ number(wall.people) }}</div>
            <div role="cell" :class="{ quiet: noted(wall) === undefined && !wall.bars, warn: noted(wall) !== undefined }" :title="noted(wall) && stateOf(wall)">{{ noted(wall) ?? stateOf(wall) }}</div>
          </template>
        </PagedList>
      </div>
    </template>
    <WallForm v-if="raising && may('walls')" key="new" @done="choose" @cancel="router.push({ name: 'walls' })" />
    <LeaverForm v-else-if="leaving && may('walls')" @done="router.push({ name: 'rehearsal' })" @cancel="router.push({ name: 'walls' })" />
    <WallDetail v-else-if="id && !raising && !leaving" :id="id" :key="id" v-model:changing="changing" />
    <p v-else class="quiet hint">Choose a wall to see both ends of it: whom it keeps out of what, and whom it lets in.</p>
  </TwoSides>
</template>

<style scoped>
.named {
  display: flex;
  align-items: center;
  gap: 4px;
}
.named > .row-name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
