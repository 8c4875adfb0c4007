<script setup lang="ts">
import { answer, api, type Schemas } from '@/api/client'
import Finder from '@/lists/Finder.vue'
import { counted } from '@/common/words'

defineProps<{ label: string }>()
const chosen = defineModel<Schemas['SubjectView'] | undefined>({ required: true })

const KINDS: Record<string, string> = { group: 'group', unit: 'unit', person: 'person', builtin: 'built in' }

const find = (text: string) => answer(api.GET('/api/subjects', { params: { query: { text } } }))

function about(subject: Schemas['SubjectView']): string {
  const outside = subject.outsiders > 0 ? `, ${counted(subject.outsiders, 'outsider')}` : ''
  return `${KINDS[subject.kind]} · ${counted(subject.people, 'person', 'people')}${outside}`
}
</script>

<template>
  <Finder
    v-model="chosen"
    :label="label"
    kind="subject"
    :find="find"
    :identify="(subject) => `${subject.kind}:${subject.id}`"
    :about="about"
    none="Nobody of that name. Try part of a name of a person, group or unit."
  />
</template>
