import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import PlaceLimits from './PlaceLimits.vue'

const walls = (count: number) => Array.from({ length: count }, (_, i) => `The confinement “Wall ${i}” keeps 1 person out.`)

describe('what limits a place', () => {
  const limits = (sentences: string[]) => mount(PlaceLimits, { props: { sentences } })
  const lines = (shown: ReturnType<typeof limits>) => shown.findAll('li').length

  it('is not spoken of where nothing does', () => {
    expect(limits([]).find('*').exists()).toBe(false)
  })

  it('is read at once if it is little', () => {
    const shown = limits(walls(4))
    expect(lines(shown)).toBe(4)
    expect(shown.find('button').exists()).toBe(false)
  })

  it('is folded if it is much, and says how much more there is', async () => {
    const shown = limits(walls(20))
    expect(lines(shown)).toBe(3)
    expect(shown.find('button').text()).toBe('17 more that limit it')
    expect(shown.find('button').attributes('aria-expanded')).toBe('false')
    await shown.find('button').trigger('click')
    expect(lines(shown)).toBe(20)
    expect(shown.find('button').attributes('aria-expanded')).toBe('true')
    await shown.find('button').trigger('click')
    expect(lines(shown)).toBe(3)
  })

  it('is folded again at another place, but not when the same is fetched again', async () => {
    const shown = limits(walls(20))
    await shown.find('button').trigger('click')
    await shown.setProps({ sentences: walls(20) })
    expect(lines(shown)).toBe(20)
    await shown.setProps({ sentences: walls(30) })
    expect(lines(shown)).toBe(3)
  })
})
