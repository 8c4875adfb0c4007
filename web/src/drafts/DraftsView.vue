<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import { useNotices } from '@/common/useNotices'
import TwoSides from '@/common/TwoSides.vue'
import { moment } from '@/common/words'
import { useDraft } from '@/tray/useDraft'
import ApprovalRules from './ApprovalRules.vue'
import OpenedDraft from './OpenedDraft.vue'

const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const notices = useNotices()
const { refresh } = useDraft()
const query = useQuery({ queryKey: ['drafts'], queryFn: () => answer(api.GET('/api/drafts')) })
const id = computed(() => (typeof route.params.id === 'string' && route.params.id !== '' ? Number(route.params.id) : undefined))
const name = ref('')

const COLUMNS = [
  { title: 'Draft', width: 'minmax(120px, 1fr)', sort: 'name' },
  { title: 'Changes', width: '70px', sort: '-changes' },
  { title: 'Take in hand', width: '116px', silent: true },
]
const fetchDrafts = inPage(
  () => query.data.value ?? [],
  (draft) => `${draft.name} ${draft.owner}`,
  { name: (draft) => draft.name, changes: (draft) => draft.changes },
)

async function run(work: () => Promise<unknown>) {
  try {
    await work()
    await refresh()
    await client.invalidateQueries({ queryKey: ['drafts'] })
  } catch (error) {
    notices.fail(error)
  }
}
/** What is typed while the answer is on the way stays; so does a name that was refused. */
function begin() {
  const begun = name.value
  return run(async () => {
    await answer(api.POST('/api/drafts', { body: { name: begun } }))
    if (name.value === begun) name.value = ''
  })
}
const takeInHand = (draft: number) => run(() => answer(api.POST('/api/drafts/{id}/in-hand', { params: { path: { id: draft } } })))
</script>

<template>
  <TwoSides list="Drafts" chosen="The draft" width="400px">
    <template #list>
      <div class="stored">
        <h1>Drafts</h1>
        <p class="quiet">You may have several. The one in hand takes up what you change; the others wait.</p>
        <form class="begin" @submit.prevent="begin">
          <v-text-field v-model="name" label="Begin another, called" maxlength="200" hide-details />
          <v-btn type="submit" :disabled="name.trim() === ''">Begin</v-btn>
        </form>
        <div v-if="query.isFetched.value" class="sheet">
          <PagedList
            label="Drafts"
            :query-key="['drafts', 'list', query.dataUpdatedAt.value]"
            :fetch="fetchDrafts"
            :columns="COLUMNS"
            :row-height="66"
            :at-most="7"
            find="Find a draft"
            empty="No drafts. Whatever you change begins one."
          >
            <template #row="{ item: draft }">
              <div role="cell" :data-chosen="draft.id === id">
                <router-link :to="{ name: 'drafts', params: { id: draft.id } }">{{ draft.name }}</router-link>
                <p v-if="!draft.mine" class="quiet">of {{ draft.owner }}</p>
                <p v-if="draft.stopped" class="fault">It was due and stopped</p>
                <p v-else-if="draft.dueAt" class="quiet">in force from {{ moment(draft.dueAt) }}</p>
                <p v-else-if="draft.approvedBy.length > 0" class="quiet">approved by {{ draft.approvedBy.join(', ') }}</p>
              </div>
              <div role="cell">{{ draft.changes }}</div>
              <div role="cell">
                <span v-if="draft.mine && draft.inHand" class="mark gain">in hand</span>
                <v-btn v-else-if="draft.mine" size="small" :aria-label="`Take ${draft.name} in hand`" @click="takeInHand(draft.id)">Take in hand</v-btn>
              </div>
            </template>
          </PagedList>
        </div>
        <ApprovalRules />
      </div>
    </template>
    <OpenedDraft v-if="id" :id="id" :key="id" @gone="router.push({ name: 'drafts' })" />
    <p v-else class="quiet hint">Choose a draft to see what is in it, share it with a colleague, or have it put in force at a later time.</p>
  </TwoSides>
</template>

<style scoped>
.stored {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  overflow: auto;
}
.begin {
  display: flex;
  gap: 10px;
  align-items: center;
}
[data-chosen='true'] a {
  font-weight: 600;
}
</style>
