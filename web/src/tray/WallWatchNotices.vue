<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { counted, moment } from '@/common/words'
import { useWallWatch } from './useWallWatch'

/** What is against the purpose of a wall, a sentence each, with the way to the wall and to the place or person. */
const { notices, more, looking, failed } = useWallWatch()

function why(notice: Schemas['WatchView']): string {
  return notice.kind !== 'INSIDE' ? `“${notice.said}” is like “${notice.like}”.` : `“${notice.said}” is of another matter than ${notice.like}.`
}
</script>

<template>
  <p v-if="looking" class="quiet" role="status">Looking at what it does to walls …</p>
  <p v-else-if="failed" class="fault" role="alert">What it does to walls could not be worked out. {{ failed }}</p>
  <div v-if="notices.length > 0" class="watch" role="group" aria-label="Walls to look at">
    <p v-for="notice in notices" :key="notice.kind + notice.wall + (notice.place ?? notice.person?.id) + notice.whom + notice.said" class="caution">
      <template v-if="notice.kind === 'LET_IN'">
        <router-link :to="{ name: 'people', params: { view: 'persons', id: notice.person!.id } }">{{ notice.person!.name }}</router-link> would no longer be kept out by
        <router-link :to="{ name: 'walls', params: { id: notice.wall } }">{{ notice.wallName }}</router-link
        ><template v-if="notice.from"> from {{ moment(notice.from) }} on</template>.
      </template>
      <template v-else-if="notice.kind === 'IN_VAIN'">
        {{ notice.whom }} would be given <router-link :to="{ name: 'places', params: { id: notice.place } }">{{ notice.path }}</router-link
        >, of which <router-link :to="{ name: 'walls', params: { id: notice.wall } }">{{ notice.wallName }}</router-link> keeps them out<template v-if="notice.from"> when it begins, on {{ moment(notice.from) }}</template>: it gives nothing.
      </template>
      <template v-else-if="notice.kind === 'GAINED_OUTSIDE'">
        {{ notice.whom }} would come to have rights at <router-link :to="{ name: 'places', params: { id: notice.place } }">{{ notice.path }}</router-link
        ><template v-if="notice.from"> from {{ moment(notice.from) }} on</template>. It looks as if it belonged behind <router-link :to="{ name: 'walls', params: { id: notice.wall } }">{{ notice.wallName }}</router-link
        ><template v-if="notice.side"> (side {{ notice.side }})</template>, which keeps them out, and lies outside: {{ why(notice) }}
      </template>
      <template v-else>
        <router-link :to="{ name: 'places', params: { id: notice.place } }">{{ notice.path }}</router-link>
        {{ notice.kind === 'OUTSIDE' ? 'would lie outside' : 'would lie behind' }}
        <router-link :to="{ name: 'walls', params: { id: notice.wall } }">{{ notice.wallName }}</router-link
        ><template v-if="notice.side"> (side {{ notice.side }})</template>, and looks as if it belonged {{ notice.kind === 'OUTSIDE' ? 'inside' : 'elsewhere' }}: {{ why(notice) }}
      </template>
    </p>
    <p v-if="more > 0" class="quiet">{{ counted(more, 'more is', 'more are') }} not listed.</p>
  </div>
</template>
