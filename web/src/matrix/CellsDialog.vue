<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import FaultList from '@/common/FaultList.vue'
import PageDialog from '@/common/PageDialog.vue'
import { counted } from '@/common/words'
import { RIGHTS } from '@/paling/rights'
import { useDrafting } from '@/tray/useDrafting'
import { effectWords, wayWords } from './matrix'

/** Many cells at once: what is wished of them, and the ways that there are, counted, before anything is drafted. */
const props = defineProps<{
  cells: Schemas['CellRef'][]
  /** The cell where one is: the others can be made like it. */
  like: Schemas['CellRef']
  likeWords: string
  roles: { id: string; name: string }[]
}>()
const emit = defineEmits<{ close: [] }>()
const WISHES = [
  { value: 'ROLE', title: 'Have just what a role gives' },
  { value: 'ADD', title: 'Have rights more' },
  { value: 'WITHHOLD', title: 'Have rights less' },
  { value: 'CLEAR', title: 'Have nothing given at the place itself' },
  { value: 'MATCH', title: 'Have what the cell has where you are' },
] as const
const wish = ref<Schemas['WaysAsked']['wish']>('ROLE')
const role = ref<string>()
const rights = ref<string[]>([])
const clear = computed(() =>
  wish.value === 'ROLE'
    ? role.value !== undefined
    : wish.value === 'ADD' || wish.value === 'WITHHOLD'
      ? rights.value.length > 0
      : true,
)
const ways = useQuery({
  queryKey: computed(() => ['matrix', 'ways', props.cells, wish.value, role.value, rights.value, props.like]),
  queryFn: () =>
    answer(
      api.POST('/api/matrix/ways', {
        body: {
          cells: props.cells,
          wish: wish.value,
          role: wish.value === 'ROLE' ? role.value : undefined,
          rights: wish.value === 'ADD' || wish.value === 'WITHHOLD' ? rights.value : undefined,
          like: wish.value === 'MATCH' ? props.like : undefined,
        },
      }),
    ),
  enabled: clear,
  staleTime: 0,
  gcTime: 0,
})
const faults = ref<FaultLine[]>([])
watch(ways.error, (error) => (faults.value = error ? faultsOf(error) : []))
const found = computed(() => (clear.value && !ways.isError.value ? ways.data.value : undefined))
const { draftAt, busy } = useDrafting()
async function add(way: Schemas['MatrixWay']) {
  if (await draftAt(way.changes as Schemas['Change'][])) emit('close')
}
const met = (way: Schemas['MatrixWay'], all: number) =>
  way.met === all
    ? all === 1
      ? 'The cell is then as wished.'
      : `All ${all} cells are then as wished.`
    : `${way.met} of ${all} cells are then as wished.`
</script>

<template>
  <PageDialog :model-value="true" max-width="680" aria-labelledby="cells-title" @update:model-value="emit('close')">
    <div class="sheet pg-dialog">
      <h2 id="cells-title">Change {{ counted(cells.length, 'cell') }}</h2>
      <v-select v-model="wish" v-focus-first label="They are to" :items="[...WISHES]" />
      <v-select v-if="wish === 'ROLE'" v-model="role" label="Role" :items="roles" item-title="name" item-value="id" />
      <v-select
        v-else-if="wish === 'ADD' || wish === 'WITHHOLD'"
        v-model="rights"
        label="Rights"
        :items="[...RIGHTS]"
        multiple
        chips
        closable-chips
      />
      <p v-else-if="wish === 'MATCH'" class="quiet">Where you are: {{ likeWords }}.</p>
      <FaultList :faults="faults" />
      <p v-if="clear && ways.isFetching.value" role="status">Trying the ways there are …</p>
      <template v-else-if="found">
        <p v-if="found.already > 0">
          {{
            found.already === found.cells
              ? 'All of them are so already.'
              : `${counted(found.already, 'of them is', 'of them are')} so already.`
          }}
        </p>
        <p v-if="found.noRole > 0" class="warn">
          {{ counted(found.noRole, 'cell needs', 'cells need') }} a set of rights that is no role’s. Make such a role
          first.
        </p>
        <p v-if="found.ways.length === 0 && found.already < found.cells && found.noRole === 0" class="warn">
          No single way does it: something stands in the way that these cells do not say, such as a withholding further
          up. Open a cell to see.
        </p>
        <ul class="ways" aria-label="Ways">
          <li v-for="way in found.ways" :key="way.kind">
            <div>
              <strong>{{ wayWords(way.kind).title }}</strong>
              <p class="quiet">{{ wayWords(way.kind).about }}</p>
              <p>
                {{ met(way, found.cells) }} <span :class="{ lose: way.lockOuts > 0 }">{{ effectWords(way) }}</span>
              </p>
            </div>
            <v-btn
              size="small"
              class="is-main"
              :loading="busy"
              :aria-label="`Add to the draft: ${wayWords(way.kind).title}`"
              @click="add(way)"
              >Add {{ counted(way.changes.length, 'change') }}</v-btn
            >
          </li>
        </ul>
      </template>
      <div class="actions"><v-btn @click="emit('close')">Cancel</v-btn></div>
    </div>
  </PageDialog>
</template>

<style scoped>
.ways {
  list-style: none;
}
.ways li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
  padding: 8px 0;
  border-bottom: 1px solid var(--pg-line);
}
.ways li .v-btn {
  flex: none;
}
</style>
