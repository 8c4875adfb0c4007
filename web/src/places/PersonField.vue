<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PersonPicker from '@/people/PersonPicker.vue'

/** A field of a document that holds a person: kept by id, chosen and shown by name. */
const props = defineProps<{ label: string }>()
const id = defineModel<string>({ required: true })
const chosen = ref<Schemas['PersonView']>()
const known = useQuery({
  queryKey: computed(() => ['people', 'one', id.value]),
  enabled: computed(() => id.value !== ''),
  queryFn: () => answer(api.GET('/api/people/{id}', { params: { path: { id: id.value } } })),
})
watch(chosen, (person) => person && (id.value = person.id))
const said = computed(() => (id.value === '' ? props.label : `${props.label}: ${known.data.value?.person.name ?? id.value}`))
</script>

<template>
  <div class="person-field">
    <PersonPicker v-model="chosen" :label="said" />
    <button v-if="id !== ''" type="button" class="linklike" :aria-label="`Leave ${label} empty`" @click="((id = ''), (chosen = undefined))">empty</button>
  </div>
</template>

<style scoped>
.person-field {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  align-items: center;
}
</style>
