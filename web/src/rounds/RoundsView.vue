<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { counted, lastDay } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import { useSession } from '@/session/useSession'
import RoundDetail from './RoundDetail.vue'
import RoundForm from './RoundForm.vue'

const route = useRoute()
const router = useRouter()
const { may } = useSession()
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? route.params.id : undefined))
const query = useQuery({ queryKey: ['rounds'], queryFn: () => answer(api.GET('/api/rounds')) })
const rounds = computed(() => query.data.value ?? [])
const fetchRows = inPage(() => rounds.value, (round) => `${round.name} ${round.madeBy}`, { name: (round) => round.name, due: (round) => round.due })
const COLUMNS = [
  { title: 'Round', width: 'minmax(150px, 1.4fr)', sort: 'name' },
  { title: 'Due', width: '92px', sort: 'due' },
  { title: 'Decided', width: '100px' },
  { title: 'State', width: '1fr' },
]
function state(round: (typeof rounds.value)[number]): string {
  if (!round.open) return 'closed'
  if (round.toDo > 0) return `${round.toDo} to carry out`
  return round.handedIn === round.reviewers ? 'all handed in' : `${round.handedIn} of ${round.reviewers} handed in`
}
</script>

<template>
  <div class="room">
    <div class="top">
      <h1>Rounds</h1>
      <v-btn v-if="may('rounds')" size="small" class="is-main" :to="{ name: 'rounds', params: { id: 'new' } }">Begin a round</v-btn>
    </div>
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <div v-else class="both">
      <div v-if="rounds.length > 0" class="sheet list">
        <PagedList label="Rounds" find="Find a round" :query-key="['rounds', 'list', query.dataUpdatedAt.value]" :fetch="fetchRows" :columns="COLUMNS" empty="No rounds.">
          <template #row="{ item }">
            <div role="cell"><router-link :to="{ name: 'rounds', params: { id: String(item.id) } }" :aria-current="id === String(item.id) ? 'true' : undefined">{{ item.name }}</router-link></div>
            <div role="cell">{{ lastDay(item.due) }}</div>
            <div role="cell">{{ item.decided }} of {{ item.items }}</div>
            <div role="cell" :class="{ warn: item.toDo > 0 && item.open }">{{ state(item) }}</div>
          </template>
        </PagedList>
      </div>
      <div class="detail">
        <RoundForm v-if="id === 'new'" @begun="router.push({ name: 'rounds', params: { id: String($event) } })" @cancel="router.push({ name: 'rounds' })" />
        <RoundDetail v-else-if="id !== undefined" :id="Number(id)" :key="id" />
        <div v-else class="quiet blurb">
          <p>A round asks those who know – the keepers of places, or somebody you name – whether what is given is still right: grants, memberships, overseers, exceptions, clearances, duties. Nobody is asked about their own access.</p>
          <p>They answer here, or in a workbook that comes back. What they decide becomes one draft; what came of it is the evidence.</p>
          <p v-if="rounds.length > 0">{{ counted(rounds.filter((one) => one.open).length, 'round is', 'rounds are') }} open. Choose one, or begin another.</p>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.room {
  height: 100%;
  padding: 14px 16px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.both {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(360px, 0.8fr) minmax(420px, 1.2fr);
  gap: 18px;
}
.both > .detail:only-child {
  grid-column: 1 / -1;
}
.list {
  min-height: 200px;
}
.detail {
  min-height: 0;
  overflow: auto;
}
.blurb {
  display: flex;
  flex-direction: column;
  gap: 8px;
  max-width: 64ch;
}
@media (max-width: 900px) {
  .both {
    grid-template-columns: 1fr;
    overflow: auto;
  }
}
</style>
