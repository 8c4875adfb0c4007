<script setup lang="ts">
import { watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/session/useSession'

/** Leads to the first room of the console that one's duties use; without any, to one's own papers. */
const router = useRouter()
const { account, rooms } = useSession()

watchEffect(() => {
  if (account.value !== undefined) {
    const first = rooms.value.find((room) => room !== 'papers') ?? 'papers'
    void router.replace({ name: first })
  }
})
</script>

<template>
  <p class="quiet first" role="status">One moment …</p>
</template>

<style scoped>
.first {
  padding: 20px;
}
</style>
