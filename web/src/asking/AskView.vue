<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { useWhy } from '@/common/useWhy'
import { evidenceOf, zone } from './evidence'

/** One question with an address that can be sent: a sentence, then the evidence. */
const route = useRoute()
const router = useRouter()
const why = useWhy()
const asked = computed(() => (typeof route.query.q === 'string' ? route.query.q : ''))
const typed = ref(asked.value)
watch(asked, (now) => (typed.value = now))
const query = useQuery({
  queryKey: computed(() => ['asking', asked.value]),
  enabled: computed(() => asked.value.trim() !== ''),
  queryFn: () => answer(api.GET('/api/asking', { params: { query: { text: asked.value, zone: zone() } } })),
})
const data = computed(() => query.data.value)
const evidence = computed(() => evidenceOf(data.value?.evidence))
const explained = computed(() => (data.value?.evidence?.kind === 'why' || data.value?.evidence?.kind === 'ways') && data.value.evidence.person !== undefined && data.value.evidence.place !== undefined)
const ask = (text: string) => void router.push({ name: 'ask', query: { q: text } })
function explain() {
  const found = data.value!.evidence!
  why.ask(found.person!, found.place!, false, found.at)
}
/** So many meanings are told at most. */
const ASKED_BACK = 8
const EXAMPLES = [
  'can Mia Torrance read Valuation in C-2406',
  'why can’t Mia Torrance read C-2607',
  'who can delete in Accounts',
  'what can Surveyors read',
  'who could read Accounts on 3 March',
  'what changed for Mia Torrance since March',
  'who is behind the wall Tern Rock inquiry',
  'what would it take for Mia Torrance to read C-2607',
]
</script>

<template>
  <div class="ask">
    <h1>Ask</h1>
    <form data-find @submit.prevent="ask(typed)">
      <v-text-field v-model="typed" v-focus-first label="A question in plain words" maxlength="300" hide-details autocomplete="off" />
      <v-btn type="submit" class="is-main" :loading="query.isFetching.value">Ask</v-btn>
    </form>
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <div v-else-if="data" class="sheet answer" role="status">
      <template v-if="data.understood">
        <p class="quiet">{{ data.reading }}.</p>
        <p v-if="data.sentence" class="sentence">{{ data.sentence }}</p>
        <p v-for="name in data.missing" :key="name" class="caution">Nothing that you may know is called “{{ name }}”.</p>
        <div v-for="one in data.askedBack" :key="one.typed">
          <p>Which “{{ one.typed }}” do you mean?</p>
          <ul>
            <li v-for="option in one.options" :key="option.kind + option.id">
              <button type="button" class="linklike" @click="ask(option.text)">{{ option.name }}</button> <span class="quiet">{{ option.about }}</span>
            </li>
          </ul>
          <p v-if="one.options.length >= ASKED_BACK" class="quiet">There may be more: type more of the name.</p>
        </div>
        <p v-if="evidence" class="links">
          <button v-if="explained" type="button" class="linklike" @click="explain">Show the stages</button>
          <router-link :to="evidence.to">{{ evidence.title }}</router-link>
        </p>
      </template>
      <p v-else>That is none of the questions that can be asked. Some that can:</p>
    </div>
    <section v-if="!data || !data.understood" aria-labelledby="examples">
      <h2 id="examples">For example</h2>
      <ul>
        <li v-for="one in EXAMPLES" :key="one"><button type="button" class="linklike" @click="ask(one)">{{ one }}</button></li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.ask {
  max-width: 860px;
  padding: 14px 20px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
form {
  display: flex;
  gap: 10px;
  align-items: center;
}
.answer {
  padding: 10px 16px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.sentence {
  font-size: 1.12rem;
}
.links {
  display: flex;
  gap: 18px;
}
ul {
  padding-left: 20px;
}
</style>
