<script setup lang="ts">
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { answer, api } from '@/api/client'
import { day, lastDay } from '@/common/words'
import FigureChart from './FigureChart.vue'
import { PICTURES, type Month } from './gatehouse'

/** A few figures of the last two years, counted month by month, as pictures or as a table. */
const props = defineProps<{
  /** Counted anew where it is another: what is known of the past may have become another, too. */
  change: number
}>()
/** What happened between two days is to be seen, as the address of that page says them. */
const emit = defineEmits<{ between: [days: string] }>()
const MONTHS = 24
const months = shallowRef<Month[]>([])
const counted = ref(0)
const failed = ref('')
const asTable = ref(false)
let counting = 0
onScopeDispose(() => counting++)

/** The newest first: two years back may take a while, and what is near matters most. */
async function count() {
  const mine = ++counting
  const found: Month[] = []
  failed.value = ''
  counted.value = 0
  for (let ago = 0; ago <= MONTHS; ago++) {
    try {
      const month = await answer(api.GET('/api/gatehouse/figures', { params: { query: { ago } } }))
      if (mine !== counting) return
      counted.value = ago + 1
      if (!month.there) break
      found.unshift(month)
      months.value = [...found]
    } catch (error) {
      if (mine !== counting) return
      // What may no longer be known is not left on the screen.
      months.value = []
      failed.value = error instanceof Error ? error.message : String(error)
      return
    }
  }
  counted.value = MONTHS + 1
}
watch(() => props.change, count, { immediate: true })
/** The last day that counts: a month ends with it. The newest is not over. */
const labels = computed(() =>
  months.value.map((month, i) => (i === months.value.length - 1 ? day(month.at) : lastDay(month.at))),
)
const pictures = computed(() =>
  PICTURES.map((picture) => ({
    ...picture,
    lines: picture.lines.map((line) => ({ ...line, values: months.value.map((month) => line.of(month) ?? null) })),
  })).filter((picture) => picture.lines.some((line) => line.values.some((value) => value !== null))),
)
/** What happened in the month whose end a point is: whose access was altered, and by which change. */
function open(index: number) {
  const before = months.value[index - 1]
  const month = months.value[index]
  if (before === undefined || month === undefined) return
  const until = index === months.value.length - 1 ? month.at : new Date(Date.parse(month.at) - 1).toISOString()
  emit('between', `${before.at.slice(0, 10)}..${until.slice(0, 10)}`)
}
</script>

<template>
  <section class="sheet figures" aria-labelledby="figures-title">
    <div class="bar">
      <h2 id="figures-title">Two years</h2>
      <span v-if="counted <= MONTHS && failed === ''" class="quiet" role="status"
        >Counting month {{ counted }} of {{ MONTHS + 1 }} …</span
      >
      <v-btn size="small" :aria-pressed="asTable" @click="asTable = !asTable">{{
        asTable ? 'As pictures' : 'As a table'
      }}</v-btn>
    </div>
    <p v-if="failed" class="fault" role="alert">{{ failed }}</p>
    <div v-if="!asTable" class="pictures">
      <figure v-for="picture in pictures" :key="picture.key">
        <figcaption>
          {{ picture.title }}:
          <strong v-for="(line, i) in picture.lines" :key="line.title"
            >{{ i > 0 ? ', ' : '' }}{{ line.values[line.values.length - 1]
            }}{{ picture.lines.length > 1 ? ` ${line.title}` : '' }}</strong
          >
        </figcaption>
        <FigureChart :title="picture.title" :months="labels" :lines="picture.lines" @open="open" />
      </figure>
    </div>
    <div v-else class="scroll" tabindex="0" role="region" aria-label="Figures month by month">
      <table>
        <thead>
          <tr>
            <th scope="col">End of</th>
            <template v-for="picture in pictures" :key="picture.key"
              ><th v-for="line in picture.lines" :key="line.title" scope="col">
                {{ picture.lines.length > 1 ? `${picture.title}, ${line.title}` : picture.title }}
              </th></template
            >
            <th scope="col">What happened</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(label, i) in labels" :key="label">
            <th scope="row">{{ label }}</th>
            <template v-for="picture in pictures" :key="picture.key"
              ><td v-for="line in picture.lines" :key="line.title">{{ line.values[i] }}</td></template
            >
            <td>
              <button
                v-if="i > 0"
                type="button"
                class="linklike"
                :aria-label="`What happened in the month before ${label}`"
                @click="open(i)"
              >
                whose access changed
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.figures {
  padding: 8px 14px 10px;
}
.bar {
  display: flex;
  align-items: center;
  gap: 14px;
}
.bar .v-btn {
  margin-left: auto;
}
.pictures {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
  gap: 6px 18px;
}
figure {
  margin: 0;
  min-width: 0;
}
.scroll {
  max-height: 240px;
  overflow: auto;
}
th,
td {
  text-align: right;
  padding: 2px 10px;
  white-space: nowrap;
}
thead th {
  position: sticky;
  top: 0;
  background: rgb(var(--v-theme-surface));
}
th:first-child {
  text-align: left;
}
</style>
