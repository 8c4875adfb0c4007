<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { listed, number } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import PersonName from '@/people/PersonName.vue'
import { useDraft } from '@/tray/useDraft'
import PlaceByPlace from '@/places/PlaceByPlace.vue'

/** Both ends of a wall: whom it keeps from what, whom it lets in, and who of the first has been inside. */
const props = defineProps<{ id: string; view: 'barred' | 'admitted'; bars: boolean; version: number }>()
type Row = { key: 'barred'; one: Schemas['Kept'] } | { key: 'admitted'; one: Schemas['LetIn'] }

async function fetchRows(part: Part): Promise<{ total: number; items: Row[] }> {
  const params = { params: { path: { id: props.id }, query: part } }
  if (props.view === 'barred') {
    const page = await answer(api.GET('/api/walls/{id}/barred', params))
    return { total: page.total, items: page.items.map((one) => ({ key: 'barred', one })) }
  }
  const page = await answer(api.GET('/api/walls/{id}/admitted', params))
  return { total: page.total, items: page.items.map((one) => ({ key: 'admitted', one })) }
}

const { draft } = useDraft()
/** Whose places are listed in the place of the people. */
const chosen = ref<{ id: string; name: string; side?: string | undefined }>()
watch([() => props.id, () => props.view], () => (chosen.value = undefined))
async function fetchPlaces(part: Part) {
  const { id: person, side } = chosen.value!
  const path = { id: props.id, person }
  const page = await answer(
    props.view === 'barred' ? api.GET('/api/walls/{id}/barred/{person}', { params: { path, query: part } }) : api.GET('/api/walls/{id}/admitted/{person}', { params: { path, query: { ...part, ...(side === undefined ? {} : { side }) } } }),
  )
  return { total: page.total, items: page.items.map((one) => ({ place: one.place, path: one.path, rights: [one.rights] })) }
}

const COLUMNS = computed(() =>
  props.view === 'barred'
    ? [
        { title: 'Who', width: 'minmax(160px, 1fr)', sort: 'name' },
        { title: 'Documents', width: '100px', sort: 'documents' },
        { title: 'Places', width: '80px', sort: '-places' },
        { title: 'With which rights', width: '1.2fr' },
      ]
    : [
        { title: 'Who', width: 'minmax(160px, 1fr)', sort: 'name' },
        { title: 'By', width: '1fr', sort: 'side' },
        { title: 'Documents inside', width: '150px', sort: 'documents' },
      ],
)
const LABELS = { barred: 'Who is kept out', admitted: 'Who is let in' }
const EMPTY = {
  barred: 'Nobody whom it keeps out would reach anything without it.',
  admitted: 'It lets nobody in by name.',
}
</script>

<template>
  <PlaceByPlace
    v-if="chosen"
    :person="chosen"
    :drafted="(draft?.items.length ?? 0) > 0"
    :label="view === 'barred' ? `What it keeps from ${chosen.name}` : `The documents inside that ${chosen.name} reaches`"
    :query-key="['walls', view, id, version, chosen.id, chosen.side]"
    :fetch="fetchPlaces"
    :heads="[view === 'barred' ? (bars ? 'Kept out of' : 'Would lose') : 'Has']"
    empty="None."
    @back="chosen = undefined"
  />
  <div v-else class="people">
    <p class="quiet lead">
      {{
        view === 'barred'
          ? `Those who ${bars ? 'would reach something without the wall' : 'would lose something if it stood'}, with what they would have.`
          : 'To be let in gives nothing by itself: how much of what lies inside each of them reaches.'
      }}
    </p>
    <div class="list">
      <PagedList
        :label="LABELS[view]"
        find="Find a person"
        :query-key="['walls', view, id, version]"
        :fetch="fetchRows"
        :columns="COLUMNS"
        :empty="EMPTY[view]"
      >
        <template #row="{ item: row }">
          <div role="cell"><PersonName link :person="row.one.person" /></div>
          <template v-if="row.key === 'barred'">
            <div role="cell">{{ number(row.one.documents) }}</div>
            <div role="cell">
              <button type="button" class="linklike" data-opens :aria-label="`The ${row.one.places} places that it keeps from ${row.one.person.name}`" @click="chosen = row.one.person">{{ number(row.one.places) }}</button>
            </div>
            <div role="cell" class="quiet">{{ listed(row.one.rights) }}</div>
          </template>
          <template v-else>
            <div role="cell">{{ row.one.excepted ? 'an exception' : (row.one.side ?? 'being listed') }}</div>
            <div role="cell" :class="{ warn: row.one.documents === 0 }">
              <template v-if="row.one.documents === 0">none: let in in vain</template>
              <button v-else type="button" class="linklike" data-opens :aria-label="`The ${row.one.documents} documents inside that ${row.one.person.name} reaches`" @click="chosen = { ...row.one.person, side: row.one.side }">{{ number(row.one.documents) }}</button>
            </div>
          </template>
        </template>
      </PagedList>
    </div>
  </div>
</template>

<style scoped>
.people {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.lead {
  padding: 6px 14px;
}
.list {
  flex: 1;
  min-height: 160px;
}
</style>
