<script setup lang="ts">
import { useMutationObserver } from '@vueuse/core'
import { CategoryScale, Chart, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'

/** One figure over the months: pointed at, it says its numbers; pressed, it opens what made the step. */
const props = defineProps<{
  title: string
  months: string[]
  lines: { title: string; values: (number | null)[]; dash?: number[] }[]
}>()
const emit = defineEmits<{ open: [month: number] }>()
Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip)
const canvas = ref<HTMLCanvasElement>()
let chart: Chart<'line'> | undefined

function colours() {
  const style = getComputedStyle(canvas.value!)
  const theme = (name: string, alpha = 1) => `rgba(${style.getPropertyValue(`--v-theme-${name}`)}, ${alpha})`
  return {
    line: theme('on-surface'),
    quiet: theme('on-surface', 0.76),
    grid: theme('on-surface', 0.1),
    font: style.fontFamily,
  }
}
function draw() {
  if (canvas.value === undefined) return
  chart?.destroy()
  const ink = colours()
  chart = new Chart(canvas.value, {
    type: 'line',
    data: {
      labels: props.months,
      datasets: props.lines.map((line) => ({
        label: line.title,
        data: line.values,
        borderColor: ink.line,
        backgroundColor: ink.line,
        borderWidth: 1.6,
        borderDash: line.dash ?? [],
        pointRadius: 0,
        pointHitRadius: 8,
        pointHoverRadius: 3.5,
        stepped: 'before' as const,
      })),
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      interaction: { mode: 'index', intersect: false },
      onClick: (_event, found) => {
        if (found[0] !== undefined) emit('open', found[0].index)
      },
      scales: {
        x: {
          grid: { display: false },
          ticks: { color: ink.quiet, font: { family: ink.font, size: 11 }, maxTicksLimit: 3, maxRotation: 0 },
        },
        y: {
          beginAtZero: true,
          grid: { color: ink.grid },
          border: { display: false },
          ticks: { color: ink.quiet, font: { family: ink.font, size: 11 }, precision: 0, maxTicksLimit: 3 },
        },
      },
      plugins: { tooltip: { displayColors: false, titleFont: { family: ink.font }, bodyFont: { family: ink.font } } },
    },
  })
}
onMounted(draw)
// Another theme has other colours.
useMutationObserver(() => document.querySelector<HTMLElement>('.v-application'), draw, {
  attributes: true,
  attributeFilter: ['class'],
})
watch(() => [props.months, props.lines], draw)
onBeforeUnmount(() => chart?.destroy())
</script>

<template>
  <div class="chart"><canvas ref="canvas" aria-hidden="true"></canvas></div>
</template>

<style scoped>
.chart {
  position: relative;
  height: 104px;
}
</style>
