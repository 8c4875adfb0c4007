import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import PlaceLimits from './PlaceLimits.vue'

const walls = (count: number) => Array.from({ length: count }, (_, i) => ({ kind: 'wall', sentence: `The confinement “Wall ${i}” keeps 1 person out.` }))

describe('what limits a place', () => {
  const limits = (limits: ReturnType<typeof walls>) => mount(PlaceLimits, { props: { limits } })
  const lines = (shown: ReturnType<typeof limits>) => shown.findAll('li').length

  it('is not spoken of where nothing does', () => {
    expect(limits([]).find('*').exists()).toBe(false)
  })

  it('is read at once if it is one thing', () => {
    const shown = limits(walls(1))
    expect(shown.text()).toBe('The confinement “Wall 0” keeps 1 person out.')
    expect(shown.find('button').exists()).toBe(false)
  })

  it('is one line of counts if it is more, which opens', async () => {
    const shown = limits([...walls(20), { kind: 'oversight', sentence: 'Hesper may see everything here.' }])
    expect(lines(shown)).toBe(0)
    expect(shown.find('button').text()).toContain('20 walls and 1 oversight')
    expect(shown.find('button').attributes('aria-expanded')).toBe('false')
    await shown.find('button').trigger('click')
    expect(lines(shown)).toBe(21)
    expect(shown.find('button').attributes('aria-expanded')).toBe('true')
  })

  it('is folded again at another place, but not when the same is fetched again', async () => {
    const shown = limits(walls(20))
    await shown.find('button').trigger('click')
    await shown.setProps({ limits: walls(20) })
    expect(lines(shown)).toBe(20)
    await shown.setProps({ limits: walls(30) })
    expect(lines(shown)).toBe(0)
  })
})
