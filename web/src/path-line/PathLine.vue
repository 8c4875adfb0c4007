<script setup lang="ts">
import type { Schemas } from '@/api/client'

defineProps<{
  /** From the repository down to the place. */
  posts: Schemas['Post'][]
}>()
</script>

<template>
  <nav class="path-line" aria-label="Path">
    <ol>
      <li v-for="(post, i) in posts" :key="post.id" :data-stands-alone="post.standsAlone && i > 0" :data-walled="post.walled">
        <span v-if="i > 0" class="rail" aria-hidden="true">
          <svg v-if="post.walled" class="hatched" width="46" height="18" viewBox="0 0 46 18">
            <path :d="post.standsAlone ? 'M0 9H13M33 9H46' : 'M0 9H46'" />
            <path class="hatch" d="M13 15L19 3M18 15L24 3M23 15L29 3M28 15L34 3" />
          </svg>
          <svg v-else-if="post.standsAlone" width="46" height="18" viewBox="0 0 46 18"><path d="M0 9H15M31 9H46M15 3V15M31 3V15" /></svg>
          <svg v-else width="46" height="18" viewBox="0 0 46 18"><path d="M0 9H46" /></svg>
        </span>
        <router-link :to="{ name: 'places', params: { id: post.id } }" :aria-current="i === posts.length - 1 ? 'page' : undefined">
          <span class="post" aria-hidden="true"></span>
          <span class="name">{{ post.name }}</span>
          <span v-if="i > 0" class="sr">{{ (post.standsAlone ? ', stands alone' : ', follows') + (post.walled ? ', a wall stands here' : '') }}</span>
        </router-link>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
ol {
  display: flex;
  flex-wrap: wrap;
  list-style: none;
  row-gap: 2px;
}
li {
  display: flex;
  align-items: center;
}
.rail svg {
  display: block;
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 2.4;
}
.rail svg .hatch {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
}
a {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  padding: 2px 6px 2px 2px;
  color: inherit;
  text-decoration: none;
  border-radius: 3px;
}
a:hover .name {
  text-decoration: underline;
}
a[aria-current] {
  font-weight: 600;
}
.post {
  width: 6px;
  height: 20px;
  border-radius: 2px 2px 0 0;
  background: rgb(var(--v-theme-on-background));
}
</style>
