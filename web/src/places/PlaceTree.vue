<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useNotices } from '@/common/useNotices'
import { counted } from '@/common/words'
import { useTree, type PlaceNode } from './useTree'

const props = defineProps<{
  /** The place that is shown beside the tree. */
  selected: string | undefined
  /** The path down to it: the tree opens along it. */
  path: { id: string }[]
  /** Changes whenever the draft or the structure does. */
  state: string
}>()
const emit = defineEmits<{ choose: [id: string] }>()

const ROW = 30
const tree = useTree()
const notices = useNotices()
const scroller = ref<HTMLElement>()
const active = ref<string>()
const activeRow = computed(() => Math.max(0, tree.rows.value.findIndex((row) => row.id === (active.value ?? props.selected))))

const virtualizer = useVirtualizer(
  computed(() => ({ count: tree.rows.value.length, getScrollElement: () => scroller.value ?? null, estimateSize: () => ROW, overscan: 15 })),
)

const shown = computed(() =>
  virtualizer.value.getVirtualItems().flatMap((item) => {
    const node = tree.rows.value[item.index]
    return node === undefined ? [] : [{ item, node }]
  }),
)

onMounted(async () => {
  try {
    await tree.begin()
    await showSelected()
  } catch (error) {
    notices.fail(error)
  }
})
watch(
  () => props.path.map((post) => post.id).join(),
  () => void showSelected(),
)
watch(
  () => props.state,
  () => void tree.refresh().catch(notices.fail),
)

async function showSelected() {
  if (props.path.length === 0) return
  await tree.reveal(props.path)
  active.value = props.selected
  await nextTick()
  virtualizer.value.scrollToIndex(activeRow.value, { align: 'auto' })
}

function canOpen(node: PlaceNode): boolean {
  return node.containers + node.papers > 0
}

async function toggle(node: PlaceNode) {
  if (tree.expanded.has(node.id)) tree.collapse(node.id)
  else await tree.expand(node.id).catch(notices.fail)
}

async function go(index: number) {
  const row = tree.rows.value[Math.max(0, Math.min(tree.rows.value.length - 1, index))]
  if (row === undefined) return
  active.value = row.id
  virtualizer.value.scrollToIndex(activeRow.value, { align: 'auto' })
  await nextTick()
  scroller.value?.querySelector<HTMLElement>(`[data-id="${CSS.escape(row.id)}"]`)?.focus()
}

async function pressed(event: KeyboardEvent) {
  const node = tree.rows.value[activeRow.value]
  if (node === undefined) return
  const open = tree.expanded.has(node.id)
  const actions: Record<string, () => Promise<void> | void> = {
    ArrowDown: () => go(activeRow.value + 1),
    ArrowUp: () => go(activeRow.value - 1),
    Home: () => go(0),
    End: () => go(tree.rows.value.length - 1),
    ArrowRight: () => (open ? go(activeRow.value + 1) : canOpen(node) ? toggle(node) : undefined),
    ArrowLeft: () => (open ? tree.collapse(node.id) : go(tree.rows.value.findIndex((row) => row.id === node.parent))),
    Enter: () => emit('choose', node.id),
    ' ': () => emit('choose', node.id),
  }
  const action = actions[event.key]
  if (action !== undefined) {
    event.preventDefault()
    await action()
  }
}

function label(node: PlaceNode): string {
  const alone = node.standsAlone && node.kind !== 'repository' ? ', stands alone' : ''
  const below = node.breaksBelow > 0 ? `, ${counted(node.breaksBelow, 'break')} below` : ''
  const wall = node.walled ? ', a wall stands here' : ''
  const limits = node.limits === 'HERE' ? ', a ceiling or house rules stand here' : node.limits === 'ABOVE' ? ', limited from above' : ''
  return `${node.name}, ${node.kind}${alone}${wall}${limits}${below}`
}
</script>

<template>
  <div ref="scroller" class="tree" role="tree" aria-label="Places" @keydown="pressed">
    <div role="presentation" :style="{ height: `${virtualizer.getTotalSize()}px`, position: 'relative' }">
      <div
        v-for="{ item, node } in shown"
        :key="node.id"
        role="treeitem"
        class="node"
        :class="node.kind"
        :data-id="node.id"
        :aria-label="label(node)"
        :aria-level="node.depth + 1"
        :aria-selected="node.id === selected"
        :aria-expanded="canOpen(node) ? tree.expanded.has(node.id) : undefined"
        :tabindex="item.index === activeRow ? 0 : -1"
        :style="{ transform: `translateY(${item.start}px)`, height: `${ROW}px`, paddingLeft: `${6 + node.depth * 16}px` }"
        @click="emit('choose', node.id)"
        @focus="active = node.id"
      >
        <span
          class="opener"
          aria-hidden="true"
          @click.stop="canOpen(node) && toggle(node)"
          >{{ canOpen(node) ? (tree.expanded.has(node.id) ? '−' : '+') : '' }}</span
        >
        <svg class="rail" width="12" :height="ROW" :viewBox="`0 0 12 ${ROW}`" aria-hidden="true">
          <path v-if="node.standsAlone" d="M6 0V7M6 23V30M1 8H11M1 22H11" />
          <path v-else d="M6 0V30" />
          <path v-if="node.limits === 'HERE'" class="lintel" d="M0 4H12M0 6.5H12" />
          <path v-else-if="node.limits === 'ABOVE'" class="lintel" d="M10 0V30" />
          <path v-if="node.walled" class="hatch" d="M1 13L11 8M1 18L11 13M1 23L11 18" />
        </svg>
        <span class="name">{{ node.name }}</span>
        <span v-if="node.breaksBelow > 0 && !tree.expanded.has(node.id)" class="below" aria-hidden="true">{{
          counted(node.breaksBelow, 'break')
        }}</span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.tree {
  height: 100%;
  overflow: auto;
  padding: 4px 0;
}
.node {
  position: absolute;
  left: 0;
  right: 0;
  display: flex;
  align-items: center;
  gap: 4px;
  padding-right: 10px;
  cursor: pointer;
  white-space: nowrap;
}
.node:hover {
  background: rgba(var(--v-theme-on-surface), 0.06);
}
.node[aria-selected='true'] {
  background: rgba(var(--v-theme-primary), 0.16);
  font-weight: 600;
}
.node:focus-visible {
  outline-offset: -2px;
}
.opener {
  width: 18px;
  flex: none;
  text-align: center;
  color: var(--pg-quiet);
}
.rail {
  flex: none;
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 2;
}
.rail .hatch {
  stroke: rgb(var(--v-theme-primary));
}
.document .rail,
.link .rail {
  stroke-width: 1;
}
.link .name {
  font-style: italic;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  padding-left: 4px;
}
.below {
  margin-left: auto;
  font-size: 0.82rem;
  color: var(--pg-quiet);
  padding-left: 8px;
}
.lintel {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 1.4;
}
</style>
