<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { useNotices } from '@/shell/useNotices'
import { counted, moment } from '@/shell/words'
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

async function run(work: () => Promise<unknown>) {
  try {
    await work()
    await refresh()
    await client.invalidateQueries({ queryKey: ['drafts'] })
  } catch (error) {
    notices.fail(error)
  }
}
async function begin() {
  await run(() => answer(api.POST('/api/drafts', { body: { name: name.value } })))
  name.value = ''
}
const takeInHand = (draft: number) => run(() => answer(api.POST('/api/drafts/{id}/in-hand', { params: { path: { id: draft } } })))
</script>

<template>
  <div class="shelf">
    <section class="left" aria-label="Drafts">
      <h1>Drafts</h1>
      <p class="quiet">You may have several. The one in hand takes up what you change; the others wait.</p>
      <form class="begin" @submit.prevent="begin">
        <v-text-field v-model="name" label="Begin another, called" maxlength="200" hide-details />
        <v-btn type="submit" :disabled="name.trim() === ''">Begin</v-btn>
      </form>
      <ul class="sheet">
        <li v-for="draft in query.data.value ?? []" :key="draft.id" :data-chosen="draft.id === id">
          <div>
            <router-link :to="{ name: 'drafts', params: { id: draft.id } }">{{ draft.name }}</router-link>
            <span v-if="draft.inHand && draft.mine" class="mark gain">in hand</span>
            <span v-if="!draft.mine" class="mark">of {{ draft.owner }}</span>
            <p class="quiet">
              {{ counted(draft.changes, 'change') }}<template v-if="draft.dueAt"> · to be put in force {{ moment(draft.dueAt) }}</template
              ><template v-if="draft.approvedBy.length > 0"> · approved by {{ draft.approvedBy.join(', ') }}</template>
            </p>
            <p v-if="draft.stopped" class="fault">It was due and stopped: {{ draft.stopped }}</p>
          </div>
          <v-btn v-if="draft.mine && !draft.inHand" size="small" @click="takeInHand(draft.id)">Take in hand</v-btn>
        </li>
        <li v-if="query.isFetched.value && (query.data.value?.length ?? 0) === 0" class="quiet">No drafts. Whatever you change begins one.</li>
      </ul>
      <ApprovalRules />
    </section>
    <section class="right" aria-label="The draft">
      <OpenedDraft v-if="id" :id="id" :key="id" @gone="router.push({ name: 'drafts' })" />
      <p v-else class="quiet hint">Choose a draft to see what is in it, share it with a colleague, or have it put in force at a later time.</p>
    </section>
  </div>
</template>

<style scoped>
.shelf {
  height: 100%;
  display: flex;
  gap: 20px;
  padding: 16px 22px;
}
.left {
  width: 400px;
  flex: none;
  display: flex;
  flex-direction: column;
  gap: 10px;
  overflow: auto;
}
.begin {
  display: flex;
  gap: 10px;
  align-items: center;
}
ul {
  list-style: none;
  flex: none;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
  padding: 9px 14px;
  border-bottom: 1px solid var(--pg-line);
}
li[data-chosen='true'] {
  background: rgba(var(--v-theme-primary), 0.09);
}
.right {
  flex: 1;
  min-width: 0;
  overflow: auto;
}
.hint {
  padding: 46px 20px;
}
@media (max-width: 900px) {
  .shelf {
    flex-direction: column;
    overflow: auto;
  }
  .left {
    width: 100%;
  }
}
</style>
