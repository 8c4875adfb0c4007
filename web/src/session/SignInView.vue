<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ProblemError } from '@/api/problem'
import Paling from '@/paling/Paling.vue'
import { RIGHTS } from '@/paling/rights'
import { useNotices } from '@/common/useNotices'
import { counted } from '@/common/words'
import { useSession } from './useSession'

const route = useRoute()
const router = useRouter()
const { demo, signIn } = useSession()
const notices = useNotices()
const login = ref('')
const password = ref('')
const failed = ref('')
const busy = ref(false)

async function enter() {
  busy.value = true
  failed.value = ''
  try {
    const { failedSince } = await signIn(login.value, password.value)
    if ((failedSince ?? 0) > 0) notices.say(`Since you last signed in, ${counted(failedSince!, 'attempt')} with your name and a wrong password failed.`)
    const to = String(route.query.to ?? '/')
    await router.replace(to.startsWith('/') && !to.startsWith('//') ? to : '/')
  } catch (error) {
    failed.value = error instanceof ProblemError ? error.problem.detail : String(error)
  } finally {
    busy.value = false
  }
}

function choose(name: string) {
  login.value = name
  password.value = 'pale-gate-demo'
}
</script>

<template>
  <main class="sign-in">
    <section class="about">
      <div class="emblem"><Paling :rights="RIGHTS" decorative origin="HERE" /></div>
      <h1>Pale Gate</h1>
      <p>Who can do what with which documents, why, and what would change if.</p>
    </section>
    <form class="sheet" @submit.prevent="enter">
      <h2>Sign in</h2>
      <v-text-field v-model="login" v-focus-first label="Name" name="login" autocomplete="username" />
      <v-text-field v-model="password" label="Password" name="password" type="password" autocomplete="current-password" />
      <p v-if="failed" class="fault" role="alert">{{ failed }}</p>
      <v-btn type="submit" class="is-main" :loading="busy" block>Sign in</v-btn>
      <template v-if="demo.length > 0">
        <h3>The demo’s people</h3>
        <ul>
          <li v-for="person in demo" :key="person.login">
            <button type="button" class="linklike" @click="choose(person.login)">{{ person.login }}</button>
            <span class="quiet"> {{ person.does }}. {{ person.tryFirst }}</span>
          </li>
        </ul>
        <p class="quiet">Choosing one fills in the name and the demo’s password.</p>
      </template>
    </form>
  </main>
</template>

<style scoped>
.sign-in {
  height: 100%;
  display: grid;
  grid-template-columns: minmax(260px, 460px) minmax(300px, 440px);
  gap: 72px;
  place-content: safe center;
  align-items: center;
  padding: 32px;
  overflow: auto;
}
.emblem {
  transform: scale(3.4);
  transform-origin: left bottom;
  pointer-events: none;
  margin: 0 0 28px;
}
.about h1 {
  font-size: 2.6rem;
  margin-bottom: 8px;
}
.about p {
  font-size: 1.2rem;
  max-width: 26em;
}
form {
  padding: 28px;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
ul {
  list-style: none;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
@media (max-width: 800px) {
  .sign-in {
    grid-template-columns: 1fr;
    gap: 24px;
    place-content: start center;
  }
}
</style>
