<script setup lang="ts">
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { toTheEndOf } from '@/common/dates'
import { moment } from '@/common/words'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'

const props = defineProps<{ number: number }>()

type Altered = Schemas['Altered']

const fetchAltered = async (part: Part) =>
  (await answer(api.GET('/api/journal/{number}', { params: { path: { number: props.number }, query: part } }))).altered
const key = computed(() => ['journal', 'content', props.number])

function did(thing: Altered): string {
  return thing.before === undefined ? 'began' : thing.after === undefined ? 'ended' : 'changed'
}

const INSTANT = /\b\d{4}-\d{2}-\d{2}T[\d:.]+Z/g

/** Instants as they are said everywhere; an end as the last moment that counts. */
function said(name: string, value: string): string {
  if (name === 'until') return `${toTheEndOf(value)}`
  return `${name}: ${value.replace(INSTANT, (instant) => moment(instant))}`
}

/** Only what differs, if both are there; everything otherwise. */
function words(thing: Altered, side: 'before' | 'after'): string {
  const fields = thing[side]
  if (fields === undefined) return '–'
  const other = thing[side === 'before' ? 'after' : 'before']
  return Object.entries(fields)
    .filter(([name, value]) => other === undefined || other[name] !== value)
    .map(([name, value]) => said(name, value))
    .join(' · ')
}

const COLUMNS = [
  { title: 'What', width: '1.1fr', sort: 'what' },
  { title: 'Before', width: '1.6fr' },
  { title: 'After', width: '1.6fr' },
]
</script>

<template>
  <PagedList label="What the change altered" find="Find a thing" :query-key="key" :fetch="fetchAltered" :columns="COLUMNS" grows :row-height="52" empty="The change altered nothing.">
    <template #row="{ item }">
      <div role="cell" class="what">
        <strong>{{ item.title }}</strong>
        <span class="quiet">{{ item.kind }}, <span :class="{ gain: did(item) === 'began', lose: did(item) === 'ended' }">{{ did(item) }}</span></span>
      </div>
      <div role="cell" class="words" :title="words(item, 'before')">{{ words(item, 'before') }}</div>
      <div role="cell" class="words" :title="words(item, 'after')">{{ words(item, 'after') }}</div>
    </template>
  </PagedList>
</template>

<style scoped>
.what {
  display: flex;
  flex-direction: column;
}
.what,
.words {
  align-self: start;
  padding: 3px 0;
}
</style>
