<script setup lang="ts">
import { answer, api, type Schemas } from '@/api/client'
import Finder from '@/lists/Finder.vue'
import { counted } from '@/common/words'

defineProps<{ label: string }>()
const chosen = defineModel<Schemas['GroupLine'] | undefined>({ required: true })

const find = (text: string) => answer(api.GET('/api/groups', { params: { query: { text, limit: 30 } } }))
</script>

<template>
  <Finder v-model="chosen" :label="label" kind="group" :find="find" :identify="(group) => group.id" :about="(group) => counted(group.people, 'person', 'people')" none="No group of that name." />
</template>
