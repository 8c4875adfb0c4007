<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import FaultList from '@/common/FaultList.vue'
import { useDrafting } from '@/tray/useDrafting'

const props = defineProps<{ detail: Schemas['PlaceDetail'] }>()
const open = defineModel<boolean>({ required: true })
const { faults, busy, draft } = useDrafting()
const roles = useQuery({ queryKey: ['roles'], queryFn: () => answer(api.GET('/api/roles')) })
const ceiling = ref<string | null | undefined>(props.detail.ceiling)
const reserveSharing = ref(props.detail.reserveSharing)
const noTakeaway = ref(props.detail.noTakeaway)

async function save() {
  const done = await draft([
    { kind: 'setGuards', place: props.detail.place.id, ceiling: ceiling.value ?? undefined, reserveSharing: reserveSharing.value, noTakeaway: noTakeaway.value },
  ])
  if (done) open.value = false
}
</script>

<template>
  <v-dialog v-model="open" max-width="560" aria-labelledby="guards-title">
    <form class="sheet pg-dialog" @submit.prevent="save">
      <h2 id="guards-title">Ceiling and house rules of {{ detail.nameDrafted }}</h2>
      <p class="quiet">They hold here and everywhere below. No break stops them.</p>
      <v-select v-model="ceiling" :items="roles.data.value ?? []" item-title="name" item-value="id" label="Outsiders get at most (no ceiling if left empty)" clearable />
      <v-checkbox v-model="reserveSharing" label="Sharing is only for those who also govern" hide-details />
      <v-checkbox v-model="noTakeaway" label="Taking copies away is only for those who may also revise" hide-details />
      <FaultList :faults="faults" />
      <div class="actions">
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn type="submit" class="is-main" :loading="busy">Add to the draft</v-btn>
      </div>
    </form>
  </v-dialog>
</template>
