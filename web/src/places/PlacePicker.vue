<script setup lang="ts">
import { answer, api, type Schemas } from '@/api/client'
import Finder from '@/lists/Finder.vue'

defineProps<{ label: string }>()
const chosen = defineModel<Schemas['Found'] | undefined>({ required: true })

const find = (text: string) => answer(api.GET('/api/places', { params: { query: { text } } }))
</script>

<template>
  <Finder
    v-model="chosen"
    :label="label"
    kind="place"
    :find="find"
    :identify="(place) => place.id"
    :about="(place) => `${place.kind} · ${place.path}`"
    none="No place of that name."
  />
</template>
