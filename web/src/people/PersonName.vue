<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useSession } from '@/session/useSession'

/** Somebody in a list; with `link`, a link to them for whoever has the room that it leads to. */
const props = defineProps<{ person: Schemas['PersonView']; link?: boolean }>()
const rooms = props.link ? useSession().rooms : undefined
const leads = computed(() => rooms?.value.includes('people') === true)
</script>

<template>
  <span class="person">
    <router-link v-if="leads" data-aside class="name" :to="{ name: 'people', params: { view: 'persons', id: person.id } }">{{ person.name }}</router-link>
    <span v-else class="name">{{ person.name }}</span>
    <span v-if="person.external" class="mark outsider">outsider</span>
    <span v-if="!person.active" class="mark">not active</span>
  </span>
</template>

<style scoped>
.person {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: center;
  line-height: 1.3;
  max-width: 100%;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
