<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { counted } from '@/common/words'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'

/** How exactly the same could be said with fewer entries. Each proposal stands on those before it. */
const { may } = useSession()
const { draftAt, busy } = useDrafting()
const query = useQuery({
  queryKey: ['findings', 'mining'],
  queryFn: () => answer(api.GET('/api/findings/mining')),
  staleTime: 60_000,
})
const found = computed(() => query.data.value)
const drafted = ref(0)
const share = computed(() =>
  found.value === undefined || found.value.before === 0
    ? 0
    : Math.round(((found.value.before - found.value.after) * 100) / found.value.before),
)
async function add(upTo: number) {
  const proposals = found.value!.proposals.slice(0, upTo)
  if (await draftAt(proposals.flatMap((one) => one.changes) as Schemas['Change'][])) drafted.value = upTo
}
</script>

<template>
  <article class="sheet fewer" aria-labelledby="fewer-title">
    <h2 id="fewer-title">The same with fewer entries</h2>
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="!found" role="status">Trying what could go, piece by piece …</p>
    <template v-else>
      <p v-if="found.proposals.length === 0">
        Nothing can be said with fewer entries than the {{ found.before }} that there are.
      </p>
      <template v-else>
        <p>
          <strong>{{ found.before }} entries could be {{ found.after }}</strong
          >, {{ share }} in a hundred fewer. Nobody would gain or lose anything, now or at any later day on which
          something begins or ends: each was tried, on what those before it leave.<template v-if="found.cut">
            There was not time to try everything.</template
          >
        </p>
        <div v-if="may('access')" class="acts">
          <v-btn
            size="small"
            class="is-main"
            :loading="busy"
            :disabled="drafted > 0"
            @click="add(found.proposals.length)"
            >Add all to the draft</v-btn
          >
        </div>
        <p v-if="drafted > 0" class="good" role="status">
          {{ counted(drafted, 'proposal is', 'proposals are') }} in your draft.
          <router-link :to="{ name: 'rehearsal' }">Open the rehearsal</router-link>.
        </p>
        <ol>
          <li v-for="(one, i) in found.proposals" :key="one.words">
            <span
              >{{ one.words }} <span class="quiet">{{ counted(one.saves, 'entry', 'entries') }} fewer</span></span
            >
            <v-btn
              v-if="may('access')"
              size="small"
              :disabled="drafted > 0"
              :aria-label="`Add up to here: ${one.words}`"
              @click="add(i + 1)"
              >Up to here</v-btn
            >
          </li>
        </ol>
      </template>
    </template>
  </article>
</template>

<style scoped>
.fewer {
  padding: 14px 18px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
ol {
  padding-left: 22px;
}
li {
  padding: 5px 0;
  border-bottom: 1px solid var(--pg-line);
}
li > span {
  display: inline-block;
  width: calc(100% - 112px);
}
</style>
