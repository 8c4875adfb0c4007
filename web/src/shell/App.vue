<script setup lang="ts">
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/session/useSession'
import AppFrame from './AppFrame.vue'
import { densityOf } from '@/common/density'
import CycleDrawing from '@/common/CycleDrawing.vue'
import { useNotices } from '@/common/useNotices'

const route = useRoute()
const router = useRouter()
const notices = useNotices()
const session = useSession()

const open = computed(() => route.meta.open === true)
const ready = computed(() => session.account.value !== undefined)
watch(
  session.account,
  (account) => densityOf(account?.login ?? ''),
  { immediate: true },
)

watch(
  [session.settled, session.account, () => route.name],
  ([settled, account]) => {
    if (settled && account === undefined && route.name !== undefined && !open.value) {
      void router.replace({ name: 'sign-in', query: { to: route.fullPath } })
    }
  },
  { immediate: true },
)
</script>

<template>
  <v-app>
    <router-view v-if="open" />
    <AppFrame v-else-if="ready" />
    <p v-else class="waiting" role="status">One moment …</p>
    <v-snackbar v-model="notices.open" :timeout="notices.failed ? -1 : 6000" :color="notices.failed ? 'error' : undefined" location="top right">
      <span :role="notices.failed ? 'alert' : 'status'">{{ notices.text }}</span>
      <CycleDrawing v-if="notices.cycle.length > 0" :names="notices.cycle" />
      <template #actions><v-btn variant="text" @click="notices.open = false">Close</v-btn></template>
    </v-snackbar>
  </v-app>
</template>

<style scoped>
.waiting {
  padding: 48px;
}
</style>
