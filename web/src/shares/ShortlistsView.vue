<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import DraftedMark from '@/common/DraftedMark.vue'
import PersonPicker from '@/people/PersonPicker.vue'
import { useSession } from '@/session/useSession'
import { useDrafting } from '@/tray/useDrafting'
import { reach } from './share'
import ShortlistDialog from './ShortlistDialog.vue'

/** Whom sharing proposes to the people of each unit, and a test as one person. */
const { may } = useSession()
const { draftAt } = useDrafting()
const lists = useQuery({ queryKey: ['shortlists'], queryFn: () => answer(api.GET('/api/shortlists')) })
const editing = ref<Schemas['ShortlistView']>()
const person = ref<Schemas['PersonView']>()
const tested = useQuery({
  queryKey: computed(() => ['shortlists', 'proposals', person.value?.id]),
  enabled: computed(() => person.value !== undefined),
  queryFn: () => answer(api.GET('/api/shortlists/proposals', { params: { query: { person: person.value!.id } } })),
})
const remove = (one: Schemas['ShortlistView']) => draftAt([{ kind: 'removeShortlist', unit: one.unit }])
</script>

<template>
  <p class="quiet lead">Whom sharing proposes, in this order. A shortlist permits nothing: whoever shares still shares up to their own rights. A unit without one has that of the nearest unit above.</p>
  <div class="sides">
    <div class="sheet table">
      <table aria-label="Shortlists">
        <thead>
          <tr>
            <th scope="col">Unit</th>
            <th scope="col">Proposes</th>
            <th scope="col"><span class="sr">What to do</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in lists.data.value ?? []" :key="one.unit">
            <th scope="row" :style="{ paddingLeft: `${10 + one.depth * 18}px` }">{{ one.name }} <DraftedMark :drafted="one.drafted" /></th>
            <td>
              <ol v-if="one.own">
                <li v-for="audience in one.audiences" :key="audience.name">
                  <strong>{{ audience.name }}</strong> <span class="quiet">{{ audience.subject.name === audience.name ? '' : `${audience.subject.name}, ` }}{{ reach(audience.subject.people, audience.subject.outsiders) }}</span>
                  <span v-if="audience.text" class="quiet"> – {{ audience.text }}</span>
                </li>
              </ol>
              <span v-else class="quiet">{{ one.from ? `what ${one.from} proposes` : 'nobody' }}</span>
            </td>
            <td class="acts">
              <template v-if="may('people') && one.mayChange">
                <button type="button" class="linklike" :aria-label="`${one.own ? 'Change' : 'Make'} the shortlist of ${one.name}`" @click="editing = one">{{ one.own ? 'Change' : 'Its own …' }}</button>
                <button v-if="one.own" type="button" class="linklike" :aria-label="`Remove the shortlist of ${one.name}`" @click="remove(one)">Remove</button>
              </template>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="lists.isError.value" class="fault none" role="alert">{{ lists.error.value?.message }}</p>
      <p v-else-if="lists.isFetched.value && (lists.data.value ?? []).length === 0" class="quiet none">There are no units, as far as you may know.</p>
    </div>
    <section class="sheet test" aria-labelledby="test-title">
      <h2 id="test-title">Try it as somebody</h2>
      <PersonPicker v-model="person" label="A person who shares" />
      <ol v-if="person && (tested.data.value ?? []).length > 0">
        <li v-for="audience in tested.data.value" :key="audience.name">
          <strong>{{ audience.name }}</strong> <span class="quiet">{{ reach(audience.subject.people, audience.subject.outsiders) }}<template v-if="audience.text"> – {{ audience.text }}</template></span>
        </li>
      </ol>
      <p v-else-if="person && tested.isError.value" class="fault" role="alert">{{ tested.error.value?.message }}</p>
      <p v-else-if="person && tested.isFetched.value" class="quiet">Nobody is proposed to {{ person.name }}.</p>
      <p v-else-if="person" role="status">Looking …</p>
    </section>
    <ShortlistDialog v-if="editing" :key="editing.unit" :model-value="true" :line="editing" @update:model-value="editing = undefined" />
  </div>
</template>

<style scoped>
.lead {
  max-width: 90ch;
}
.sides {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 320px;
  gap: 14px;
}
.table {
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 6px 10px;
  border-bottom: 1px solid var(--pg-line);
}
ol {
  padding-left: 18px;
}
.acts {
  white-space: nowrap;
}
.acts .linklike + .linklike {
  margin-left: 10px;
}
.test {
  padding: 14px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-self: start;
}
.none {
  padding: 12px;
}
@media (max-width: 900px) {
  .sides {
    grid-template-columns: 1fr;
    overflow: auto;
  }
}
</style>
