<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { counted } from '@/common/words'
import SubjectPicker from '@/people/SubjectPicker.vue'
import PlacePicker from '@/places/PlacePicker.vue'
import CoverageLines from './CoverageLines.vue'
import { hasCriterion, labelsOf, ODD, type SideForm } from './wall'

/** What one scope covers, counted as it is written, and whom the wall names there. */
const props = defineProps<{
  /** Written into as it is. */
  side: SideForm
  kind: string
  number: number
  /** The wall's. */
  name: string
  mayGo: boolean
}>()
defineEmits<{ gone: [] }>()

const PAUSE = 350
/** A field that is filled adds what was chosen and is empty again. */
const subject = ref<Schemas['SubjectView']>()
const place = ref<Schemas['Found']>()
const added = ref(0)
// The form is the parent's, and so are its lists.
const side = computed(() => props.side)
watch(subject, (chosen) => {
  if (chosen === undefined || chosen === null) return
  if (!side.value.subjects.some((one) => one.kind === chosen.kind && one.id === chosen.id)) side.value.subjects.push(chosen)
  subject.value = undefined
  added.value++
})
watch(place, (chosen) => {
  if (chosen === undefined || chosen === null) return
  if (!side.value.places.some((one) => one.id === chosen.id)) side.value.places.push({ id: chosen.id, name: chosen.path })
  place.value = undefined
  added.value++
})
const types = useQuery({ queryKey: ['types'], queryFn: () => answer(api.GET('/api/types')) })
const title = computed(() => (props.kind === 'sides' ? `Side ${props.number}` : undefined))
const whom = computed(() => (props.kind === 'seal' ? 'Everybody is kept out but' : props.kind === 'sides' ? 'Its people' : 'Whom it keeps out'))
const what = computed(() => (props.kind === 'confine' ? 'Of everything but' : props.kind === 'sides' ? 'Its papers' : 'Of what'))

const asked = refDebounced(
  computed(() => (hasCriterion(props.side) ? JSON.stringify({ places: props.side.places.map((one) => one.id), types: props.side.types, labels: labelsOf(props.side.labels), name: props.side.name.trim() || props.name.trim() }) : '')),
  PAUSE,
)
const coverage = useQuery({
  queryKey: computed(() => ['walls', 'coverage', asked.value]),
  enabled: computed(() => asked.value !== ''),
  queryFn: () => answer(api.POST('/api/walls/coverage', { body: JSON.parse(asked.value) as Schemas['ScopeAsked'] })),
  placeholderData: keepPreviousData,
})
</script>

<template>
  <fieldset class="side">
    <legend v-if="title">
      {{ title }} <button v-if="mayGo" type="button" class="linklike" :aria-label="`Take ${title.toLowerCase()} away`" @click="$emit('gone')">take away</button>
    </legend>
    <legend v-else class="sr">Whom and what</legend>
    <!-- eslint-disable-next-line vue/no-mutating-props -- the form is the parent's, passed whole -->
    <v-text-field v-if="title" v-model="props.side.name" label="Name of the side" maxlength="300" hide-details />
    <div class="halves">
      <div class="half">
        <h3>{{ what }}</h3>
        <PlacePicker :key="`place ${added}`" v-model="place" :label="`Add a place, with all below it${title ? `, to ${title.toLowerCase()}` : ''}`" hide-details />
        <ul v-if="side.places.length > 0">
          <li v-for="(one, i) in side.places" :key="one.id">{{ one.name }} <button type="button" class="linklike" :aria-label="`Leave ${one.name} out`" @click="side.places.splice(i, 1)">leave out</button></li>
        </ul>
        <!-- eslint-disable-next-line vue/no-mutating-props -- the form is the parent's, passed whole -->
        <v-select v-model="props.side.types" :items="types.data.value ?? []" item-title="name" item-value="id" :label="`Only documents of these types${title ? ` of ${title.toLowerCase()}` : ''}`" multiple clearable hide-details />
        <div v-for="(row, i) in side.labels" :key="i" class="label">
          <v-text-field v-model="row.key" :label="`Label ${i + 1}`" hide-details maxlength="100" />
          <v-text-field v-model="row.value" :label="`Value ${i + 1}`" hide-details maxlength="300" />
          <button type="button" class="linklike" :aria-label="`Leave label ${i + 1} out`" @click="side.labels.splice(i, 1)">leave out</button>
        </div>
        <button type="button" class="linklike add" @click="side.labels.push({ key: side.labels[side.labels.length - 1]?.key ?? '', value: '' })">{{ side.labels.length === 0 ? 'Add a label' : 'Add a label, or another value' }}</button>
        <p v-if="side.places.length > 0 && (side.types.length > 0 || side.labels.length > 0)" class="quiet">A place is covered if it meets all of this.</p>
      </div>
      <div class="half">
        <h3>{{ whom }}</h3>
        <SubjectPicker :key="`subject ${added}`" v-model="subject" :label="`Add a person, group or unit${title ? ` to ${title.toLowerCase()}` : ''}`" hide-details />
        <ul v-if="side.subjects.length > 0">
          <li v-for="(one, i) in side.subjects" :key="one.kind + one.id">
            {{ one.name }} <span class="quiet">{{ counted(one.people, 'person', 'people') }}<template v-if="one.outsiders > 0">, {{ counted(one.outsiders, 'outsider') }}</template></span>
            <button type="button" class="linklike" :aria-label="`Leave ${one.name} out`" @click="side.subjects.splice(i, 1)">leave out</button>
          </li>
        </ul>
        <div v-if="asked !== '' && coverage.data.value" class="covers" aria-live="polite" :aria-busy="coverage.isFetching.value">
          <h3>Covers</h3>
          <p v-for="oddity in coverage.data.value.oddities" :key="oddity" class="caution">{{ ODD[oddity] }}</p>
          <CoverageLines v-if="coverage.data.value.places > 0" :coverage="coverage.data.value" />
        </div>
      </div>
    </div>
  </fieldset>
</template>

<style scoped>
.side {
  border: 1px solid var(--pg-line);
  border-radius: 3px;
  padding: 8px 12px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.halves {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
}
.half {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
}
.half > .v-input {
  flex: none;
}
.label {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 8px;
  align-items: center;
}
ul {
  padding-left: 18px;
}
.add {
  align-self: flex-start;
}
@media (max-width: 900px) {
  .halves {
    grid-template-columns: 1fr;
  }
}
</style>
