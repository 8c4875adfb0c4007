<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { counted, listed } from '@/common/words'
import PersonName from '@/people/PersonName.vue'
import Paling from '@/paling/Paling.vue'
import { useSession } from '@/session/useSession'
import { useDraft } from '@/tray/useDraft'
import WhyButton from '@/common/WhyButton.vue'
import { askedOf, outlierWords } from './matrix'

/** One cell: which entries make it so, what is strange about it, and its people, told apart by what they have in fact. */
const props = defineProps<{
  look: Schemas['MatrixLook']
  subject: string
  column: string
  roles: ReadonlyMap<number, string>
}>()
const emit = defineEmits<{ close: []; change: [] }>()
const { may } = useSession()
const { draft } = useDraft()
const query = useQuery({
  queryKey: computed(() => ['matrix', 'cell', props.look, props.subject, props.column]),
  queryFn: () =>
    answer(
      api.GET('/api/matrix/cell', {
        params: { query: { ...askedOf(props.look), of: props.subject, column: props.column } },
      }),
    ),
})
const one = computed(() => query.data.value)
const HOW: Record<string, string> = { EXACTLY: 'just that', MORE: 'more', LESS: 'less', OTHERWISE: 'something else' }
const BECAUSE: Record<string, string> = {
  WALL: 'a wall bars',
  WITHHOLDING: 'a withholding takes something from',
  CLEARANCE: 'the type’s clearances cut down what is left to',
  CEILING: 'a ceiling for outsiders cuts down',
  HOUSE_RULE: 'a house rule takes something from',
  OTHER_GRANT: 'other entries give more to',
  OVERSIGHT: 'an oversight lets see',
}
const ORIGIN: Record<string, 'HERE' | 'ABOVE' | 'THROUGH_GROUP' | 'NONE'> = {
  HERE: 'HERE',
  ABOVE: 'ABOVE',
  THROUGH_GROUP: 'THROUGH_GROUP',
  NOTHING: 'NONE',
}
const siblings = computed(
  () =>
    (one.value?.subject.kind === 'unit' ? 'units' : one.value?.subject.kind === 'group' ? 'groups' : 'subjects') as
      'units' | 'groups' | 'subjects',
)
const isPlace = computed(() => one.value !== undefined && one.value.column.kind !== 'type')
</script>

<template>
  <aside class="sheet panel" aria-labelledby="cell-title">
    <div class="bar">
      <h2 id="cell-title">{{ one === undefined ? 'A cell' : `${one.subject.name} at ${one.column.name}` }}</h2>
      <v-btn size="small" aria-label="Close this panel" @click="emit('close')">Close</v-btn>
    </div>
    <p v-if="query.isError.value" class="fault" role="alert">{{ query.error.value?.message }}</p>
    <p v-else-if="one === undefined" role="status">Looking it up …</p>
    <template v-else>
      <p class="quiet">{{ one.path }}</p>
      <div class="what">
        <Paling :rights="one.rights" :withheld="one.withheld" :origin="ORIGIN[one.from]" />
        <span>{{ one.rights.length === 0 ? 'Nothing is given.' : listed(one.rights) }}</span>
      </div>
      <p v-if="one.before" class="caution">
        The draft makes it so; before, it was {{ one.before.length === 0 ? 'nothing' : listed(one.before) }}.
      </p>
      <p v-if="one.outlier" class="warn">
        {{ outlierWords(one.outlier, siblings, isPlace ? 'places' : 'types', roles) }}
      </p>
      <p v-if="may('access')"><v-btn size="small" @click="emit('change')">Change it …</v-btn></p>
      <h3>What gives it</h3>
      <p v-if="one.entries.length === 0" class="quiet">No entry names it here or further up.</p>
      <ul v-else>
        <li v-for="entry in one.entries" :key="entry.id">
          {{ entry.kind === 'grant' ? entry.role : `Withheld: ${listed(entry.rights)}` }}
          <template v-if="entry.subjectId !== one.subject.id">for {{ entry.subjectName }}</template>
          at
          <router-link :to="{ name: 'places', params: { id: entry.place } }">{{
            entry.placeName
          }}</router-link><template v-if="entry.types.length > 0">, only {{ listed(entry.types) }}</template>
        </li>
      </ul>
      <p v-if="one.moreEntries > 0" class="quiet">and {{ counted(one.moreEntries, 'more entry', 'more entries') }}</p>
      <h3>{{ counted(one.subject.people, 'person', 'people') }}</h3>
      <ul v-if="one.reasons.length > 0" class="quiet">
        <li v-for="reason in one.reasons" :key="reason.because">
          {{ BECAUSE[reason.because] }} {{ counted(reason.people, 'person', 'people') }}
        </li>
      </ul>
      <p v-if="one.asked < one.differing" class="quiet">
        Of {{ counted(one.differing, 'person', 'people') }} who have something else,
        {{ counted(one.asked, 'was', 'were') }} asked about.
      </p>
      <details v-for="(alike, i) in one.people" :key="i" :open="one.people.length === 1 || alike.how !== 'EXACTLY'">
        <summary>
          <strong>{{ counted(alike.count, 'person has', 'people have') }} {{ HOW[alike.how] }}</strong>
          <Paling :rights="alike.rights" decorative />
          <span class="sr">: {{ alike.rights.length === 0 ? 'nothing' : listed(alike.rights) }}</span>
        </summary>
        <ul class="people">
          <li v-for="person in alike.people" :key="person.id">
            <PersonName link :person="person" />
            <WhyButton v-if="isPlace" :person="person" :place="one.column.id" says="has that" :drafted="(draft?.items.length ?? 0) > 0" />
          </li>
        </ul>
        <p v-if="alike.count > alike.people.length" class="quiet">
          and {{ counted(alike.count - alike.people.length, 'more') }}
        </p>
      </details>
    </template>
  </aside>
</template>

<style scoped>
.panel {
  flex: none;
  width: 340px;
  overflow: auto;
  padding: 12px 16px;
  display: flex;
  flex-direction: column;
  gap: 7px;
}
.bar {
  display: flex;
  justify-content: space-between;
  align-items: start;
  gap: 8px;
}
.what {
  display: flex;
  gap: 10px;
  align-items: center;
}
ul {
  padding-left: 18px;
}
.people {
  list-style: none;
  padding-left: 12px;
}
.people li {
  display: flex;
  gap: 7px;
}
summary {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  cursor: pointer;
  padding: 3px 0;
}
summary::before {
  content: '+';
  border: 1px solid var(--pg-line);
  width: 15px;
  line-height: 13px;
  text-align: center;
}
details[open] > summary::before {
  content: '−';
}
summary strong {
  margin-right: auto;
  font-weight: 600;
}
@media (max-width: 900px) {
  .panel {
    width: 100%;
  }
}
</style>
