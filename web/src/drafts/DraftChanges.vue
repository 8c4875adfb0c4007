<script setup lang="ts">
import type { Schemas } from '@/api/client'

defineProps<{ items: Schemas['Item'][]; withoutEffect: Schemas['EntryView'][] }>()
const emit = defineEmits<{ remove: [id: number] }>()
</script>

<template>
  <ol class="changes">
    <li v-for="(item, i) in items" :key="item.id" :data-problem="item.problem !== undefined">
      <span class="number">{{ i + 1 }}</span>
      <div>
        <p>{{ item.words }}</p>
        <p class="quiet">
          at <router-link :to="{ name: 'places', params: { id: item.place } }">{{ item.path }}</router-link>
        </p>
        <p v-if="item.problem" class="fault">{{ item.problem }}</p>
      </div>
      <v-btn size="small" variant="text" :aria-label="`Take change ${i + 1} out of the draft`" @click="emit('remove', item.id)">Take out</v-btn>
    </li>
    <li v-for="entry in withoutEffect" :key="entry.id" class="caution note">
      {{ entry.role ?? entry.rights.join(', ') }} for {{ entry.subjectName }} at {{ entry.placeName }} changes nothing for anybody.
    </li>
  </ol>
</template>

<style scoped>
.changes {
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
li.note {
  display: block;
}
.number {
  font-family: var(--pg-serif);
  font-weight: 600;
}
</style>
