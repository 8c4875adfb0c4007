import { mount, type VueWrapper } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import Paling from './Paling.vue'
import { LETS, palingWords, RIGHTS } from './rights'

/** How each right is drawn, and where its picket stands. */
function pickets(drawn: VueWrapper): Record<string, { state: string; x: number }> {
  return Object.fromEntries(
    drawn.findAll('[data-rights]').flatMap((shape) => {
      const state = shape.attributes('data-state')!
      // One that was withheld is in two pieces.
      const starts = [...shape.attributes('d')!.matchAll(/M(\d+)/g)].map((found) => Number(found[1])).filter((_, i) => state !== 'withheld' || i % 2 === 0)
      return shape.attributes('data-rights')!.split(' ').map((right, i) => [right, { state, x: starts[i]! }])
    }),
  )
}

describe('the paling', () => {
  it('always has nine pickets in the fixed order', () => {
    for (const rights of [[], ['govern', 'find'], [...RIGHTS]]) {
      const drawn = pickets(mount(Paling, { props: { rights, withheld: ['add'] } }))
      expect(Object.keys(drawn).sort((a, b) => drawn[a]!.x - drawn[b]!.x)).toEqual([...RIGHTS])
      expect(new Set(Object.values(drawn).map(({ x }) => x)).size).toBe(9)
    }
  })

  it('draws what is held, what is not, and what was withheld differently', () => {
    const drawn = mount(Paling, { props: { rights: ['find', 'read', 'copy'], withheld: ['copy'] } })
    expect(pickets(drawn)).toMatchObject({ find: { state: 'held' }, copy: { state: 'withheld' }, add: { state: 'stub' } })
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
