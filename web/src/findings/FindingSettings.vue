<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { day } from '@/common/words'
import { useSession } from '@/session/useSession'
import { severityOf } from './finding'

/** What is looked for in this house: limits, and rules that are switched off, each with its reason. */
const emit = defineEmits<{ close: [] }>()
const { may } = useSession()
const queries = useQueryClient()
const query = useQuery({ queryKey: ['findings', 'settings'], queryFn: () => answer(api.GET('/api/findings/settings')) })
const mayChange = computed(() => may('system'))
const limits = ref<Schemas['FindingLimits']>()
watch(query.data, (now) => (limits.value = now && { ...now.limits }), { immediate: true })
const LIMITS: { key: keyof Schemas['FindingLimits']; label: string }[] = [
  { key: 'soonDays', label: 'Days that are soon' },
  { key: 'checkedOutDays', label: 'Days kept to oneself' },
  { key: 'nearlySamePeople', label: 'People of a near break' },
  { key: 'unusedDays', label: 'Days until unused' },
  { key: 'draftDays', label: 'Days of a draft' },
]
const faults = ref<FaultLine[]>([])
const switching = ref<string>()
const reason = ref('')
async function keep(change: () => Promise<Schemas['FindingSettingsView']>) {
  faults.value = []
  try {
    queries.setQueryData(['findings', 'settings'], await change())
    switching.value = undefined
    reason.value = ''
    await queries.invalidateQueries({ queryKey: ['findings'] })
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
const limit = () => keep(() => answer(api.POST('/api/findings/settings/limits', { body: limits.value! })))
const off = (rule: string) =>
  keep(() =>
    answer(
      api.POST('/api/findings/settings/off/{rule}', { params: { path: { rule } }, body: { reason: reason.value } }),
    ),
  )
const on = (rule: string) =>
  keep(() => answer(api.DELETE('/api/findings/settings/off/{rule}', { params: { path: { rule } } })))
</script>

<template>
  <PageDialog :model-value="true" max-width="760" aria-labelledby="settings-title" @update:model-value="emit('close')">
    <div class="sheet pg-dialog">
      <h2 id="settings-title">Rules and limits</h2>
      <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
      <template v-else-if="query.data.value && limits">
        <form class="limits" @submit.prevent="limit">
          <v-text-field
            v-for="one in LIMITS"
            :key="one.key"
            v-model.number="limits[one.key]"
            type="number"
            :label="one.label"
            :readonly="!mayChange"
          />
          <v-btn v-if="mayChange" type="submit" size="small">Set these</v-btn>
        </form>
        <FaultList :faults="faults" />
        <ul class="rules" aria-label="Rules">
          <li v-for="rule in query.data.value.rules" :key="rule.code">
            <span :class="severityOf(rule.severity).tone">{{ severityOf(rule.severity).title }}</span>
            <span>
              {{ rule.title }}
              <span v-if="rule.off" class="caution"
                >Switched off by {{ rule.off.by }}, {{ day(rule.off.at) }}: “{{ rule.off.reason }}”</span
              >
            </span>
            <template v-if="mayChange">
              <v-btn
                v-if="rule.off"
                size="small"
                :aria-label="`Look for it again: ${rule.title}`"
                @click="on(rule.code)"
                >Look for it again</v-btn
              >
              <v-btn
                v-else-if="switching !== rule.code"
                size="small"
                :aria-label="`Switch off: ${rule.title}`"
                @click="((switching = rule.code), (reason = ''))"
                >Switch off …</v-btn
              >
              <form v-else class="why" @submit.prevent="off(rule.code)">
                <v-text-field v-model="reason" v-focus-first label="Why not: whoever administers reads it" maxlength="1000" />
                <v-btn type="submit" size="small" class="is-main" :disabled="reason.trim() === ''">Switch off</v-btn>
              </form>
            </template>
          </li>
        </ul>
      </template>
      <p v-else role="status">One moment …</p>
      <div class="actions"><v-btn @click="emit('close')">Close</v-btn></div>
    </div>
  </PageDialog>
</template>

<style scoped>
.limits {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px;
  align-items: center;
  padding-top: 6px;
}
.rules {
  list-style: none;
  max-height: 46vh;
  overflow: auto;
}
.rules li {
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--pg-line);
}
.why {
  display: flex;
  gap: 8px;
  align-items: center;
  width: 320px;
}
@media (max-width: 700px) {
  .limits {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
