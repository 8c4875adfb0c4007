<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { answer, api } from '@/api/client'
import PageDialog from '@/common/PageDialog.vue'
import { counted } from '@/common/words'
import PersonName from '@/people/PersonName.vue'
import type { Asked } from './statement'

/** Whom and what a line of a statement counts. */
const props = defineProps<{ asked: Asked; line: number; title: string }>()
const emit = defineEmits<{ close: [] }>()
const query = useQuery({
  queryKey: ['statement', 'behind', props.asked, props.line],
  queryFn: () => answer(api.GET('/api/statements/behind', { params: { query: { ...props.asked, line: props.line } } })),
})
</script>

<template>
  <PageDialog
    :model-value="true"
    max-width="820"
    scrollable
    aria-labelledby="behind-title"
    @update:model-value="emit('close')"
  >
    <div class="sheet pg-dialog">
      <h2 id="behind-title">{{ title }}</h2>
      <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
      <p v-else-if="query.data.value === undefined" role="status">Fetching …</p>
      <div v-else class="both" tabindex="0" role="region" aria-label="Whom and what the line counts">
        <section>
          <h3>{{ counted(query.data.value.people, 'person', 'people') }}</h3>
          <ul>
            <li v-for="person in query.data.value.firstPeople" :key="person.id">
              <router-link :to="{ name: 'people', params: { view: 'persons', id: person.id } }"
                ><PersonName :person="person"
              /></router-link>
            </li>
            <li v-if="query.data.value.people > query.data.value.firstPeople.length" class="quiet">
              and {{ query.data.value.people - query.data.value.firstPeople.length }} more; the files have them all
            </li>
          </ul>
        </section>
        <section>
          <h3>{{ counted(query.data.value.places, 'place') }}</h3>
          <ul>
            <li v-for="place in query.data.value.firstPlaces" :key="place.id">
              <router-link :to="{ name: 'places', params: { id: place.id } }">{{ place.path }}</router-link>
            </li>
            <li v-if="query.data.value.places > query.data.value.firstPlaces.length" class="quiet">
              and {{ query.data.value.places - query.data.value.firstPlaces.length }} more
            </li>
          </ul>
        </section>
      </div>
      <div class="actions"><v-btn @click="emit('close')">Close</v-btn></div>
    </div>
  </PageDialog>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(200px, 1fr) minmax(300px, 2fr);
  gap: 20px;
  max-height: 60vh;
  overflow: auto;
}
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
}
li {
  padding: 2px 0;
}
</style>
