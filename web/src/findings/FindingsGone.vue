<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api } from '@/api/client'
import { counted, day } from '@/common/words'
import { severityOf, sinceWords, wentWords } from './finding'

/** Findings that were there in the last days and are there no more: by which change each came and went. */
const DAYS = [
  { title: 'the last 7 days', value: 7 },
  { title: 'the last 30 days', value: 30 },
  { title: 'the last 90 days', value: 90 },
  { title: 'the last year', value: 365 },
]
const days = ref(30)
const query = useQuery({
  queryKey: ['findings', 'gone', days],
  queryFn: () => answer(api.GET('/api/findings/gone', { params: { query: { days: days.value } } })),
})
</script>

<template>
  <article class="sheet gone" aria-labelledby="gone-title">
    <div class="head">
      <h2 id="gone-title">Findings that are gone</h2>
      <v-select v-model="days" class="days" label="In" :items="DAYS" />
    </div>
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="!query.data.value" role="status">Looking back, change by change …</p>
    <template v-else>
      <p class="quiet" role="status">
        {{ counted(query.data.value.all, 'finding has', 'findings have') }} gone since {{ day(query.data.value.from)
        }}<template v-if="query.data.value.all > query.data.value.gone.length"
          >; the last {{ query.data.value.gone.length }} are listed</template
        >. What came back since is not counted.
      </p>
      <ol>
        <li v-for="(one, i) in query.data.value.gone" :key="i">
          <p>
            <span :class="severityOf(one.severity).tone">{{ severityOf(one.severity).title }}</span> {{ one.text }}
          </p>
          <p class="quiet">
            {{ sinceWords(one.came) }} {{ wentWords(one) }}
            <router-link v-if="one.went" :to="{ name: 'journal', params: { number: one.went.number } }"
              >Change {{ one.went.number }}</router-link
            >
          </p>
        </li>
      </ol>
    </template>
  </article>
</template>

<style scoped>
.gone {
  padding: 14px 18px;
}
.head {
  display: flex;
  gap: 12px;
  align-items: center;
}
.head h2 {
  flex: 1;
}
.days {
  flex: 0 1 190px;
}
ol {
  list-style: none;
  padding: 0;
}
li {
  padding: 6px 0;
  border-bottom: 1px solid var(--pg-line);
}
li p {
  margin: 0;
}
</style>
