<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { answer, api } from '@/api/client'
import { lastDay } from '@/common/words'
import ReviewItems from './ReviewItems.vue'

/** What one is asked oneself, and nothing else: works for somebody without any duty, and on a phone. */
const route = useRoute()
const query = useQuery({ queryKey: ['reviews'], queryFn: () => answer(api.GET('/api/reviews')) })
const reviews = computed(() => query.data.value ?? [])
const id = computed(() => {
  const asked = Number(route.params.id)
  return reviews.value.some((one) => one.round === asked) ? asked : reviews.value[0]?.round
})
</script>

<template>
  <div class="room">
    <h1>Reviews</h1>
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="!query.isSuccess.value" role="status">Fetching what you are asked …</p>
    <p v-else-if="reviews.length === 0" class="quiet">You are not asked to review anything now. When somebody begins a round that asks you, it is here.</p>
    <template v-else>
      <ul v-if="reviews.length > 1" class="rounds" aria-label="Rounds that ask you">
        <li v-for="one in reviews" :key="one.round">
          <router-link :to="{ name: 'reviews', params: { id: String(one.round) } }" :aria-current="one.round === id ? 'true' : undefined">{{ one.name }}</router-link>
          <span class="quiet">{{ one.handedInAt ? 'handed in' : `${one.items - one.decided} open, due ${lastDay(one.due)}` }}</span>
        </li>
      </ul>
      <ReviewItems v-if="id !== undefined" :key="id" :round="id" />
    </template>
  </div>
</template>

<style scoped>
.room {
  height: 100%;
  padding: 14px 16px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  overflow: auto;
}
.rounds {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
}
.rounds li {
  display: flex;
  gap: 8px;
}
</style>
