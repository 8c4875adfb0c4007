<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { counted, day, listed } from '@/common/words'

/** People on two sides, people kept out who are tied to something inside, and what is left to nobody. */
const props = defineProps<{ wall: Schemas['WallView'] }>()
const query = useQuery({ queryKey: computed(() => ['walls', 'ties', props.wall.id]), queryFn: () => answer(api.GET('/api/walls/{id}/ties', { params: { path: { id: props.wall.id } } })) })
const HOW: Record<Schemas['TieView']['how'], string> = { OWNS: 'owns', CHECKED_OUT: 'has checked out', OVERSEES: 'oversees', SHARES: 'shares', SHARED_WITH: 'has a share of', HAS_PASS: 'has a pass to' }
const AS: Record<Schemas['NestingView']['as'], string> = { KEPT_OUT: 'kept out', LET_IN: 'let in', ON_A_SIDE: 'on the side', EXCEPTED: 'excepted' }
const none = computed(() => query.data.value !== undefined && query.data.value.ties.length === 0 && query.data.value.stranded === 0 && query.data.value.nesting.length === 0 && props.wall.conflicts.length === 0)
</script>

<template>
  <div class="ties">
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="query.data.value === undefined" role="status">Looking for conflicts …</p>
    <p v-else-if="none" class="quiet">No conflicts: nobody is on two sides, and nobody whom it keeps out owns anything inside, has it checked out or oversees it.</p>
    <template v-else>
      <p v-for="one in wall.conflicts" :key="one.person.id">
        <router-link :to="{ name: 'people', params: { view: 'persons', id: one.person.id } }">{{ one.person.name }}</router-link> is on {{ listed(one.sides.map((side) => `“${side}”`)) }}, and so kept out of
        {{ one.sides.length === 2 ? 'both' : 'all of them' }}.
      </p>
      <p v-if="query.data.value.stranded > 0" class="caution">{{ counted(query.data.value.stranded, 'document') }} inside can be read by nobody, and could be without this wall.</p>
      <p v-for="tie in query.data.value.ties" :key="tie.how + tie.person.id + tie.place">
        <router-link :to="{ name: 'people', params: { view: 'persons', id: tie.person.id } }">{{ tie.person.name }}</router-link> {{ HOW[tie.how] }}
        <router-link :to="{ name: 'places', params: { id: tie.place } }">{{ tie.path }}</router-link><span v-if="tie.since" class="quiet">, since {{ day(tie.since) }}</span>.
      </p>
      <p v-for="one in query.data.value.nesting" :key="one.as + one.group + one.through + (one.side ?? '')">
        <router-link :to="{ name: 'people', params: { view: 'groups', id: one.through } }">{{ one.throughName }}</router-link> is in <router-link :to="{ name: 'people', params: { view: 'groups', id: one.group } }">{{ one.groupName }}</router-link
        >: by that alone {{ counted(one.people, 'person is', 'people are') }} {{ AS[one.as] }}{{ one.side ? ` “${one.side}”` : '' }}.
      </p>
      <p v-if="query.data.value.more > 0" class="quiet">{{ counted(query.data.value.more, 'further tie') }} not listed.</p>
    </template>
  </div>
</template>

<style scoped>
.ties {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
</style>
