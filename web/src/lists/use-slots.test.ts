import { describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { useSlots } from './useSlots'

const range = (from: number, until: number) => Array.from({ length: until - from }, (_, i) => from + i)

describe('the slots in which rows are drawn', () => {
  it('stay with their rows while those are in sight', () => {
    const rows = ref(range(0, 10))
    const slots = useSlots(() => rows.value, () => false, () => true)
    const before = new Map(slots.value)
    rows.value = range(3, 13)
    for (const row of range(3, 10)) expect(slots.value.get(row)).toBe(before.get(row))
  })

  it('go from rows that leave to rows that come', () => {
    const rows = ref(range(0, 10))
    const slots = useSlots(() => rows.value, () => false, () => true)
    const before = new Map(slots.value)
    rows.value = range(2, 12)
    expect([slots.value.get(10), slots.value.get(11)].sort()).toEqual([before.get(0), before.get(1)].sort())
  })

  it('are never shared, however the list is scrolled, and are never many more than rows in sight', () => {
    const rows = ref<number[]>([])
    const slots = useSlots(() => rows.value, () => false, () => true)
    let seed = 7
    for (let i = 0; i < 500; i++) {
      seed = (seed * 48_271) % 2_147_483_647
      const from = seed % 400
      // The row with the focus stays, wherever the list is.
      rows.value = [...new Set([17, ...range(from, from + 5 + (seed % 20))])]
      const used = [...slots.value.values()]
      expect(new Set(used).size).toBe(rows.value.length)
      expect(Math.max(...used)).toBeLessThan(40)
    }
  })

  it('of the row with the focus is never given to another', () => {
    const rows = ref([...range(0, 10)])
    const slots = useSlots(() => rows.value, () => false, () => true)
    const focused = slots.value.get(4)
    for (const from of [20, 300, 7, 90]) {
      rows.value = [4, ...range(from, from + 10)]
      expect(slots.value.get(4)).toBe(focused)
      expect([...slots.value.entries()].filter(([, slot]) => slot === focused)).toEqual([[4, focused]])
    }
  })

  it('are not taken over while a row has the focus: the order of what is drawn stays, so nothing is moved', () => {
    const rows = ref(range(30, 45))
    const slots = useSlots(() => rows.value, () => true, () => true)
    for (const from of [31, 40, 500, 9_000, 495]) {
      const before = new Map(slots.value)
      rows.value = [39, ...range(from, from + 15)].filter((row, i, all) => all.indexOf(row) === i).sort((a, b) => a - b)
      const used = new Set(before.values())
      for (const [row, slot] of slots.value) {
        if (before.has(row)) expect(slot).toBe(before.get(row))
        else expect(used.has(slot), `row ${row} takes a slot of a row that was drawn`).toBe(false)
      }
    }
  })

  it('stay in their places while the list is scrolled, and follow each other as the rows do once it rests', () => {
    const rows = ref(range(0, 10))
    const scrolled = ref(false)
    const slots = useSlots(() => rows.value, () => false, () => scrolled.value)
    const places = () => [...slots.value.values()]
    const before = places()
    scrolled.value = true
    for (const from of [1, 4, 60, 58]) {
      rows.value = range(from, from + 10)
      expect(places()).toEqual(before)
    }
    const inSlots = new Map(slots.value)
    scrolled.value = false
    expect([...slots.value.keys()]).toEqual(range(58, 68))
    expect(new Map([...slots.value].sort())).toEqual(new Map([...inSlots].sort()))
  })
})
