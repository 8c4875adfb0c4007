import { describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { useChoice } from './useChoice'

describe('choosing among what is listed', () => {
  const listed = ref(['a', 'b', 'c', 'd', 'e'])

  it('takes one, with Shift all between whichever way, and gives them back the same way', () => {
    const chosen = ref<string[]>([])
    const { toggle } = useChoice(() => listed.value, chosen)
    toggle('d', false)
    toggle('b', true)
    expect([...chosen.value].sort()).toEqual(['b', 'c', 'd'])
    toggle('c', false)
    expect([...chosen.value].sort()).toEqual(['b', 'd'])
    toggle('b', true)
    expect(chosen.value).toEqual(['d'])
  })

  it('takes just one with Shift where the last one is not listed any more', () => {
    const chosen = ref<string[]>([])
    const ids = ref(['x', 'y', 'z'])
    const { toggle } = useChoice(() => ids.value, chosen)
    toggle('x', false)
    ids.value = ['y', 'z']
    toggle('z', true)
    expect(chosen.value).toEqual(['x', 'z'])
  })

  it('takes all that are listed and leaves what is not', () => {
    const chosen = ref(['elsewhere', 'b'])
    const { all, some, toggleAll } = useChoice(() => listed.value, chosen)
    expect([all.value, some.value]).toEqual([false, true])
    toggleAll()
    expect([all.value, some.value]).toEqual([true, false])
    expect(chosen.value).toHaveLength(6)
    toggleAll()
    expect(chosen.value).toEqual(['elsewhere'])
  })

  it('has nothing to take in an empty list', () => {
    const chosen = ref<string[]>([])
    expect(useChoice(() => [], chosen).all.value).toBe(false)
  })
})
