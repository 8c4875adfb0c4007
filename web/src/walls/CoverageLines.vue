<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { counted, listed, number } from '@/common/words'

/** How much a scope covers together, by each criterion alone, and of which libraries and types. */
defineProps<{ coverage: Schemas['Coverage'] }>()
const FEW = 6

function criterion(one: Schemas['Criterion']): string {
  return one.kind === 'places' ? 'the places named' : one.kind === 'types' ? 'the types named' : `the label ${one.key}`
}
function together(coverage: Schemas['Coverage']): string {
  if (coverage.criteria.length < 2) return ''
  return `, those that meet all of: ${listed(coverage.criteria.map((one) => `${criterion(one)} (alone ${counted(one.documents, 'document')})`))}`
}
function parts(all: Schemas['Part'][]): string {
  const rest = all.slice(FEW).reduce((sum, one) => sum + one.documents, 0)
  return listed([...all.slice(0, FEW).map((one) => `${one.id === null || one.id === undefined ? 'no type' : one.name} ${number(one.documents)}`), ...(rest > 0 ? [`others ${number(rest)}`] : [])])
}
</script>

<template>
  <div class="coverage">
    <p><strong>{{ counted(coverage.documents, 'document') }}</strong> in {{ counted(coverage.places, 'place') }}{{ together(coverage) }}.</p>
    <p v-if="coverage.libraries.length > 0" class="quiet">By library: {{ parts(coverage.libraries) }}. By type: {{ parts(coverage.types) }}.</p>
  </div>
</template>
