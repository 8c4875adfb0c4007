<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import SharesRegister from './SharesRegister.vue'
import ShortlistsView from './ShortlistsView.vue'

/** What people let others in by, and whom sharing proposes. */
const route = useRoute()
const router = useRouter()
const VIEWS = [
  { view: 'register', title: 'Shares and passes' },
  { view: 'shortlists', title: 'Shortlists' },
]
const view = computed(() => (route.params.view === 'shortlists' ? 'shortlists' : 'register'))
</script>

<template>
  <div class="shares">
    <div class="head">
      <h1>Shares</h1>
      <div class="segments" role="group" aria-label="View">
        <button v-for="one in VIEWS" :key="one.view" type="button" :aria-pressed="view === one.view" @click="router.push({ name: 'shares', params: { view: one.view } })">{{ one.title }}</button>
      </div>
      <div id="find-here" class="find-here"></div>
    </div>
    <ShortlistsView v-if="view === 'shortlists'" />
    <SharesRegister v-else />
  </div>
</template>

<style scoped>
.shares {
  height: 100%;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 8px 16px 12px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
</style>
