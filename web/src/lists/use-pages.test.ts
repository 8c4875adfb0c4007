import { describe, expect, it } from 'vitest'
import { isSameList } from './usePages'

describe('whether two keys name one list', () => {
  it('is decided by the words at their beginning', () => {
    expect(isSameList(['groups', 'members', 'g-1', 'v1', { text: '' }], ['groups', 'members', 'g-1', 'v2', { text: 'a' }])).toBe(true)
    expect(isSameList(['groups', 'members', 'g-1'], ['groups', 'members', 'g-2'])).toBe(false)
    expect(isSameList(['statement', 'PLACE', 'lib-a', true], ['statement', 'PLACE', 'lib-b', true])).toBe(false)
  })

  it('does not take another version for another list', () => {
    expect(isSameList(['roles', 'list', 1], ['roles', 'list', 2])).toBe(true)
  })
})
