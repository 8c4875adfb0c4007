<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { answer, api, type Schemas } from '@/api/client'
import { counted, listed } from '@/common/words'

/** Who would see and change what in the console, were the draft put in force. */
const props = defineProps<{ state: string }>()
const query = useQuery({ queryKey: ['rehearsal', 'duties', () => props.state], queryFn: () => answer(api.GET('/api/draft/rehearsal/duties')) })

function words(console: Schemas['ConsoleView']): string {
  if (console.duties.length === 0) return 'no duty'
  return `${listed(console.duties.map((duty) => duty.toLowerCase()))}, seeing ${counted(console.places, 'place')} and ${counted(console.people, 'person', 'people')}`
}
</script>

<template>
  <section v-if="(query.data.value?.shifts.length ?? 0) > 0" class="duties" aria-labelledby="shifts-title">
    <h2 id="shifts-title">In the console</h2>
    <ul>
      <li v-for="shift in query.data.value!.shifts" :key="shift.person.id">
        <strong>{{ shift.person.name }}</strong> would have {{ words(shift.after) }}; has {{ words(shift.before) }}.
      </li>
    </ul>
    <p v-if="query.data.value!.more > 0" class="quiet">And {{ counted(query.data.value!.more, 'other person', 'other people') }} whose duties change.</p>
  </section>
</template>

<style scoped>
.duties {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 12px;
  max-height: 160px;
  overflow: auto;
}
ul {
  padding-left: 18px;
}
</style>
