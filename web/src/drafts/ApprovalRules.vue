<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useSession } from '@/session/useSession'
import DraftedMark from '@/common/DraftedMark.vue'
import { useDrafting } from '@/tray/useDrafting'

/** Which drafts a second person must approve: rules are drafted like everything else. */
const { may } = useSession()
const { draftAt, busy } = useDrafting()
const rules = useQuery({ queryKey: ['approval-rules'], queryFn: () => answer(api.GET('/api/approval-rules')) })
const root = useQuery({ queryKey: ['root'], queryFn: () => answer(api.GET('/api/repository')) })
const children = useQuery({
  queryKey: computed(() => ['children', root.data.value?.id]),
  enabled: computed(() => root.data.value !== undefined),
  queryFn: () => answer(api.GET('/api/places/{id}/children', { params: { path: { id: root.data.value!.id } } })),
})
const DUTIES = ['ACCESS', 'PEOPLE', 'TYPES', 'WALLS', 'OVERSIGHT'] as const
type Duty = (typeof DUTIES)[number]
const libraries = computed(() => (children.data.value ?? []).filter((one) => one.kind === 'library'))
const choices = computed(() => [
  { value: 'outsiders', title: 'Outsiders gain rights anywhere' },
  ...libraries.value.map((one) => ({ value: `rights:${one.id}`, title: `Rights change in ${one.name}` })),
  ...libraries.value.map((one) => ({ value: `outside:${one.id}`, title: `Outsiders gain rights in ${one.name}` })),
  ...DUTIES.map((duty) => ({ value: `duty:${duty}`, title: `Changes that take the duty ${duty.toLowerCase()}` })),
])
const approvers = DUTIES.map((duty) => ({ value: duty, title: `somebody with the duty ${duty.toLowerCase()}` }))
const chosen = ref<string>()
const by = ref<Duty>('ACCESS')

async function add() {
  const value = chosen.value!
  const [what, id] = [value.split(':')[0], value.slice(value.indexOf(':') + 1)]
  const added = await draftAt([
    {
      kind: 'setApproval',
      name: choices.value.find((one) => one.value === value)!.title,
      outsidersGain: what === 'outsiders' || what === 'outside',
      places: what === 'rights' || what === 'outside' ? [id] : undefined,
      duties: what === 'duty' ? [id as Duty] : undefined,
      duty: by.value,
    },
  ])
  if (added) chosen.value = undefined
}
const remove = (rule: Schemas['RuleView']) => draftAt([{ kind: 'removeApproval', approval: rule.id }])
</script>

<template>
  <section class="rules" aria-labelledby="rules-title">
    <h2 id="rules-title">A second person approves</h2>
    <ul>
      <li v-for="rule in rules.data.value ?? []" :key="rule.id">
        {{ rule.name }}: {{ `somebody with the duty ${rule.duty}` }} <DraftedMark :drafted="rule.drafted" />
        <button v-if="may('access')" type="button" class="linklike" :aria-label="`Remove the rule ${rule.name}`" @click="remove(rule)">Remove</button>
      </li>
      <li v-if="(rules.data.value?.length ?? 0) === 0" class="quiet">nowhere yet; the author alone puts a draft in force</li>
    </ul>
    <form v-if="may('access')" @submit.prevent="add">
      <v-select v-model="chosen" :items="choices" label="Ask for it when" hide-details />
      <v-select v-model="by" :items="approvers" label="Approved by" hide-details />
      <v-btn type="submit" size="small" :disabled="chosen === undefined" :loading="busy">Add to the draft</v-btn>
    </form>
  </section>
</template>

<style scoped>
.rules {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
ul {
  padding-left: 18px;
}
form {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
}
form > .v-input {
  width: 100%;
}
</style>
