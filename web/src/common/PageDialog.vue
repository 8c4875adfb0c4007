<script setup lang="ts">
import { computed, inject, watch } from 'vue'
import { routeLocationKey } from 'vue-router'

/**
 * A dialog belongs to the address at which it was opened: whoever goes elsewhere while it stands (back, a link in it, another window's
 * notice) would else find it over another thing, and do to that what was meant for the first. What was typed is asked about before.
 */
const open = defineModel<boolean>({ required: true })
const route = inject(routeLocationKey, undefined)
const address = computed(() => route?.fullPath)
watch(address, () => (open.value = false), { flush: 'sync' })
</script>

<template>
  <v-dialog v-model="open"><slot /></v-dialog>
</template>
