<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { ProblemError } from '@/api/problem'
import { useNotices } from '@/common/useNotices'

/** Where an invitation leads: somebody sets their password. The word of the address stays after the #, so that it is in no log. */
const router = useRouter()
const notices = useNotices()
const token = window.location.hash.slice(1)
const password = ref('')
const again = ref('')
const failed = ref(token === '' ? 'This address is not whole. Open it as it was sent to you.' : '')
const busy = ref(false)

async function save() {
  if (password.value !== again.value) {
    failed.value = 'The two are not the same. Write it again.'
    return
  }
  busy.value = true
  failed.value = ''
  try {
    // The first answer brings the token that every sending needs.
    await answer(api.GET('/api/session'))
    await answer(api.POST('/api/invitations/redemption', { body: { token, password: password.value } }))
    notices.say('Your password is set. Sign in with it.')
    await router.replace({ name: 'sign-in' })
  } catch (error) {
    failed.value = error instanceof ProblemError ? error.problem.detail : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="welcome">
    <form class="sheet" @submit.prevent="save">
      <h1>Set your password</h1>
      <p class="quiet">At least twelve letters. A few words that do not go together are easy to remember and hard to guess; it need not have figures or signs.</p>
      <v-text-field v-model="password" v-focus-first label="Password" type="password" autocomplete="new-password" hide-details />
      <v-text-field v-model="again" label="The same again" type="password" autocomplete="new-password" hide-details />
      <p v-if="failed" class="fault" role="alert">{{ failed }}</p>
      <v-btn type="submit" class="is-main" :disabled="token === '' || password === ''" :loading="busy">Set it</v-btn>
    </form>
  </main>
</template>

<style scoped>
.welcome {
  display: grid;
  place-content: center;
  min-height: 100vh;
  padding: 24px;
}
form {
  max-width: 440px;
  padding: 24px;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
</style>
