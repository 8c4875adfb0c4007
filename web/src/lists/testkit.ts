import { flushPromises } from '@vue/test-utils'
import { vi } from 'vitest'

/** Gives what is drawn a size, which it has on a screen only: so many rows of a list are in sight at once. */
export function inSight(rows: number) {
  const ROW = 40
  function size(this: HTMLElement) {
    return this.hasAttribute('data-row') ? ROW : ROW * rows
  }
  for (const side of ['clientHeight', 'offsetHeight', 'clientWidth', 'offsetWidth'] as const) {
    vi.spyOn(HTMLElement.prototype, side, 'get').mockImplementation(size)
  }
}

/** Waits as long as a search waits after the last key, and for what it finds. */
export async function paused() {
  vi.advanceTimersByTime(200)
  await flushPromises()
}
