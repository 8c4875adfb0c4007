import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import Paling from './Paling.vue'
import { LETS, palingWords, RIGHTS } from './rights'

describe('the paling', () => {
  it('always has nine pickets in the fixed order', () => {
    const drawn = mount(Paling, { props: { rights: ['govern', 'find'] } })
    expect(drawn.findAll('[data-right]').map((picket) => picket.attributes('data-right'))).toEqual([...RIGHTS])
  })

  it('draws what is held, what is not, and what was withheld differently', () => {
    const drawn = mount(Paling, { props: { rights: ['find', 'read', 'copy'], withheld: ['copy'] } })
    const states = Object.fromEntries(drawn.findAll('[data-right]').map((picket) => [picket.attributes('data-right'), picket.attributes('data-state')]))
    expect(states).toMatchObject({ find: 'held', copy: 'withheld', add: 'stub' })
  })

  it('stands on a solid foot where it is given and on a dotted one through another group', () => {
    const foot = (origin: 'HERE' | 'ABOVE' | 'THROUGH_GROUP') => mount(Paling, { props: { rights: ['find'], origin } }).find('.foot')
    expect(foot('HERE').classes()).toEqual(['foot'])
    expect(foot('THROUGH_GROUP').classes()).toContain('dotted')
    expect(foot('ABOVE').exists()).toBe(false)
  })

  it('says the same in words', () => {
    expect(palingWords(['read', 'find'], [], 'HERE', 'Reader')).toBe('Reader: find, read, given here')
    expect(palingWords([], ['copy', 'revise'])).toBe('no rights; withheld: copy, revise')
    expect(palingWords(RIGHTS)).toBe('all nine rights')
  })

  it('is hidden from screen readers where words beside it say the same', () => {
    const drawn = mount(Paling, { props: { rights: ['find'], decorative: true } })
    expect(drawn.attributes('aria-hidden')).toBe('true')
    expect(drawn.attributes('role')).toBeUndefined()
  })

  it('has a sentence for each right', () => {
    expect(Object.keys(LETS)).toEqual([...RIGHTS])
  })

  it('is a solid plate across all nine behind a wall, in words too', () => {
    const drawn = mount(Paling, { props: { rights: [], walled: true } })
    expect(drawn.find('[data-state="walled"]').exists()).toBe(true)
    expect(drawn.attributes('aria-label')).toBe('A wall bars all nine rights')
  })
})
