<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useNotices } from '@/shell/useNotices'
import { counted } from '@/shell/words'
import { thingLink } from './thingLink'

const props = defineProps<{ items: Schemas['Item'][]; withoutEffect: Schemas['EntryView'][]; readonly?: boolean }>()
const emit = defineEmits<{ remove: [id: number]; order: [items: number[]] }>()
const notices = useNotices()
const effects = ref<Record<number, Schemas['Totals']>>({})

/** A handful is seen at a glance: there is nothing to look for. */
const FEW = 8
const text = ref('')
/** Each with its place in the draft: the order is that in which they are made. */
const found = computed(() =>
  props.items.map((item, i) => ({ item, i })).filter(({ item }) => `${item.words} ${item.where}`.toLowerCase().includes((text.value ?? '').trim().toLowerCase())),
)

/** What one change does by itself, taken after those before it. */
async function tell(id: number) {
  try {
    const { totals } = await answer(api.GET('/api/draft/changes/{id}/effect', { params: { path: { id } } }))
    effects.value = { ...effects.value, [id]: totals }
  } catch (error) {
    notices.fail(error)
  }
}

function move(index: number, by: number) {
  const ids = props.items.map((item) => item.id)
  const [id] = ids.splice(index, 1)
  if (id !== undefined) ids.splice(index + by, 0, id)
  effects.value = {}
  emit('order', ids)
}
</script>

<template>
  <div v-if="items.length > FEW" class="find">
    <v-text-field v-model="text" label="Find a change" clearable hide-details />
    <span class="quiet" role="status">{{ text ? counted(found.length, 'match', 'matches') : '' }}</span>
  </div>
  <ol class="changes">
    <li v-for="{ item, i } in found" :key="item.id" :data-problem="item.problem !== undefined">
      <span class="number">{{ i + 1 }}</span>
      <div>
        <p>{{ item.words }}</p>
        <p v-if="item.about === 'place'" class="quiet">
          at <router-link :to="{ name: 'places', params: { id: item.aboutId } }">{{ item.where }}</router-link>
        </p>
        <p v-else-if="thingLink(item) && !item.words.includes(item.where)" class="quiet">
          <router-link :to="thingLink(item)!">{{ item.where }}</router-link>
        </p>
        <p v-if="item.problem" class="fault">{{ item.problem }}</p>
        <p v-if="effects[item.id]" class="quiet" role="status">
          By itself: {{ counted(effects[item.id]!.peopleGaining, 'person gains', 'people gain') }}, {{ effects[item.id]!.peopleLosing }} lose,
          {{ counted(effects[item.id]!.documents, 'document') }}.
        </p>
        <p v-if="!readonly" class="acts">
          <button type="button" class="linklike" :aria-label="`What change ${i + 1} does by itself`" @click="tell(item.id)">its own effect</button>
          <button v-if="i > 0" type="button" class="linklike" :aria-label="`Move change ${i + 1} up`" @click="move(i, -1)">up</button>
          <button v-if="i < items.length - 1" type="button" class="linklike" :aria-label="`Move change ${i + 1} down`" @click="move(i, 1)">down</button>
        </p>
      </div>
      <v-btn v-if="!readonly" size="small" variant="text" :aria-label="`Take change ${i + 1} out of the draft`" @click="emit('remove', item.id)">Take out</v-btn>
    </li>
    <li v-for="entry in withoutEffect" :key="entry.id" class="caution note">
      {{ entry.role ?? entry.rights.join(', ') }} for {{ entry.subjectName }} at {{ entry.placeName }} changes nothing for anybody.
    </li>
  </ol>
</template>

<style scoped>
.find {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 14px;
  border-bottom: 1px solid var(--pg-line);
}
.changes {
  flex: 1;
  list-style: none;
  display: flex;
  flex-direction: column;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: 26px 1fr auto;
  gap: 8px;
  padding: 10px 14px;
  border-bottom: 1px solid var(--pg-line);
}
/* Of very many changes the browser draws only those in sight. */
li:not(.note) {
  content-visibility: auto;
  contain-intrinsic-size: auto 92px;
}
li.note {
  display: block;
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
