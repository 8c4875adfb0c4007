<script setup lang="ts">
import { useElementSize, useEventListener, useMutationObserver, useRafFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { branchOf, type Shown } from './axis'
import {
  CELL,
  COLUMN_HEAD,
  drawCell,
  drawColumnHeads,
  drawRowHeads,
  drawStrange,
  inkOf,
  ROW_HEAD,
  type Ink,
} from './draw'
import type { Cell } from './matrix'
import type { useChoice } from './useChoice'

/**
 * The cells of a matrix, drawn on one surface however many there are; both heads stay in sight. It is a grid to keys and to screen readers:
 * the cell where one is has words of its own.
 */
const props = defineProps<{
  label: string
  rows: readonly Shown[]
  columns: readonly Shown[]
  cell: (row: Shown, column: Shown) => Cell | undefined
  /** Whether a cell departs from those beside it; whether it is one of those looked for. */
  strange: (row: Shown, column: Shown) => boolean
  sought: (row: Shown, column: Shown) => boolean
  words: (row: Shown, column: Shown) => string
  choice: ReturnType<typeof useChoice>
  /** Redrawn when it is another. */
  drawn: unknown
}>()
const emit = defineEmits<{
  sight: [rows: [number, number], columns: [number, number]]
  fold: [key: string]
  open: []
  change: []
  /** The next that departs, or the one before. */
  seek: [step: 1 | -1]
  /** All that say the same as the one where one is: in its row, or everywhere. */
  alike: [inRow: boolean]
  hover: [spot: { y: number; x: number } | undefined]
}>()

const scroller = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const { width, height } = useElementSize(scroller)
const top = ref(0)
const left = ref(0)
let ink: Ink | undefined
let stale = true

const sight = computed(() => ({
  rows: [
    Math.floor(top.value / CELL.height),
    Math.min(props.rows.length, Math.ceil((top.value + height.value - COLUMN_HEAD) / CELL.height)) - 1,
  ] as [number, number],
  columns: [
    Math.floor(left.value / CELL.width),
    Math.min(props.columns.length, Math.ceil((left.value + width.value - ROW_HEAD) / CELL.width)) - 1,
  ] as [number, number],
}))

function scrolled() {
  top.value = scroller.value?.scrollTop ?? 0
  left.value = scroller.value?.scrollLeft ?? 0
}

function draw() {
  const surface = canvas.value
  if (surface === undefined || !stale || width.value === 0) return
  stale = false
  const ratio = window.devicePixelRatio
  const wide = Math.round(width.value * ratio)
  const high = Math.round(height.value * ratio)
  if (surface.width !== wide || surface.height !== high) {
    surface.width = wide
    surface.height = high
  }
  const on = surface.getContext('2d')
  if (on === null) return
  ink ??= inkOf(surface)
  on.setTransform(ratio, 0, 0, ratio, 0, 0)
  on.clearRect(0, 0, width.value, height.value)
  const { rows, columns } = sight.value
  const x0 = ROW_HEAD - (left.value % CELL.width)
  const y0 = COLUMN_HEAD - (top.value % CELL.height)
  on.save()
  on.beginPath()
  on.rect(ROW_HEAD, COLUMN_HEAD, width.value, height.value)
  on.clip()
  for (let y = rows[0]; y <= rows[1]; y++) {
    const at = y0 + (y - rows[0]) * CELL.height
    on.fillStyle = ink.line
    on.fillRect(ROW_HEAD, at + CELL.height - 1, width.value, 1)
    for (let x = columns[0]; x <= columns[1]; x++) {
      const from = x0 + (x - columns[0]) * CELL.width
      if (props.choice.has(y, x)) {
        on.fillStyle = ink.chosen
        on.fillRect(from, at, CELL.width - 1, CELL.height - 1)
      }
      const row = props.rows[y]!
      const column = props.columns[x]!
      const cell = props.cell(row, column)
      if (cell === undefined) {
        on.fillStyle = ink.line
        on.fillRect(from + 5, at + 18, 44, 2)
      } else {
        on.globalAlpha = props.sought(row, column) ? 1 : 0.3
        drawCell(on, ink, cell, from, at)
        if (props.strange(row, column)) drawStrange(on, ink, from, at)
        on.globalAlpha = 1
      }
      if (props.choice.active.value.y === y && props.choice.active.value.x === x) {
        on.strokeStyle = ink.foot
        on.lineWidth = 2
        on.strokeRect(from + 1, at + 1, CELL.width - 3, CELL.height - 3)
      }
    }
  }
  on.restore()
  const font = `13px ${getComputedStyle(surface).fontFamily}`
  on.save()
  on.beginPath()
  on.rect(0, COLUMN_HEAD, ROW_HEAD, height.value)
  on.clip()
  drawRowHeads(on, ink, props.rows, rows[0], rows[1], y0, font)
  on.restore()
  on.save()
  on.beginPath()
  on.rect(ROW_HEAD, 0, width.value, COLUMN_HEAD)
  on.clip()
  drawColumnHeads(on, ink, props.columns, columns[0], columns[1], x0, font)
  on.restore()
  on.fillStyle = ink.line
  on.fillRect(ROW_HEAD - 1, 0, 1, height.value)
  on.fillRect(0, COLUMN_HEAD - 1, width.value, 1)
}
useRafFn(draw)
const restale = () => (stale = true)
watch(
  [
    top,
    left,
    width,
    height,
    () => props.drawn,
    () => props.rows,
    () => props.columns,
    props.choice.active,
    props.choice.anchor,
    props.choice.count,
  ],
  restale,
)
watch(
  sight,
  (now) => {
    if (now.rows[1] >= now.rows[0] && now.columns[1] >= now.columns[0]) emit('sight', now.rows, now.columns)
  },
  { immediate: true },
)
// Another theme has other colours.
useMutationObserver(
  [() => document.documentElement, () => document.querySelector<HTMLElement>('.v-application')],
  () => {
    ink = undefined
    stale = true
  },
  { attributes: true, attributeFilter: ['class', 'data-density'] },
)
onMounted(() => void document.fonts?.ready.then(restale))

/** What is under the pointer: a cell, or a head. */
function under(event: MouseEvent) {
  const box = scroller.value!.getBoundingClientRect()
  const x = event.clientX - box.left
  const y = event.clientY - box.top
  const column = Math.floor((x - ROW_HEAD + left.value) / CELL.width)
  const row = Math.floor((y - COLUMN_HEAD + top.value) / CELL.height)
  return { row, column, inRows: x < ROW_HEAD, inColumns: y < COLUMN_HEAD, x, y }
}
/** What is dragged over: cells, or the heads of rows or columns from one on. */
let dragging: { over: 'cells' } | { over: 'rows' | 'columns'; from: number } | undefined
const chooseRows = (from: number, to: number) =>
  props.choice.between({ y: from, x: 0 }, { y: to, x: props.columns.length - 1 })
const chooseColumns = (from: number, to: number) =>
  props.choice.between({ y: 0, x: from }, { y: props.rows.length - 1, x: to })
function pressed(event: MouseEvent) {
  if (event.button !== 0) return
  const at = under(event)
  if (at.x > scroller.value!.clientWidth || at.y > scroller.value!.clientHeight) return
  if (at.inRows && at.inColumns) return
  if (at.inRows) {
    const row = props.rows[at.row]
    if (row === undefined) return
    const mark = 10 + row.head.depth * 13 + 8
    if (row.branch && at.x >= mark - 3 && at.x <= mark + 13) emit('fold', row.head.key)
    else {
      const from = event.shiftKey ? props.choice.anchor.value.y : at.row
      chooseRows(from, at.row)
      dragging = { over: 'rows', from }
    }
  } else if (at.inColumns) {
    const column = props.columns[at.column]
    if (column === undefined) return
    const mark = 10 + Math.min(column.head.depth, 6) * 9 + 8
    if (column.branch && at.y >= mark - 3 && at.y <= mark + 13) emit('fold', column.head.key)
    else {
      const from = event.shiftKey ? props.choice.anchor.value.x : at.column
      chooseColumns(from, at.column)
      dragging = { over: 'columns', from }
    }
  } else if (event.ctrlKey || event.metaKey) {
    props.choice.also({ y: at.row, x: at.column })
  } else {
    props.choice.go({ y: at.row, x: at.column }, event.shiftKey)
    dragging = { over: 'cells' }
  }
}
function moved(event: MouseEvent) {
  if (scroller.value === undefined) return
  const at = under(event)
  if (dragging?.over === 'cells') props.choice.go({ y: at.row, x: at.column }, true)
  else if (dragging?.over === 'rows') chooseRows(dragging.from, at.row)
  else if (dragging?.over === 'columns') chooseColumns(dragging.from, at.column)
  const inside = !at.inRows && !at.inColumns && at.row < props.rows.length && at.column < props.columns.length
  emit('hover', inside ? { y: at.row, x: at.column } : undefined)
}
useEventListener(window, 'mouseup', () => (dragging = undefined))

/** Where one is stays in sight. */
function follow() {
  const box = scroller.value
  if (box === undefined) return
  const { y, x } = props.choice.active.value
  const above = y * CELL.height
  const before = x * CELL.width
  if (above < box.scrollTop) box.scrollTop = above
  else if (above + CELL.height > box.scrollTop + box.clientHeight - COLUMN_HEAD)
    box.scrollTop = above + CELL.height - box.clientHeight + COLUMN_HEAD
  if (before < box.scrollLeft) box.scrollLeft = before
  else if (before + CELL.width > box.scrollLeft + box.clientWidth - ROW_HEAD)
    box.scrollLeft = before + CELL.width - box.clientWidth + ROW_HEAD
}
watch([props.choice.active, width, height], follow, { flush: 'post' })

function keyed(event: KeyboardEvent) {
  const { y, x } = props.choice.active.value
  const page = Math.max(1, sight.value.rows[1] - sight.value.rows[0] - 1)
  const far = event.ctrlKey || event.metaKey
  const steps: Record<string, () => void> = {
    ArrowDown: () => props.choice.go({ y: far ? props.rows.length - 1 : y + 1, x }, event.shiftKey),
    ArrowUp: () => props.choice.go({ y: far ? 0 : y - 1, x }, event.shiftKey),
    ArrowRight: () => props.choice.go({ y, x: far ? props.columns.length - 1 : x + 1 }, event.shiftKey),
    ArrowLeft: () => props.choice.go({ y, x: far ? 0 : x - 1 }, event.shiftKey),
    PageDown: () => props.choice.go({ y: y + page, x }, event.shiftKey),
    PageUp: () => props.choice.go({ y: y - page, x }, event.shiftKey),
    Home: () => props.choice.go({ y: far ? 0 : y, x: 0 }, event.shiftKey),
    End: () => props.choice.go({ y: far ? props.rows.length - 1 : y, x: props.columns.length - 1 }, event.shiftKey),
    Enter: () => emit('open'),
    ' ': () => props.choice.also({ y, x }),
    Escape: () => props.choice.go({ y, x }),
  }
  const single: Record<string, () => void> = {
    c: () => emit('change'),
    '+': () => unfold(false),
    '-': () => unfold(true),
    r: () => props.choice.between({ y: props.choice.anchor.value.y, x: 0 }, { y, x: props.columns.length - 1 }),
    k: () => props.choice.between({ y: 0, x: props.choice.anchor.value.x }, { y: props.rows.length - 1, x }),
    b: chooseBranch,
    l: () => emit('alike', true),
    L: () => emit('alike', false),
    n: () => emit('seek', 1),
    N: () => emit('seek', -1),
  }
  const act =
    far && event.key === 'a'
      ? () => props.choice.between({ y: 0, x: 0 }, { y: props.rows.length - 1, x: props.columns.length - 1 })
      : (steps[event.key] ?? (far || event.altKey ? undefined : single[event.key]))
  if (act === undefined) return
  event.preventDefault()
  event.stopPropagation()
  act()
}
/** Folds, or unfolds, what is above or below the cell where one is: the places if either has them. */
function unfold(fold: boolean) {
  const { y, x } = props.choice.active.value
  const column = props.columns[x]
  const row = props.rows[y]
  if (column?.branch === true && column.folded !== fold) emit('fold', column.head.key)
  else if (row?.branch === true && row.folded !== fold) emit('fold', row.head.key)
}
/** The cells of the row, at the column and all columns below it in the tree. */
function chooseBranch() {
  const { y, x } = props.choice.active.value
  const [, right] = branchOf(props.columns, x)
  const [, bottom] = branchOf(props.rows, y)
  props.choice.between({ y, x }, right > x ? { y, x: right } : { y: bottom, x })
}
const at = computed(() => ({
  row: props.rows[props.choice.active.value.y],
  column: props.columns[props.choice.active.value.x],
}))
/** Another cell is another element: a screen reader hears that one has gone on. */
const cellId = computed(() => `cell-${props.choice.active.value.y}-${props.choice.active.value.x}`)
const said = computed(() => {
  void props.drawn
  return at.value.row === undefined || at.value.column === undefined ? '' : props.words(at.value.row, at.value.column)
})
const focus = () => scroller.value?.focus()
defineExpose({ focus })
</script>

<template>
  <div
    ref="scroller"
    class="matrix"
    role="grid"
    tabindex="0"
    aria-multiselectable="true"
    :aria-label="label"
    :aria-rowcount="rows.length"
    :aria-colcount="columns.length"
    :aria-activedescendant="cellId"
    @scroll.passive="scrolled"
    @keydown="keyed"
    @mousedown="pressed"
    @mousemove="moved"
    @mouseleave="emit('hover', undefined)"
    @dblclick="emit('open')"
  >
    <div
      role="presentation"
      :style="{
        width: `${ROW_HEAD + columns.length * CELL.width}px`,
        height: `${COLUMN_HEAD + rows.length * CELL.height}px`,
      }"
    >
      <canvas ref="canvas" aria-hidden="true" :style="{ width: `${width}px`, height: `${height}px` }"></canvas>
    </div>
    <div class="sr" role="row" :aria-rowindex="choice.active.value.y + 1">
      <div :id="cellId" :key="cellId" role="gridcell" :aria-colindex="choice.active.value.x + 1" :aria-selected="true">
        {{ said }}
      </div>
    </div>
  </div>
</template>

<style scoped>
.matrix {
  position: relative;
  overflow: auto;
  width: 100%;
  height: 100%;
  cursor: default;
  user-select: none;
}
canvas {
  position: sticky;
  top: 0;
  left: 0;
  display: block;
}
.sr {
  top: 0;
  left: 0;
}
</style>
