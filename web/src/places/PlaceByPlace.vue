<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import PagedList from '@/lists/PagedList.vue'
import type { Part } from '@/lists/part'
import Paling from '@/paling/Paling.vue'
import WhyButton from '@/common/WhyButton.vue'
import PlaceCell from './PlaceCell.vue'

/** What somebody has, or would have, place by place, in the place of a list of people that one came from; each with why. */
const props = defineProps<{
  person: { id: string; name: string }
  /** What the list says, as in "Kept from Mia Torrance". */
  label: string
  queryKey: unknown[]
  /** The rights in the order of the heads. */
  fetch: (part: Part) => Promise<{ total: number; items: { place: string; path: string; rights: string[][] }[] }>
  heads: string[]
  empty: string
  atMost?: number
  /** Whether why is asked with the draft in hand. */
  drafted?: boolean
  /** Says that why is asked of what holds, which the rights are not those of. */
  whyNow?: boolean
}>()
const emit = defineEmits<{ back: [] }>()
const back = ref<HTMLElement>()
onMounted(() => void nextTick(() => back.value?.focus()))
const columns = computed(() => [
  { title: 'Place', width: 'minmax(80px, 1fr)', sort: 'place' },
  ...props.heads.map((title) => ({ title, width: '82px' })),
  props.whyNow ? { title: 'Why now', width: '58px' } : { title: 'Why', width: '40px' },
])
</script>

<template>
  <div class="by-place">
    <p class="head">
      <button ref="back" type="button" class="linklike" @click="emit('back')">All people</button>
      <span>{{ label }}</span>
    </p>
    <div class="list">
      <PagedList still :label="label" find="Find a place" :query-key="queryKey" :fetch="fetch" :columns="columns" :at-most="atMost" :empty="empty">
        <template #row="{ item }">
          <PlaceCell v-slot="{ text }" role="cell" :path="item.path">
            <router-link :to="{ name: 'places', params: { id: item.place } }">{{ text }}</router-link>
          </PlaceCell>
          <div v-for="(rights, i) in item.rights" :key="i" role="cell"><Paling :rights="rights" /></div>
          <div role="cell">
            <WhyButton :person="person" :place="item.place" :says="whyNow ? `has what they have now at ${item.path}` : `has what they have at ${item.path}`" :drafted="drafted" />
          </div>
        </template>
      </PagedList>
    </div>
  </div>
</template>

<style scoped>
.by-place {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.head {
  display: flex;
  gap: 14px;
  padding: 6px 14px;
}
.head button {
  white-space: nowrap;
}
.list {
  flex: 1;
  min-height: 160px;
}
</style>
