<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { useSession } from '@/session/useSession'
import { useNotices } from '@/shell/useNotices'

/** Where a second person has to approve. */
const { may } = useSession()
const client = useQueryClient()
const notices = useNotices()
const rules = useQuery({ queryKey: ['approval-rules'], queryFn: () => answer(api.GET('/api/approval-rules')) })
const root = useQuery({ queryKey: ['root'], queryFn: () => answer(api.GET('/api/repository')) })
const children = useQuery({
  queryKey: computed(() => ['children', root.data.value?.id]),
  enabled: computed(() => root.data.value !== undefined),
  queryFn: () => answer(api.GET('/api/places/{id}/children', { params: { path: { id: root.data.value!.id } } })),
})
const DUTIES = ['ACCESS', 'PEOPLE', 'TYPES', 'WALLS', 'OVERSIGHT'] as const
const choices = computed(() => [
  ...DUTIES.map((duty) => ({ value: `duty:${duty}`, title: `All changes that take the duty ${duty.toLowerCase()}` })),
  ...(children.data.value ?? []).filter((one) => one.kind === 'library').map((one) => ({ value: `library:${one.id}`, title: `All changes in ${one.name}` })),
])
const chosen = ref<string>()

async function run(work: () => Promise<unknown>) {
  try {
    await work()
    await client.invalidateQueries({ queryKey: ['approval-rules'] })
    await client.invalidateQueries({ queryKey: ['draft'] })
  } catch (error) {
    notices.fail(error)
  }
}
function add() {
  const [kind, id] = [chosen.value!.slice(0, chosen.value!.indexOf(':')), chosen.value!.slice(chosen.value!.indexOf(':') + 1)]
  return run(() => answer(api.POST('/api/approval-rules', { body: kind === 'duty' ? { duty: id as (typeof DUTIES)[number] } : { library: id } })))
}
const remove = (id: number) => run(() => answer(api.DELETE('/api/approval-rules/{id}', { params: { path: { id } } })))
</script>

<template>
  <section class="rules" aria-labelledby="rules-title">
    <h2 id="rules-title">A second person approves</h2>
    <ul>
      <li v-for="rule in rules.data.value ?? []" :key="rule.id">
        {{ rule.duty ? `all changes that take the duty ${rule.duty}` : `all changes in ${rule.libraryName}` }}
        <button v-if="may('access')" type="button" class="linklike" @click="remove(rule.id)">no longer</button>
      </li>
      <li v-if="(rules.data.value?.length ?? 0) === 0" class="quiet">nowhere yet; the author alone puts a draft in force</li>
    </ul>
    <form v-if="may('access')" @submit.prevent="add">
      <v-select v-model="chosen" :items="choices" label="Ask for it with" hide-details />
      <v-btn type="submit" size="small" :disabled="chosen === undefined">Ask for it</v-btn>
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
  gap: 10px;
  align-items: center;
}
</style>
