<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { answer, api } from '@/api/client'
import { moment } from '@/common/words'

/** Stands in for a mail server: what would have been sent. */
const query = useQuery({ queryKey: ['mailbox'], queryFn: () => answer(api.GET('/api/mailbox')) })
</script>

<template>
  <div class="mailbox">
    <h1>Mailbox</h1>
    <p class="quiet">Stands in for a mail server: what Pale Gate would have sent, newest first. Nothing leaves this machine.</p>
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="query.data.value?.length === 0" class="quiet">Nothing has been sent yet. An invitation is sent from a person’s page.</p>
    <article v-for="letter in query.data.value ?? []" :key="letter.id" class="sheet">
      <h2>{{ letter.subject }}</h2>
      <p class="quiet">to {{ letter.to }}, {{ moment(letter.sentAt) }}</p>
      <p class="text">{{ letter.text }}</p>
    </article>
  </div>
</template>

<style scoped>
.mailbox {
  height: 100%;
  overflow: auto;
  padding: 14px 20px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
article {
  padding: 12px 16px;
  max-width: 78ch;
}
.text {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
</style>
