<script setup lang="ts">
import { computed, onMounted, watch } from 'vue'
import { counted, moment } from '@/common/words'
import Paling from '@/paling/Paling.vue'
import type { Shown } from './axis'
import { rightsOf, setWords, type Cell } from './matrix'
import { namesOf, ON_PAPER, sheetsOf, smallPrint, withinOf } from './sheets'

/** The matrix as it is shown, sheet by sheet, for paper: every cell in words too, so that nothing hangs on colour. */
const props = defineProps<{
  title: string
  /** How much of what there is is shown. */
  about: string
  rows: readonly Shown[]
  columns: readonly Shown[]
  cell: (row: Shown, column: Shown) => Cell | undefined
  strange: (row: Shown, column: Shown) => boolean
  roles: ReadonlyMap<number, string>
  /** Another when any cells came. */
  drawn: unknown
  now: Date
  /** What is shown is still being found out. */
  waiting: boolean
  /** Why something could not be had; empty if all could. */
  fault: string
}>()
const emit = defineEmits<{ close: []; want: [] }>()
const ORIGIN = ['HERE', 'ABOVE', 'THROUGH_GROUP', 'NONE'] as const
const tooMany = computed(() => props.rows.length * props.columns.length > ON_PAPER)
const sheets = computed(() =>
  tooMany.value || props.waiting || props.fault !== '' ? [] : sheetsOf(props.rows, props.columns),
)
const rowNames = computed(() => namesOf(props.rows))
const columnNames = computed(() => namesOf(props.columns))
/** Cells are plain data, told of by what came: each time all of them are looked at anew. */
const laid = computed(() => {
  void props.drawn
  return sheets.value.map((sheet) => ({
    ...sheet,
    heads: sheet.columns.map((column) => ({ column, within: withinOf(column, sheet.columns, columnNames.value) })),
    lines: sheet.rows.map((row) => ({
      row,
      within: withinOf(row, sheet.rows, rowNames.value),
      cells: sheet.columns.map((column) => ({
        column,
        cell: props.cell(row, column),
        strange: props.strange(row, column),
      })),
    })),
  }))
})
const missing = computed(() =>
  laid.value.reduce(
    (sum, sheet) => sum + sheet.lines.flatMap((line) => line.cells).filter((one) => one.cell === undefined).length,
    0,
  ),
)
onMounted(() => emit('want'))
watch([() => props.rows, () => props.columns], () => emit('want'))
const print = () => window.print()
</script>

<template>
  <div class="paper">
    <div class="bar">
      <h1>{{ title }}</h1>
      <span v-if="fault !== ''" class="fault" role="alert">{{ fault }}</span>
      <span v-else-if="waiting" class="quiet" role="status">Looking …</span>
      <span v-else-if="laid.length === 0 && !tooMany" class="quiet" role="status">There is nothing to lay out.</span>
      <span v-else-if="tooMany" class="warn" role="status"
        >{{ counted(rows.length * columns.length, 'cell') }}: at most {{ counted(ON_PAPER, 'cell') }} are laid out for
        paper. Fold what is not needed, look for something, or take the workbook.</span
      >
      <span v-else-if="missing > 0" class="quiet" role="status">{{ counted(missing, 'cell') }} still to come …</span>
      <span v-else class="quiet" role="status">{{ counted(laid.length, 'sheet') }}</span>
      <v-btn size="small" @click="emit('close')">Back to the matrix</v-btn>
      <v-btn size="small" class="is-main" :disabled="laid.length === 0 || missing > 0" @click="print">Print</v-btn>
    </div>
    <section
      v-for="sheet in laid"
      :key="sheet.number"
      class="page"
      :aria-label="`Sheet ${sheet.number} of ${sheet.of}`"
    >
      <p class="head">
        <strong>{{ title }}</strong> · {{ about }} · {{ moment(now.toISOString()) }} · sheet {{ sheet.number }} of
        {{ sheet.of }}
      </p>
      <table>
        <thead>
          <tr>
            <td></td>
            <th v-for="{ column, within } in sheet.heads" :key="column.head.key" scope="col">
              <span class="upright"
                >{{ column.head.name }}<span v-if="within" class="small"> in {{ within }}</span></span
              >
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in sheet.lines" :key="line.row.head.key">
            <th scope="row" :style="{ paddingLeft: `${Math.min(line.row.head.depth, 6) * 8}px` }">
              {{ line.row.head.name }}<span v-if="line.within" class="small"> in {{ line.within }}</span
              ><span v-if="line.row.head.note" class="small"> {{ line.row.head.note }}</span>
            </th>
            <td v-for="one in line.cells" :key="one.column.head.key" :class="{ strange: one.strange }">
              <template v-if="one.cell && (one.cell.rights > 0 || one.cell.withheld > 0 || one.cell.from < 3)">
                <Paling
                  :rights="rightsOf(one.cell.rights)"
                  :withheld="rightsOf(one.cell.withheld)"
                  :origin="ORIGIN[one.cell.from]"
                  decorative
                />
                <span class="words">{{ setWords(one.cell.rights, roles) }}</span>
                <span class="small">{{ smallPrint(one.cell) }}</span>
              </template>
              <span v-else-if="one.cell" class="words"
                ><span aria-hidden="true">–</span><span class="sr">nothing</span
                ><span class="small"> {{ smallPrint(one.cell) }}</span></span
              >
              <span v-if="one.strange" class="small">outlier</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="small foot">
        Under each name what the entries come to, and whether they stand here, above, or name another group that the
        subject is in; “more” and “less” say how many people have in fact more or less than that. Outliers are framed.
      </p>
    </section>
  </div>
</template>

<style scoped>
.paper {
  height: 100%;
  overflow: auto;
  padding: 8px 16px 24px;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  padding-bottom: 8px;
}
.bar .v-btn:first-of-type {
  margin-left: auto;
}
.page {
  background: #fff;
  color: #000;
  border: 1px solid var(--pg-line);
  width: 1120px;
  padding: 18px 20px;
  margin-bottom: 14px;
}
.head {
  padding-bottom: 6px;
}
table {
  border-collapse: collapse;
  table-layout: fixed;
  width: 100%;
}
th,
td {
  border: 1px solid #999;
  vertical-align: top;
  padding: 2px 3px;
  text-align: left;
  overflow: hidden;
  font-weight: 400;
}
thead td:first-child {
  width: 170px;
}
thead th {
  height: 128px;
  vertical-align: bottom;
}
.upright {
  font-size: 12px;
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  max-height: 122px;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
tbody th {
  overflow-wrap: anywhere;
}
td.strange {
  outline: 2px dashed #000;
  outline-offset: -2px;
}
td svg {
  width: 58px;
  height: auto;
  display: block;
  color: #000;
}
.words,
.small {
  display: block;
  font-size: 9.5px;
  line-height: 11px;
}
th .small {
  display: inline;
  padding-left: 4px;
}
.foot {
  padding-top: 6px;
}
</style>
<style>
@media print {
  @page {
    size: A4 landscape;
    margin: 9mm;
  }
  html:has(.paper),
  html:has(.paper) body {
    height: auto !important;
    overflow: visible !important;
    background: #fff;
  }
  html:has(.paper) :is(.frame, .beside, .middle, main, .v-application, .v-application__wrap, #app) {
    display: block !important;
    height: auto !important;
    overflow: visible !important;
    background: #fff;
  }
  html:has(.paper) :is(.rail, .tray, .tray-instead, .skip, .outage, .notices, .v-overlay-container),
  .paper > .bar {
    display: none !important;
  }
  .paper {
    height: auto !important;
    overflow: visible !important;
    padding: 0 !important;
  }
  .paper .page {
    border: 0;
    width: auto;
    padding: 0;
    margin: 0;
    break-after: page;
  }
}
</style>
