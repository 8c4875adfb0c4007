<script setup lang="ts">
import { answer, api, type Schemas } from '@/api/client'
import Finder from '@/lists/Finder.vue'

defineProps<{ label: string }>()
const chosen = defineModel<Schemas['PersonView'] | undefined>({ required: true })

const find = (text: string) => answer(api.GET('/api/people', { params: { query: { text } } }))

function about(person: Schemas['PersonView']): string {
  return [person.external ? 'outsider' : 'staff', person.unit, person.active ? undefined : 'not active'].filter(Boolean).join(' · ')
}
</script>

<template>
  <Finder v-model="chosen" :label="label" kind="person" :find="find" :identify="(person) => person.id" :about="about" none="Nobody of that name." />
</template>
