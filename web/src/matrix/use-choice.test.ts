import { describe, expect, it } from 'vitest'
import { computed, ref } from 'vue'
import { useChoice } from './useChoice'

const made = (rows = ['r0', 'r1', 'r2'], columns = ['c0', 'c1', 'c2']) => {
  const shown = ref(rows)
  return {
    shown,
    choice: useChoice(
      computed(() => shown.value),
      ref(columns),
    ),
  }
}

describe('choosing cells', () => {
  it('chooses the cell where one is, and all up to where one goes with Shift', () => {
    const { choice } = made()
    choice.go({ y: 1, x: 1 })
    expect(choice.pairs()).toEqual([['r1', 'c1']])
    choice.go({ y: 2, x: 2 }, true)
    expect(choice.count.value).toBe(4)
    choice.go({ y: 0, x: 0 })
    expect(choice.count.value).toBe(1)
  })

  it('adds single cells beside what is chosen, and counts none twice', () => {
    const { choice } = made()
    choice.between({ y: 0, x: 0 }, { y: 0, x: 2 })
    choice.also({ y: 2, x: 1 })
    choice.also({ y: 0, x: 1 })
    expect(choice.count.value).toBe(4)
    expect(choice.has(2, 1)).toBe(true)
    expect(choice.has(1, 1)).toBe(false)
  })

  it('stays within what is shown', () => {
    const { choice } = made()
    choice.go({ y: 9, x: -4 })
    expect(choice.active.value).toEqual({ y: 2, x: 0 })
  })

  it('keeps what is chosen by its heads when the matrix is folded', () => {
    const { shown, choice } = made()
    choice.choose([
      { y: 2, x: 0 },
      { y: 2, x: 2 },
    ])
    shown.value = ['r0', 'r2']
    choice.settle()
    expect(choice.has(1, 0)).toBe(true)
    expect(choice.has(1, 1)).toBe(false)
    expect(choice.pairs()).toContainEqual(['r2', 'c2'])
  })

  it('chooses nothing where there is nothing', () => {
    const { choice } = made([], [])
    expect(choice.count.value).toBe(0)
    expect(choice.pairs()).toEqual([])
  })
})
