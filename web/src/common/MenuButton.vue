<script setup lang="ts">
import { ref, type ComponentPublicInstance } from 'vue'
import type { RouteLocationRaw } from 'vue-router'
import { useRouter } from 'vue-router'
import { useScreenActions } from './screenActions'

/** A button that opens a menu; what is in it can be done from the palette too. */
export interface Entry {
  title: string
  run?: () => void
  to?: RouteLocationRaw
  disabled?: boolean
}

const props = defineProps<{
  /** What stands on the button. */
  title: string
  /** What the menu is about, for screen readers. */
  label: string
  entries: Entry[]
}>()
const router = useRouter()
const act = (entry: Entry) => (entry.to === undefined ? entry.run?.() : void router.push(entry.to))
const button = ref<ComponentPublicInstance>()
/** While its place is on the way it cannot be pressed, from the palette neither. */
const usable = () => (button.value?.$el as HTMLElement | undefined)?.closest('[inert]') === null
useScreenActions(() => (usable() ? props.entries : []).filter((entry) => entry.disabled !== true).map((entry) => ({ title: entry.title, run: () => act(entry) })))
</script>

<template>
  <v-menu>
    <template #activator="{ props: menu }">
      <v-btn v-bind="menu" ref="button" size="small" :aria-label="label" aria-haspopup="menu">{{ title }}</v-btn>
    </template>
    <v-list role="menu" :aria-label="label" density="compact">
      <v-list-item v-for="entry in entries" :key="entry.title" role="menuitem" :title="entry.title" :disabled="entry.disabled" @click="act(entry)" />
    </v-list>
  </v-menu>
</template>
