<script setup lang="ts">
import { computed } from 'vue'
import type { Problem, ShiftCounts } from '@/api/problem'
import { counted, listed } from '@/common/words'

/** What was seen against what would be now, where the two differ. */
const props = defineProps<{ problem: Problem }>()
const rows = computed(() => {
  const { totalsSeen: seen, totalsNow: now } = props.problem
  if (seen === undefined || now === undefined) return []
  return [
    ['People who gain', seen.peopleGaining, now.peopleGaining],
    ['People who lose', seen.peopleLosing, now.peopleLosing],
    ['Outsiders who gain', seen.outsidersGaining, now.outsidersGaining],
    ['Places', seen.places, now.places],
    ['Documents', seen.documents, now.documents],
  ] as const
})
const more = computed(() => (props.problem.peopleInAll ?? 0) - (props.problem.people?.length ?? 0))

function says(counts: ShiftCounts | undefined): string {
  if (counts === undefined) return 'nothing'
  const gains = counts.placesGaining > 0 ? `gains ${listed(counts.gained)} at ${counted(counts.placesGaining, 'place')}` : ''
  const loses = counts.placesLosing > 0 ? `loses ${listed(counts.lost)} at ${counted(counts.placesLosing, 'place')}` : ''
  return [gains, loses].filter((part) => part !== '').join(', ')
}
</script>

<template>
  <template v-if="rows.length > 0">
    <table class="other">
      <caption>What was seen, and what would be now</caption>
      <thead>
        <tr><td></td><th scope="col">You saw</th><th scope="col">Now</th></tr>
      </thead>
      <tbody>
        <tr v-for="[what, seen, now] in rows" :key="what" :data-differs="seen !== now">
          <th scope="row">{{ what }}</th>
          <td>{{ seen }}</td>
          <td>{{ now }}</td>
        </tr>
      </tbody>
    </table>
    <ul v-if="(problem.people?.length ?? 0) > 0">
      <li v-for="one in problem.people" :key="one.person">
        <strong>{{ one.person }}</strong><template v-if="one.outsider">, an outsider</template>: {{ says(one.now) }} now; you saw {{ says(one.seen) }}.
      </li>
      <li v-if="more > 0">and {{ counted(more, 'more person', 'more people') }}</li>
    </ul>
    <p v-else>The people are the same; what differs comes at a later instant, or in places without a keeper.</p>
  </template>
</template>

<style scoped>
caption {
  text-align: left;
}
.other {
  border-collapse: collapse;
  margin: 6px 0;
}
.other th,
.other td {
  text-align: right;
  padding: 1px 10px 1px 0;
  font-weight: 400;
}
.other th[scope='row'] {
  text-align: left;
}
.other [data-differs='true'] td {
  font-weight: 600;
}
ul {
  padding-left: 18px;
}
</style>
