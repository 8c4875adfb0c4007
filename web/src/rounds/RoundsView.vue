<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import TwoSides from '@/common/TwoSides.vue'
import { counted, lastDay } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import { useSession } from '@/session/useSession'
import RoundDetail from './RoundDetail.vue'
import RoundForm from './RoundForm.vue'

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { may } = useSession()
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : undefined))
const query = useQuery({ queryKey: ['rounds'], queryFn: () => answer(api.GET('/api/rounds')) })
const rounds = computed(() => query.data.value?.rounds ?? [])
const older = computed(() => query.data.value?.older ?? 0)
const fetchRows = inPage(() => rounds.value, (round) => `${round.name} ${round.madeBy}`, { name: (round) => round.name, due: (round) => round.due })
const COLUMNS = [
  { title: 'Round', width: 'minmax(120px, 1.4fr)', sort: 'name' },
  { title: 'Due', width: '84px', sort: 'due' },
  { title: 'Decided', width: '76px' },
  { title: 'State', width: '104px' },
]
function state(round: (typeof rounds.value)[number]): string {
  if (!round.open) return 'closed'
  if (round.toDo > 0) return `${round.toDo} to carry out`
  return round.handedIn === round.reviewers ? 'all handed in' : `${round.handedIn} of ${round.reviewers} in`
}
async function begun(round: number) {
  await queries.invalidateQueries({ queryKey: ['rounds'] })
  void router.push({ name: 'rounds', params: { id: String(round) } })
}
</script>

<template>
  <TwoSides list="Rounds" chosen="The round" width="500px">
    <template #head>
      <h1>Rounds</h1>
      <div id="find-here" class="find-here"></div>
      <v-btn v-if="may('rounds')" size="small" class="is-main" :to="{ name: 'rounds', params: { id: 'new' } }">Begin a round</v-btn>
    </template>
    <template #list>
      <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
      <div v-else class="sheet fills">
        <PagedList
          label="Rounds"
          find="Find a round"
          find-in="#find-here"
          :query-key="['rounds', 'list', query.dataUpdatedAt.value]"
          :fetch="fetchRows"
          :columns="COLUMNS"
          :empty="query.isFetched.value ? 'No round has been begun yet.' : 'Fetching the rounds …'"
        >
          <template #row="{ item }">
            <div role="cell" :data-chosen="id === String(item.id)">
              <router-link class="row-name" :to="{ name: 'rounds', params: { id: String(item.id) } }" :aria-current="id === String(item.id) ? 'true' : undefined">{{ item.name }}</router-link>
            </div>
            <div role="cell">{{ lastDay(item.due) }}</div>
            <div role="cell">{{ item.decided }} of {{ item.items }}</div>
            <div role="cell" :class="{ warn: item.toDo > 0 && item.open, quiet: !item.open }">{{ state(item) }}</div>
          </template>
        </PagedList>
      </div>
      <p v-if="older > 0" class="quiet">{{ counted(older, 'older round is', 'older rounds are') }} not listed; their addresses still lead to them.</p>
    </template>
    <RoundForm v-if="id === 'new'" @begun="begun" @cancel="router.push({ name: 'rounds' })" />
    <RoundDetail v-else-if="id !== undefined" :id="Number(id)" :key="id" />
    <div v-else class="quiet hint">
      <p>A round asks those who know – the keepers of places, or somebody you name – whether what is given is still right. Nobody is asked about their own access.</p>
      <p>They answer here, or in a workbook that comes back. What they decide becomes one draft; what came of it is the evidence.</p>
    </div>
  </TwoSides>
</template>
