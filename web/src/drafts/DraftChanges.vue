<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import PagedList from '@/lists/PagedList.vue'
import { inPage } from '@/lists/part'
import { useNotices } from '@/common/useNotices'
import { followMoved } from '@/common/followMoved'
import { counted } from '@/common/words'
import { thingLink } from './thingLink'

const props = defineProps<{ items: Schemas['Item'][]; withoutEffect: Schemas['EntryView'][]; readonly?: boolean; atMost?: number }>()
const emit = defineEmits<{ remove: [id: number]; order: [items: number[]] }>()
const notices = useNotices()
const effects = ref<Record<number, Schemas['Totals']>>({})

/** A change with its place in the draft: they are made in that order. Below them, what is drafted and changes nothing. */
interface Line {
  number: number
  item?: Schemas['Item']
  /** What it does by itself, once somebody has asked. */
  effect?: Schemas['Totals'] | undefined
  idle?: Schemas['EntryView']
}
const lines = computed<Line[]>(() => [
  ...props.items.map((item, i) => ({ number: i + 1, item, effect: effects.value[item.id] })),
  ...props.withoutEffect.map((idle, i) => ({ number: props.items.length + i + 1, idle })),
])

function words({ item, idle }: Line): string {
  return item?.words ?? `${idle!.role ?? idle!.rights.join(', ')} for ${idle!.subjectName} at ${idle!.placeName} changes nothing for anybody.`
}
function where({ item, idle }: Line): string {
  return item?.where ?? idle!.placeName
}
const fetchLines = inPage(
  () => lines.value,
  (line) => `${words(line)} ${where(line)}`,
  { number: (line) => line.number, what: words, where },
)
/** Another draft, another order or another problem is another list. */
const key = computed(() => ['draft-changes', lines.value.map(({ item, effect, idle }) => [item?.id, item?.words, item?.where, item?.problem, effect, idle?.id]), props.readonly])
const COLUMNS = [
  { title: 'No.', width: '26px', sort: 'number' },
  { title: 'What', width: '1fr', sort: 'what' },
  { title: 'Where', width: '1fr', sort: 'where' },
]

/** What one change does by itself, taken after those before it. */
async function tell(id: number) {
  try {
    const { totals } = await answer(api.GET('/api/draft/changes/{id}/effect', { params: { path: { id } } }))
    effects.value = { ...effects.value, [id]: totals }
  } catch (error) {
    notices.fail(error)
  }
}

/** Up and down are steps in the order in which the changes are made, so they are offered in that order only. */
function inOrder(sort: string | undefined): boolean {
  return sort === undefined || sort === 'number'
}

function move(event: Event, number: number, by: number) {
  const ids = props.items.map((item) => item.id)
  const [id] = ids.splice(number - 1, 1)
  if (id !== undefined) ids.splice(number - 1 + by, 0, id)
  effects.value = {}
  emit('order', ids)
  followMoved(event.currentTarget, number, by)
}
</script>

<template>
  <PagedList class="changes" data-moves grows still label="The changes of the draft" find="Find a change" :query-key="key" :fetch="fetchLines" :columns="COLUMNS" :row-height="92" :at-most="atMost" empty="Nothing is in it yet.">
    <template #row="{ item: line, sort }">
      <div role="cell" class="number">{{ line.idle ? '' : line.number }}</div>
      <div role="cell" class="what" :class="{ caution: line.idle }" :data-problem="line.item?.problem !== undefined">
        <p>{{ words(line) }}</p>
        <p v-if="line.item?.problem" class="fault">{{ line.item.problem }}</p>
        <p v-if="line.effect" class="quiet" role="status">
          By itself: {{ counted(line.effect.peopleGaining, 'person gains', 'people gain') }}, {{ line.effect.peopleLosing }} lose,
          {{ counted(line.effect.documents, 'document') }}.
        </p>
      </div>
      <div role="cell" class="where">
        <template v-if="line.item">
          <p v-if="line.item.about === 'place'" class="quiet">
            at <router-link :to="{ name: 'places', params: { id: line.item.aboutId } }">{{ line.item.where }}</router-link>
          </p>
          <p v-else-if="thingLink(line.item) && !line.item.words.includes(line.item.where)" class="quiet">
            <router-link :to="thingLink(line.item)!">{{ line.item.where }}</router-link>
          </p>
          <p v-if="!readonly" class="acts">
            <button type="button" class="linklike" :aria-label="`Take change ${line.number} out of the draft`" @click="emit('remove', line.item.id)">take out</button>
            <button type="button" class="linklike" :aria-label="`What change ${line.number} does by itself`" @click="tell(line.item.id)">its own effect</button>
            <template v-if="inOrder(sort)">
              <button v-if="line.number > 1" type="button" class="linklike" :data-row-of="line.item.id" :data-at="line.number" data-by="-1" :aria-label="`Move change ${line.number} up`" @click="move($event, line.number, -1)">up</button>
              <button v-if="line.number < items.length" type="button" class="linklike" :data-row-of="line.item.id" :data-at="line.number" data-by="1" :aria-label="`Move change ${line.number} down`" @click="move($event, line.number, 1)">down</button>
            </template>
          </p>
        </template>
      </div>
    </template>
  </PagedList>
</template>

<style scoped>
.changes {
  flex: 1;
  min-height: 0;
  container-type: inline-size;
}
.changes :deep(.body) {
  padding: 10px 14px;
  align-items: start;
}
/* What and where stand below each other where the list is narrow. */
.what,
.where {
  grid-column: 2 / -1;
}
@container (min-width: 560px) {
  .what {
    grid-column: 2;
  }
  .where {
    grid-column: 3;
  }
}
.number {
  font-family: var(--pg-serif);
  font-weight: 600;
}
.acts {
  display: flex;
  gap: 10px;
  font-size: 0.92rem;
}
</style>
