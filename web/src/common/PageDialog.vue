<script setup lang="ts">
import { getCurrentInstance, watch } from 'vue'

/**
 * A dialog belongs to the address at which it was opened: whoever goes elsewhere while it stands (back, a link in it, another window's
 * notice) would else find it over another thing, and do to that what was meant for the first. What was typed is asked about before.
 */
const open = defineModel<boolean>({ required: true })
/** Where there is no router, as in a test of one form, nobody goes anywhere. */
const page = getCurrentInstance()!.appContext.config.globalProperties as { $route?: { fullPath: string } }
watch(
  () => page.$route?.fullPath,
  () => (open.value = false),
  { flush: 'sync' },
)
</script>

<template>
  <v-dialog v-model="open"><slot /></v-dialog>
</template>
