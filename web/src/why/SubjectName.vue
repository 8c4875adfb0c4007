<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/session/useSession'
import { subjectLink } from './sentence'

/** Whom an entry or a membership names: a way to them for whoever has the room in which they are looked at. */
const props = defineProps<{ kind: string; id: string; name: string }>()
const { rooms } = useSession()
const to = computed(() => (rooms.value.includes('people') ? subjectLink(props.kind, props.id) : undefined))
</script>

<template>
  <router-link v-if="to" :to="to">{{ name }}</router-link>
  <template v-else>{{ name }}</template>
</template>
