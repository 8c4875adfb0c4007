<script setup lang="ts" generic="T">
import { defaultRangeExtractor, useVirtualizer, type Range } from '@tanstack/vue-virtual'
import { watchDebounced } from '@vueuse/core'
import { computed, nextTick, ref, watch, type ComponentPublicInstance } from 'vue'
import { useDensity } from '@/common/density'
import { counted } from '@/common/words'
import type { Listed, Part } from './part'
import { usePages } from './usePages'
import { useRowKeys } from './useRowKeys'
import { useSlots } from './useSlots'
import { useStretch } from './useStretch'

/** A list of any length: only the rows in sight exist, only the pages in sight are fetched. It is searched and put in order where it is kept. */
const props = withDefaults(
  defineProps<{
    /** What the table is called, for screen readers. */
    label: string
    /** Names what is listed; a new key is a new list. */
    queryKey: unknown[]
    /** Fetches a part of the list. */
    fetch: (part: Part) => Promise<{ total: number; items: T[] }>
    /** A column with `sort` can be sorted by; with a minus it begins with the most. */
    columns: { title: string; width: string; sort?: string; silent?: boolean }[]
    /** How high a row is, in pixels, if not as somebody wishes rows of one line; of rows that grow, how high one usually is. */
    rowHeight?: number | undefined
    /** Says that a row is as high as what it holds, and may break its lines. */
    grows?: boolean
    /** Says that the columns may be wider than the list: it is scrolled sideways too, and the first column stays. */
    wide?: boolean
    /** Said when there is nothing. */
    empty: string
    /** Names the field in which rows are looked for by a text; without it there is none. */
    find?: string
    /** Where that field stands, as a selector, if not above the list: beside the title of the room. */
    findIn?: string
    /** What may be dropped on a row, as the kind of data a drag carries. */
    takes?: string
    /** Within a page that scrolls: as high as its rows, but no more than so many of them. Without it the list fills what holds it. */
    atMost?: number
    /** Says that a row shows nothing but its item: while the list is scrolled, rows that stay in sight are not made anew. */
    still?: boolean
  }>(),
  { rowHeight: undefined, grows: false, wide: false, find: undefined, findIn: undefined, takes: undefined, atMost: undefined, still: false },
)
const emit = defineEmits<{ dropped: [item: T, carried: string]; listed: [what: Listed] }>()
defineSlots<{ row(props: { item: T; index: number; sort: string | undefined }): unknown }>()

/** How long after the last key a search begins, in milliseconds. */
const PAUSE = 180
/** So many rows beyond those in sight are drawn, and fewer while the list is scrolled. */
const BEYOND = 8
const BEYOND_SCROLLED = 4
/** The heads of the columns lie over the rows, so many pixels high. */
const HEAD = 30

const { row: ofOneLine } = useDensity()
const rowHeight = computed(() => props.rowHeight ?? ofOneLine.value)

const sort = ref<string>()
const typed = ref('')
const text = ref('')
watchDebounced(typed, (now) => (text.value = (now ?? '').trim()), { debounce: PAUSE })
const key = computed(() => [...props.queryKey, { text: text.value, sort: sort.value ?? '' }])

/** The first click sorts as the column wishes, the next ones turn it round. */
function sortBy(column: string) {
  sort.value = sort.value === column ? turned(column) : column
}
function turned(order: string): string {
  return order.startsWith('-') ? order.slice(1) : `-${order}`
}
function ariaSort(column: string | undefined): 'ascending' | 'descending' | 'none' | undefined {
  if (column === undefined) return undefined
  if (sort.value !== column && sort.value !== turned(column)) return 'none'
  return sort.value.startsWith('-') ? 'descending' : 'ascending'
}

const scroller = ref<HTMLElement | null>(null)
/** The row that has the focus, or that the arrow keys are on the way to. */
const active = ref<number>()
const { first, total, look, itemAt } = usePages(
  () => key.value,
  (offset, limit) => props.fetch({ offset, limit, text: text.value === '' ? undefined : text.value, sort: sort.value }),
  () => active.value,
)
/** As a text: whoever hears of it draws the list again, with a key that is another object and says the same. */
const named = computed(() => JSON.stringify(key.value))
watch([named, total], () => emit('listed', { list: named.value, total: total.value, text: text.value === '' ? undefined : text.value, sort: sort.value }), { immediate: true })
/** Said below the heads of the columns: a table may hold nothing but rows. */
const nothing = computed(() => first.isError.value || (first.isSuccess.value && total.value === 0))

/** A handful of rows is seen at a glance: there is nothing to look for. Once there were more, the field stays. */
const FEW = 8
const findable = ref(false)
watch(total, (now) => (findable.value ||= props.find !== undefined && now > FEW), { immediate: true })

/** The rows in sight and the one with the focus, which would be lost if its row were taken away. */
function keeping(kept: number | undefined) {
  return (range: Range) => {
    const seen = defaultRangeExtractor({ ...range, overscan: virtualizer.value.isScrolling ? BEYOND_SCROLLED : BEYOND })
    return kept === undefined || kept < 0 || kept >= range.count || seen.includes(kept) ? seen : [...seen, kept].sort((a, b) => a - b)
  }
}

const { base, count, scrolled, reach, begin } = useStretch(scroller, () => total.value, () => rowHeight.value, (from, until) => {
  // What has the focus and goes far out of sight hands it to the list.
  if (active.value !== undefined && (active.value < from || active.value >= until)) scroller.value?.focus({ preventScroll: true })
})
watch([text, sort], begin)
watch(rowHeight, () => virtualizer.value.measure())

const virtualizer = useVirtualizer(
  computed(() => ({
    count: count.value,
    getScrollElement: () => scroller.value,
    estimateSize: () => rowHeight.value,
    scrollPaddingEnd: HEAD,
    rangeExtractor: keeping(active.value === undefined ? undefined : active.value - base.value),
  })),
)
const rows = computed(() => virtualizer.value.getVirtualItems().map((laid) => ({ index: base.value + laid.index, start: laid.start, laid: laid.index })))
/** Without the row that is only kept for its focus. */
const inSight = computed(() => {
  const range = virtualizer.value.range
  return range === null ? undefined : { first: base.value + range.startIndex, last: base.value + range.endIndex }
})
watch(inSight, (now) => now && look(now), { immediate: true })

/** Rows that show more than their items may be forms, in which something is being typed: each is made for its own item. */
const slots = useSlots(
  () => rows.value.map((row) => row.index),
  () => active.value !== undefined,
  () => virtualizer.value.isScrolling,
)
/** The rows in the order in which they are drawn. */
const drawn = computed(() => {
  const inOrder = rows.value
  if (!props.still || props.grows) return inOrder.map((row) => ({ ...row, slot: row.index }))
  const byIndex = new Map(inOrder.map((row) => [row.index, row]))
  return [...slots.value].map(([index, slot]) => ({ ...byIndex.get(index)!, slot }))
})

/** The row something is carried over that may be dropped there. */
const under = ref<number>()

function carriedOver(event: DragEvent, index: number) {
  if (props.takes === undefined || !event.dataTransfer?.types.includes(props.takes)) return
  event.preventDefault()
  under.value = index
}

function drop(event: DragEvent, index: number) {
  under.value = undefined
  const item = itemAt(index)
  const carried = props.takes === undefined ? undefined : event.dataTransfer?.getData(props.takes)
  if (!carried || item === undefined) return
  event.preventDefault()
  emit('dropped', item, carried)
}

const template = computed(() => props.columns.map((column) => column.width).join(' '))

/** What a row is made from; while all of it is the same, the row stays as it is. */
function madeFrom(index: number, start: number): unknown[] {
  return props.still ? [index, itemAt(index), start, index === under.value, sort.value] : [{}]
}

const ownHeight = computed(() =>
  props.atMost === undefined || nothing.value ? undefined : { flex: 'none', height: `${HEAD + Math.min(virtualizer.value.getTotalSize(), props.atMost * rowHeight.value)}px` },
)

function setScroller(element: Element | ComponentPublicInstance | null) {
  scroller.value = element instanceof HTMLElement ? element : null
}

function measured(element: Element | ComponentPublicInstance | null) {
  if (props.grows && element instanceof Element) virtualizer.value.measureElement(element)
}

function show(row: number) {
  reach(row)
  active.value = row
  virtualizer.value.scrollToIndex(row - base.value, { align: 'auto' })
}

const { rowOf, enter, press, move, entered, left } = useRowKeys(scroller, active, () => total.value, () => inSight.value?.first ?? 0, show)

/** The row to show as soon as it is there. */
let awaited: number | undefined
watch(total, async (now) => {
  if (awaited === undefined || awaited >= now) return
  const wanted = awaited
  awaited = undefined
  show(wanted)
  await nextTick()
  const row = rowOf(wanted)
  const field = row?.querySelector<HTMLElement>('input') ?? row
  field?.focus()
})

/** Shows a row that is about to come, and puts the focus in its first field: in the list's own order, of all that it holds. */
function showWhenThere(index: number) {
  sort.value = undefined
  typed.value = ''
  text.value = ''
  awaited = index
}
defineExpose({ showWhenThere })
</script>

<template>
  <div class="paged" :class="{ own: atMost !== undefined }">
    <Teleport defer :to="findIn ?? 'body'" :disabled="findIn === undefined">
      <div v-if="findable" class="find" :class="{ inTitle: findIn !== undefined }">
        <v-text-field v-model="typed" :label="find" :data-find="findIn !== undefined || undefined" clearable hide-details @click:clear="typed = ''" />
        <span class="quiet" role="status">{{
          text !== '' && first.isSuccess.value && !first.isPlaceholderData.value ? counted(total, 'match', 'matches') : ''
        }}</span>
      </div>
    </Teleport>
    <div
      :ref="setScroller"
      class="scroller"
      :class="{ nothing, grows, wide }"
      role="table"
      tabindex="0"
      :style="ownHeight"
      :aria-label="label"
      :aria-rowcount="total + 1"
      :aria-busy="first.isFetching.value"
      @scroll.capture="scrolled"
      @keydown="move"
      @keydown.enter="enter"
      @click="press"
      @focusin="entered"
      @focusout="left"
    >
      <div class="inner" :style="{ '--columns': template, '--row': `${rowHeight}px` }">
        <div role="rowgroup" class="head">
          <div role="row" class="line">
            <div v-for="column in columns" :key="column.title" role="columnheader" :title="column.title" :aria-sort="ariaSort(column.sort)">
              <button v-if="column.sort !== undefined" type="button" class="sorter" :data-on="ariaSort(column.sort)" @click="sortBy(column.sort)">
                {{ column.title }}
              </button>
              <span v-else :class="{ sr: column.silent }">{{ column.title }}</span>
            </div>
          </div>
        </div>
        <div v-show="!nothing" role="rowgroup" class="rows" :style="{ height: `${virtualizer.getTotalSize()}px` }">
          <div
            v-for="row in drawn"
            :key="row.slot"
            :ref="measured"
            v-memo="madeFrom(row.index, row.start)"
            role="row"
            class="line body"
            tabindex="-1"
            :data-row="row.index"
            :data-index="row.laid"
            :aria-rowindex="row.index + 2"
            :data-under="row.index === under || undefined"
            :style="`transform:translateY(${row.start}px)`"
            @dragover="carriedOver($event, row.index)"
            @dragleave="under = undefined"
            @drop="drop($event, row.index)"
          >
            <slot v-if="itemAt(row.index) !== undefined" name="row" :item="itemAt(row.index) as T" :index="row.index" :sort="sort" />
            <div v-else role="cell" class="quiet">…</div>
          </div>
        </div>
      </div>
    </div>
    <p v-if="first.isError.value" class="fault" role="alert">{{ first.error.value?.message }}</p>
    <p v-else-if="nothing" class="empty" role="status">{{ text === '' ? empty : `Nothing with “${text}” in it.` }}</p>
  </div>
</template>

<style scoped>
.paged {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
}
.paged.own {
  height: auto;
}
.find {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 6px 14px;
  border-bottom: 1px solid var(--pg-line);
}
.find.inTitle {
  flex: 1;
  padding: 0;
  border: 0;
}
.find > :first-child {
  max-width: 340px;
}
/* Never higher than the window, whatever it stands in: only then do no more rows exist than are in sight. */
.scroller {
  flex: 1;
  min-height: 0;
  max-height: 100vh;
  overflow: auto;
}
@media (max-width: 900px) {
  .scroller {
    max-height: max(70vh, 240px);
  }
}
.scroller.nothing {
  flex: none;
}
/* Heads and rows are as wide as the heads are, and no narrower than the list. */
.wide > .inner {
  width: max-content;
  min-width: 100%;
}
.scroller.wide .line > :first-child {
  position: sticky;
  left: 0;
  margin-left: -14px;
  padding-left: 14px;
  align-self: stretch;
  display: flex;
  align-items: center;
  background: rgb(var(--v-theme-surface));
  z-index: 1;
}
.rows {
  position: relative;
}
.line {
  display: grid;
  grid-template-columns: var(--columns);
  column-gap: 14px;
  align-items: center;
  padding: 0 14px;
}
.line > :deep(*) {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
.head {
  position: sticky;
  top: 0;
  z-index: 2;
  height: 30px;
  background: rgb(var(--v-theme-surface));
  border-bottom: 1px solid rgba(var(--v-theme-on-surface), 0.34);
  font-weight: 600;
  padding: 4px 0;
}
.body {
  position: absolute;
  left: 0;
  right: 0;
  height: var(--row);
  border-bottom: 1px solid var(--pg-line);
  white-space: nowrap;
  contain: layout paint style;
}
.scroller:not(.grows) .body :deep(.person) {
  flex-wrap: nowrap;
}
.grows .body {
  height: auto;
  white-space: normal;
  overflow-wrap: anywhere;
}
/* A row that grows cuts nothing off: labels of fields stand on their frames. */
.grows .body > :deep(*) {
  overflow: visible;
}
.body:focus-visible {
  outline-offset: -2px;
}
.body[data-under] {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: -2px;
}
.empty {
  padding: 22px 14px;
}
</style>
