<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api } from '@/api/client'
import { counted } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import PlaceByPlace from '@/places/PlaceByPlace.vue'

/** Two drafts beside each other: who would have more, and who less, with the other one in force instead. */
const props = defineProps<{ id: number; version: number }>()
const other = ref<number>()
const drafts = useQuery({ queryKey: ['drafts'], queryFn: () => answer(api.GET('/api/drafts')) })
const others = computed(() => (drafts.data.value ?? []).filter((one) => one.id !== props.id).map((one) => ({ title: one.mine ? one.name : `${one.name} (${one.owner})`, value: one.id })))
const fetch = async (part: Part) => (await answer(api.GET('/api/drafts/{id}/beside/{other}', { params: { path: { id: props.id, other: other.value! }, query: part } }))).people
const compared = useQuery({
  queryKey: computed(() => ['drafts', 'beside', props.id, props.version, other.value]),
  enabled: computed(() => other.value !== undefined),
  queryFn: () => answer(api.GET('/api/drafts/{id}/beside/{other}', { params: { path: { id: props.id, other: other.value! }, query: { limit: 1 } } })),
})
const totals = computed(() => compared.data.value?.totals)
/** Whose places are listed in the place of the people. */
const chosen = ref<{ id: string; name: string }>()
watch([other, () => props.version], () => (chosen.value = undefined))
async function fetchPlaces(part: Part) {
  const page = await answer(api.GET('/api/drafts/{id}/beside/{other}/pairs', { params: { path: { id: props.id, other: other.value! }, query: { person: chosen.value!.id, ...part } } }))
  return { total: page.total, items: page.items.map((one) => ({ place: one.place, path: one.path, rights: [one.one, one.other] })) }
}
const COLUMNS = [
  { title: 'Person', width: 'minmax(130px, 1.4fr)', sort: 'name' },
  { title: 'With more', width: 'minmax(124px, 200px)', sort: '-more' },
  { title: 'With less', width: 'minmax(124px, 200px)', sort: '-less' },
  { title: 'Documents', width: 'minmax(84px, 106px)', sort: '-documents' },
  { title: 'Where', width: '56px' },
]
</script>

<template>
  <section v-if="others.length > 0" class="sheet beside" aria-labelledby="beside-title">
    <h3 id="beside-title">Beside another draft</h3>
    <v-select v-model="other" :items="others" label="Another draft" clearable hide-details />
    <p v-if="compared.isError.value" class="fault" role="alert">{{ compared.error.value?.message }}</p>
    <p v-else-if="other !== undefined && totals === undefined" role="status">Rehearsing both …</p>
    <template v-else-if="other !== undefined && totals">
      <p v-if="totals.places === 0" role="status">With either of them everybody has the same.</p>
      <p v-else role="status">
        With {{ compared.data.value?.otherName }} instead, {{ counted(totals.peopleGaining, 'person has', 'people have') }} more and {{ counted(totals.peopleLosing, 'person', 'people') }} less, at {{ counted(totals.places, 'place') }},
        {{ counted(totals.documents, 'document') }} among them.
      </p>
      <PlaceByPlace
        v-if="chosen"
        :person="chosen"
        :label="`Where ${chosen.name} would not have the same`"
        :query-key="['drafts', 'beside-places', id, version, other, chosen.id]"
        :fetch="fetchPlaces"
        :heads="['With this', 'The other']"
        why-now
        :at-most="8"
        empty="Nowhere."
        @back="chosen = undefined"
      />
      <PagedList v-else-if="totals.places > 0" still label="Who would not have the same" find="Find a person" :query-key="['drafts', 'beside-people', id, version, other]" :fetch="fetch" :columns="COLUMNS" :at-most="8" empty="Nobody.">
        <template #row="{ item }">
          <div role="cell"><router-link :to="{ name: 'people', params: { view: 'persons', id: item.person.id } }">{{ item.person.name }}</router-link> <span v-if="item.person.external" class="mark outsider">outsider</span></div>
          <div role="cell" class="cell"><template v-if="item.placesWithMore > 0"><Paling :rights="item.more" /><span class="gain">{{ item.placesWithMore }}</span></template></div>
          <div role="cell" class="cell"><template v-if="item.placesWithLess > 0"><Paling :rights="item.less" /><span class="lose">{{ item.placesWithLess }}</span></template></div>
          <div role="cell">{{ item.documents }}</div>
          <div role="cell"><button type="button" class="linklike" data-opens :aria-label="`Where ${item.person.name} would not have the same`" @click="chosen = item.person">where</button></div>
        </template>
      </PagedList>
    </template>
  </section>
</template>

<style scoped>
.beside {
  padding: 12px 16px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.cell {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
