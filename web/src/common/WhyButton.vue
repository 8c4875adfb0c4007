<script setup lang="ts">
import { useWhy } from './useWhy'

/** Opens why somebody has at a place what a line says. */
withDefaults(
  defineProps<{
    person: { id: string; name: string }
    place: string
    /** What it is asked of, for whoever hears it: "had this then". */
    says?: string
    /** With the draft in hand. */
    drafted?: boolean
    /** As it was at an earlier instant. */
    at?: string | undefined
  }>(),
  { says: 'has this', drafted: false, at: undefined },
)
const why = useWhy()
</script>

<template>
  <button type="button" class="linklike" data-opens :aria-label="`Why ${person.name} ${says}`" @click="why.ask(person.id, place, drafted, at)">why</button>
</template>
