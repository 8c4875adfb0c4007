<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import TwoSides from '@/common/TwoSides.vue'
import { counted } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import { useSession } from '@/session/useSession'
import FewerEntries from './FewerEntries.vue'
import FindingDetail from './FindingDetail.vue'
import FindingSettings from './FindingSettings.vue'
import FindingsGone from './FindingsGone.vue'
import { SEVERITIES, severityOf } from './finding'

/** What needs a look, the gravest first. */
const route = useRoute()
const router = useRouter()
const { may } = useSession()
const text = (key: string) => (typeof route.query[key] === 'string' ? String(route.query[key]) : undefined)
const rule = computed(() => text('rule') ?? '')
const accepted = computed(() => text('accepted') === 'yes')
const mine = computed(() => text('mine') === 'yes')
const key = computed(() => text('key'))
const which = computed(() => (accepted.value ? 'accepted' : mine.value ? 'mine' : ''))
const whiches = computed(() => [
  { title: 'What needs a look', value: '' },
  { title: `Assigned to me (${head.data.value?.mine ?? 0})`, value: 'mine' },
  { title: `Accepted (${head.data.value?.accepted ?? 0})`, value: 'accepted' },
])
const turnWhich = (value: string) =>
  turnTo({ mine: value === 'mine' ? 'yes' : undefined, accepted: value === 'accepted' ? 'yes' : undefined, key: undefined })
const setting = ref(false)
const head = useQuery({
  queryKey: computed(() => ['findings', 'head']),
  queryFn: () => answer(api.GET('/api/findings', { params: { query: { limit: 1 } } })),
})
const fetchRows = async (part: Part) =>
  (
    await answer(
      api.GET('/api/findings', { params: { query: { ...part, rule: rule.value, accepted: accepted.value, mine: mine.value } } }),
    )
  ).findings
const COLUMNS = [
  { title: 'How grave', width: '84px' },
  { title: 'What was found', width: 'minmax(200px, 1fr)' },
]
const rules = computed(() => [
  { title: 'Any rule', value: '' },
  ...(head.data.value?.rules ?? [])
    .filter((one) => one.found > 0 || one.code === rule.value)
    .map((one) => ({ title: `${one.title} (${one.found})`, value: one.code })),
])
const counts = computed(() =>
  SEVERITIES.map((one) => ({
    ...one,
    found: (head.data.value?.rules ?? [])
      .filter((each) => each.severity === one.value)
      .reduce((sum, each) => sum + each.found, 0),
  })),
)
function turnTo(query: Record<string, string | undefined>) {
  void router.replace({ name: 'findings', query: { ...route.query, ...query } })
}
const chosen = (row: Schemas['FindingRow']) => ({ name: 'findings', query: { ...route.query, key: row.key, fewer: undefined, gone: undefined } })
</script>

<template>
  <TwoSides list="Findings" chosen="The finding" width="600px">
    <template #head>
      <h1>Findings</h1>
      <div id="find-here" class="find-here"></div>
      <v-select class="which" label="Show" :model-value="which" :items="whiches" @update:model-value="turnWhich" />
      <v-select
        class="rule"
        label="Rule"
        :model-value="rule"
        :items="rules"
        @update:model-value="turnTo({ rule: $event || undefined, key: undefined })"
      />
      <v-btn v-if="may('access') || may('audit')" size="small" :active="text('fewer') === 'yes'" :to="{ name: 'findings', query: { ...route.query, key: undefined, gone: undefined, fewer: 'yes' } }">Fewer entries …</v-btn>
      <v-btn size="small" :active="text('gone') === 'yes'" :to="{ name: 'findings', query: { ...route.query, key: undefined, fewer: undefined, gone: 'yes' } }">Gone …</v-btn>
      <v-btn size="small" @click="setting = true">Rules and limits …</v-btn>
    </template>
    <template #list>
      <p v-if="head.isError.value" class="fault" role="alert">{{ head.error.value?.message }}</p>
      <p v-else-if="head.data.value" class="quiet counts">
        <template v-for="(one, i) in counts" :key="one.value"
          >{{ i > 0 ? ', ' : '' }}<strong :class="one.tone">{{ one.found }} {{ one.title }}</strong></template
        ><template v-if="head.data.value.accepted > 0">; {{ counted(head.data.value.accepted, 'more is', 'more are') }} accepted</template>.
      </p>
      <p v-else role="status">Looking through everything …</p>
      <div class="sheet fills">
        <PagedList
          label="Findings"
          find="Find in the findings"
          find-in="#find-here"
          :query-key="['findings', 'list', rule, accepted, mine]"
          :fetch="fetchRows"
          :columns="COLUMNS"
          :empty="accepted ? 'No finding is accepted.' : mine ? 'None is assigned to you.' : 'Nothing needs a look.'"
        >
          <template #row="{ item }">
            <div role="cell" :class="severityOf(item.severity).tone" :data-chosen="key === item.key">
              {{ severityOf(item.severity).title }}
            </div>
            <div role="cell">
              <router-link
                class="row-name"
                :to="chosen(item)"
                :title="item.text"
                :aria-current="key === item.key ? 'true' : undefined"
                >{{ item.text }}</router-link
              >
              <span v-if="item.assignee" class="mark" :title="`Assigned to ${item.assignee}`">{{ item.assignee }}</span>
            </div>
          </template>
        </PagedList>
      </div>
    </template>
    <FindingSettings v-if="setting" @close="setting = false" />
    <FindingDetail v-if="key" :key="key" :finding-key="key" />
    <FewerEntries v-else-if="text('fewer') === 'yes'" />
    <FindingsGone v-else-if="text('gone') === 'yes'" />
    <div v-else class="quiet hint">
      <p>
        A finding is something that a careful person would want to know, though it is not wrong. Choose one: it says why
        it matters and what speaks for it, and offers what would mend it, counted before anything happens.
      </p>
    </div>
  </TwoSides>
</template>

<style scoped>
.find-here {
  flex: 1 1 150px;
  max-width: 220px;
}
.rule,
.which {
  flex: 1 1 140px;
  max-width: 200px;
}
.counts {
  margin: 0;
}
</style>
