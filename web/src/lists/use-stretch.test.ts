import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, ref, shallowRef } from 'vue'
import { useStretch } from './useStretch'

const ROW = 44
const HEADS = 34
const HEIGHT = 600
const LONG = 1_500_000_000
const IN_SIGHT = (HEIGHT - HEADS) / ROW

/** A list of so many rows on the screen, scrolled as a browser scrolls: no further than there is, and told of it afterwards. */
function aList(total: number) {
  const moves: [number, number][] = []
  let at = 0
  let stretch!: ReturnType<typeof useStretch>
  const element = {
    clientHeight: HEIGHT,
    get scrollHeight() {
      return HEADS + stretch.count.value * ROW
    },
    get scrollTop() {
      return at
    },
    set scrollTop(to: number) {
      at = Math.max(0, Math.min(to, HEADS + stretch.count.value * ROW - HEIGHT))
    },
  }
  const scroller = shallowRef(element as unknown as HTMLElement)
  const length = ref(total)
  const host = mount(
    defineComponent({
      setup() {
        stretch = useStretch(scroller, () => length.value, () => ROW, (from, until) => moves.push([from, until]))
        return () => null
      },
    }),
  )
  let told = 0
  /** What the list does itself is told too. */
  const tell = () => {
    while (told !== at) {
      told = at
      stretch.scrolled()
    }
  }
  const scrollTo = (to: number) => {
    element.scrollTop = to
    tell()
  }
  const rest = () => {
    vi.advanceTimersByTime(1_000)
    tell()
  }
  const top = () => stretch.base.value + at / ROW
  return { host, stretch, element, length, moves, top, rest, scrollTo, scrollBy: (by: number) => scrollTo(at + by), end: () => element.scrollHeight - HEIGHT }
}

describe('a stretch of a long list', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('is the whole list where that is not too long', () => {
    const list = aList(5_000)
    list.scrollTo(100_000)
    list.rest()
    expect([list.stretch.base.value, list.stretch.count.value, list.element.scrollTop]).toEqual([0, 5_000, 100_000])
  })

  it('is no higher than a browser draws', () => {
    expect(aList(LONG).element.scrollHeight).toBeLessThan(16_000_000)
  })

  it('goes to that part of the list to which the bar is drawn, and to its last row at the end', () => {
    const list = aList(LONG)
    list.scrollTo(list.end() / 2)
    expect(list.top() / LONG).toBeCloseTo(0.5, 3)
    list.scrollTo(list.end())
    expect(list.top() + IN_SIGHT).toBeCloseTo(LONG, 3)
    list.scrollTo(0)
    expect(list.top()).toBe(0)
  })

  it('goes on row by row beyond its ends', () => {
    const list = aList(LONG)
    list.scrollTo(list.end() / 3)
    for (const step of [90, -90]) {
      // Further than a whole stretch.
      for (let i = 0; i < 150_000; i++) {
        const before = list.top()
        list.scrollBy(step)
        if (Math.abs(list.top() - before - step / ROW) > 1e-3) throw new Error(`shows row ${list.top()} after ${before}`)
      }
    }
  })

  it.each([3, 1_000, 700_000_000, LONG - 1_000, LONG - 20])('keeps its row at the top when it rests, and can be scrolled on both ways from there: row %d', (row) => {
    const list = aList(LONG)
    list.scrollTo(row > LONG / 2 ? list.end() : 0)
    list.stretch.reach(row)
    list.scrollTo((row - list.stretch.base.value) * ROW)
    list.rest()
    list.rest()
    expect(list.top()).toBeCloseTo(row, 2)
    for (const step of [-60, 120]) {
      const before = list.top()
      list.scrollBy(step)
      expect(list.top()).toBeCloseTo(before + step / ROW, 2)
    }
  })

  it('says with its bar how much of the list is above, once it rests', () => {
    const list = aList(LONG)
    list.scrollTo(list.end() / 4)
    for (let i = 0; i < 1_000; i++) list.scrollBy(400)
    list.rest()
    expect(list.element.scrollTop / list.end()).toBeCloseTo(0.25, 3)
    expect(list.top()).toBeGreaterThan(LONG / 4 + 9_000)
  })

  it('says which rows go before they do, for the one with the focus', () => {
    const list = aList(LONG)
    list.scrollTo(list.end() / 2)
    expect(list.moves).toEqual([[list.stretch.base.value, list.stretch.base.value + list.stretch.count.value]])
  })

  it('has a row that is to be shown', () => {
    const list = aList(LONG)
    list.stretch.reach(1_000_000_000)
    expect(list.stretch.base.value).toBeLessThanOrEqual(1_000_000_000)
    expect(list.stretch.base.value + list.stretch.count.value).toBeGreaterThan(1_000_000_000)
  })

  it('begins with the first row of another order, and lies within a list that has become shorter', () => {
    const list = aList(LONG)
    list.scrollTo(list.end())
    list.length.value = 250_000
    expect(list.stretch.base.value).toBe(250_000 - list.stretch.count.value)
    list.stretch.begin()
    expect(list.top()).toBe(0)
  })
})
