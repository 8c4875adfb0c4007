import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'

export type Density = 'compact' | 'comfortable'

/** How high a row of a list is that says one thing on one line, in pixels. */
const ROW: Record<Density, number> = { compact: 27, comfortable: 44 }

/** By the account, since several people may use one browser. */
const kept = useLocalStorage<Record<string, Density>>('palegate-density', {})
let person = ''

/** Says whose choice counts; compact as long as they have not chosen. */
export function densityOf(login: string) {
  person = login
  show()
}

const density = computed<Density>(() => kept.value[person] ?? 'compact')

function show() {
  document.documentElement.dataset.density = kept.value[person] ?? 'compact'
}

export function useDensity() {
  return {
    density,
    row: computed(() => ROW[density.value]),
    choose(chosen: Density) {
      kept.value = { ...kept.value, [person]: chosen }
      show()
    },
  }
}
