<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api } from '@/api/client'
import { ProblemError } from '@/api/problem'
import { useDensity } from '@/common/density'
import { useNotices } from '@/common/useNotices'
import { listed, moment } from '@/common/words'
import { useSession } from './useSession'

/** What belongs to whoever is signed in: their duties, their password, their sessions. */
const { account } = useSession()
const { density, choose } = useDensity()
const client = useQueryClient()
const notices = useNotices()
const sessions = useQuery({ queryKey: ['sessions'], queryFn: () => answer(api.GET('/api/session/all')) })
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const present = ref('')
const password = ref('')
const failed = ref('')

async function end(id?: string) {
  try {
    await (id === undefined ? answer(api.DELETE('/api/session/all')) : answer(api.DELETE('/api/session/all/{id}', { params: { path: { id } } })))
    await client.invalidateQueries({ queryKey: ['sessions'] })
  } catch (error) {
    notices.fail(error)
  }
}
async function change() {
  failed.value = ''
  try {
    await answer(api.POST('/api/session/password', { body: { present: present.value, password: password.value } }))
    present.value = ''
    password.value = ''
    notices.say('Your password is changed, and your other sessions have ended.')
    await client.invalidateQueries({ queryKey: ['sessions'] })
  } catch (error) {
    failed.value = error instanceof ProblemError ? error.problem.detail : String(error)
  }
}
</script>

<template>
  <div class="account">
    <h1>{{ account?.name }}</h1>
    <p class="quiet">{{ account?.duties.length ? `Your duties: ${listed(account.duties)}.` : 'You have no duty: you see what is yours under Papers.' }}</p>
    <section aria-labelledby="lists-title">
      <h2 id="lists-title">Lists</h2>
      <div class="segments" role="group" aria-label="How close the rows of lists stand">
        <button type="button" :aria-pressed="density === 'compact'" @click="choose('compact')">Compact</button>
        <button type="button" :aria-pressed="density === 'comfortable'" @click="choose('comfortable')">Comfortable</button>
      </div>
      <p class="quiet">Remembered for you in this browser. Times everywhere are those of {{ zone }}.</p>
    </section>
    <section aria-labelledby="sessions-title">
      <h2 id="sessions-title">Where you are signed in</h2>
      <ul>
        <li v-for="session in sessions.data.value ?? []" :key="session.id">
          since {{ moment(session.since) }}<strong v-if="session.current">, here</strong>
          <button v-if="!session.current" type="button" class="linklike" :aria-label="`End the session since ${moment(session.since)}`" @click="end(session.id)">End it</button>
        </li>
      </ul>
      <v-btn v-if="(sessions.data.value?.length ?? 0) > 1" size="small" @click="end()">End all others</v-btn>
    </section>
    <form class="sheet" @submit.prevent="change">
      <h2>Change your password</h2>
      <p class="quiet">At least twelve letters; a few words that do not go together are best.</p>
      <v-text-field v-model="present" label="Current password" type="password" autocomplete="current-password" hide-details />
      <v-text-field v-model="password" label="New password" type="password" autocomplete="new-password" hide-details />
      <p v-if="failed" class="fault" role="alert">{{ failed }}</p>
      <v-btn type="submit" class="is-main" :disabled="present === '' || password === ''">Change it</v-btn>
    </form>
  </div>
</template>

<style scoped>
.account {
  height: 100%;
  overflow: auto;
  padding: 14px 20px;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
ul {
  padding-left: 18px;
}
li button {
  margin-left: 10px;
}
form {
  max-width: 440px;
  padding: 18px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
</style>
