<script setup lang="ts">
import { useSession } from '@/session/useSession'

/** Leads to all changes that altered one thing. */
defineProps<{ kind: 'place' | 'person' | 'group' | 'unit' | 'role' | 'type' | 'wall'; id: string; name: string }>()
const { rooms } = useSession()
</script>

<template>
  <router-link v-if="rooms.includes('journal')" :to="{ name: 'journal', query: { thing: `${kind}:${id}`, name } }" :title="`What changed ${name}, by whom and why`">History</router-link>
</template>
