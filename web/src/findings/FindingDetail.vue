<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import { thingLink } from '@/drafts/thingLink'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'
import AcceptFinding from './AcceptFinding.vue'
import FindingFollowUp from './FindingFollowUp.vue'
import { effectOf, severityOf, sinceWords } from './finding'

/** One finding: what speaks for it, and what would mend it. */
const props = defineProps<{ findingKey: string }>()
const { may } = useSession()
const { draftAt, busy } = useDrafting()
const queries = useQueryClient()
const query = useQuery({
  queryKey: computed(() => ['findings', 'one', props.findingKey]),
  queryFn: () => answer(api.GET('/api/findings/one', { params: { query: { key: props.findingKey } } })),
})
const one = computed(() => query.data.value)
const accepting = ref(false)
const mayChange = computed(() => may('access') || may('people') || may('walls') || may('types'))
const drafted = ref<string>()
async function add(fix: Schemas['FixView']) {
  if (await draftAt(fix.changes as Schemas['Change'][])) drafted.value = fix.words
}
/** Looked up only when asked for: each earlier state is looked through. */
const asking = ref(false)
const since = useQuery({
  queryKey: computed(() => ['findings', 'since', props.findingKey]),
  queryFn: () => answer(api.GET('/api/findings/since', { params: { query: { key: props.findingKey } } })),
  enabled: asking,
})
const fault = ref('')
async function takeBack() {
  fault.value = ''
  try {
    await answer(api.DELETE('/api/findings/acceptances', { params: { query: { key: props.findingKey } } }))
  } catch (error) {
    fault.value = error instanceof Error ? error.message : String(error)
  }
  await queries.invalidateQueries({ queryKey: ['findings'] })
}
</script>

<template>
  <p v-if="query.isError.value" class="fault" role="alert">
    {{ query.error.value?.message }} It may have been mended meanwhile.
  </p>
  <p v-else-if="!one" role="status">Trying what would mend it …</p>
  <article v-else class="sheet finding" aria-labelledby="finding-title">
    <p>
      <strong :class="severityOf(one.finding.severity).tone">{{ severityOf(one.finding.severity).title }}</strong>
      <span class="quiet"> · {{ one.title }}</span>
    </p>
    <h2 id="finding-title">{{ one.finding.text }}</h2>
    <p>{{ one.matters }}</p>
    <ul v-if="one.evidence.length > 0" aria-label="What speaks for it">
      <li v-for="line in one.evidence" :key="line">{{ line }}</li>
    </ul>
    <p class="ways">
      <router-link v-if="thingLink(one.finding)" :to="thingLink(one.finding)!">Look at it</router-link>
      <button v-if="one.dated && !asking" type="button" class="linklike" @click="asking = true">since when?</button>
    </p>
    <p v-if="since.isError.value" class="fault" role="alert">{{ since.error.value?.message }}</p>
    <p v-else-if="since.data.value" role="status">
      {{ sinceWords(since.data.value) }}
      <router-link v-if="since.data.value.change" :to="{ name: 'journal', params: { number: since.data.value.change.number } }"
        >Change {{ since.data.value.change.number }}</router-link
      >
    </p>
    <p v-else-if="asking" role="status">Looking back …</p>
    <p v-if="one.finding.accepted" class="caution">
      Accepted by {{ one.finding.accepted.by }}, {{ toTheEndOf(one.finding.accepted.until)
      }}<template v-if="one.finding.accepted.reason">: “{{ one.finding.accepted.reason }}”</template>.
      <button v-if="mayChange" type="button" class="linklike" @click="takeBack">take that back</button>
    </p>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <h3>What would mend it</h3>
    <p v-if="one.fixes.length === 0" class="quiet">
      Nothing simple: only you can say what is meant. Look at it, and change what is wrong.
    </p>
    <ul v-else class="fixes" aria-label="Fixes">
      <li v-for="fix in one.fixes" :key="fix.words">
        <div>
          <strong>{{ fix.words }}</strong>
          <p class="quiet">{{ effectOf(fix) }}</p>
        </div>
        <v-btn
          v-if="mayChange"
          size="small"
          class="is-main"
          :loading="busy"
          :disabled="drafted !== undefined"
          :aria-label="`Add to the draft: ${fix.words}`"
          @click="add(fix)"
          >Add to the draft</v-btn
        >
      </li>
    </ul>
    <p v-if="drafted" class="good" role="status">
      It is in your draft. <router-link :to="{ name: 'rehearsal' }">Open the rehearsal</router-link>, or go on to the next
      finding.
    </p>
    <div v-if="mayChange && !one.finding.accepted" class="acts">
      <v-btn size="small" @click="accepting = true">Accept it …</v-btn>
    </div>
    <FindingFollowUp :finding-key="findingKey" />
    <AcceptFinding
      v-if="accepting"
      :finding-key="findingKey"
      :facts="one.facts"
      :text="one.finding.text"
      @close="accepting = false"
    />
  </article>
</template>

<style scoped>
.ways {
  display: flex;
  gap: 14px;
}
.finding {
  padding: 14px 18px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  overflow: auto;
}
.finding > p,
h2,
h3 {
  margin: 0;
}
ul {
  margin: 0;
  padding-left: 20px;
}
.fixes {
  list-style: none;
  padding: 0;
}
.fixes li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
  padding: 8px 0;
  border-bottom: 1px solid var(--pg-line);
}
.fixes p {
  margin: 2px 0 0;
}
</style>
