<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { answer, api } from '@/api/client'
import { useNotices } from '@/common/useNotices'
import { moment } from '@/common/words'

/** What whoever is signed in was told and has not confirmed: it stands above every page until they do. */
const client = useQueryClient()
const notices = useNotices()
const query = useQuery({ queryKey: ['notices'], queryFn: () => answer(api.GET('/api/notices')), refetchInterval: 60_000 })
const confirm = useMutation({
  mutationFn: (notice: number) => answer(api.POST('/api/notices/{number}/acknowledgement', { params: { path: { number: notice } } })),
  onError: notices.fail,
  onSettled: () => client.invalidateQueries({ queryKey: ['notices'] }),
})
</script>

<template>
  <section v-if="(query.data.value ?? []).length > 0" class="told" aria-label="What you were told">
    <p v-for="one in query.data.value" :key="one.id">
      <span>{{ one.text }} <span class="quiet">{{ one.by }}, {{ moment(one.at) }}</span></span>
      <v-btn size="small" :loading="confirm.isPending.value && confirm.variables.value === one.id" @click="confirm.mutate(one.id)">I have read this</v-btn>
    </p>
  </section>
</template>

<style scoped>
.told {
  flex: none;
  max-height: 30vh;
  overflow: auto;
  padding: 6px 16px;
  border-bottom: 2px solid rgb(var(--v-theme-warning));
  background: rgb(var(--v-theme-surface));
}
p {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 6px 16px;
}
@media (max-width: 600px) {
  p {
    flex-direction: column;
    align-items: flex-start;
  }
}
</style>
