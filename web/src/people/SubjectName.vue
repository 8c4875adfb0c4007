<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/session/useSession'

/** Whom an entry names; a link to a person or a group for whoever has the room that it leads to. */
const props = defineProps<{ kind: string; id: string; name: string }>()
const VIEWS: Record<string, string> = { person: 'persons', group: 'groups' }
const { rooms } = useSession()
const view = computed(() => (rooms.value.includes('people') ? VIEWS[props.kind] : undefined))
</script>

<template>
  <router-link v-if="view !== undefined" data-aside :to="{ name: 'people', params: { view, id } }">{{ name }}</router-link>
  <template v-else>{{ name }}</template>
</template>
