<script setup lang="ts">
import { useRoute } from 'vue-router'

const route = useRoute()
</script>

<template>
  <div class="no-such-page">
    <h1>There is nothing at this address</h1>
    <p>
      <code>{{ route.path }}</code> leads nowhere. It may have been cut off when it was sent. Go to a room on the left, or press <kbd>k</kbd> and type a part of the name of what you look
      for.
    </p>
  </div>
</template>

<style scoped>
.no-such-page {
  padding: 40px;
  max-width: 40em;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
</style>
