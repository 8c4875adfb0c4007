import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import TwoSides from './TwoSides.vue'

const slots = { list: '<p>what there is</p>', default: '<p>what is chosen</p>' }

describe('a list and what is chosen in it', () => {
  it('are two regions with names of their own', () => {
    const sides = mount(TwoSides, { props: { list: 'Roles', chosen: 'The role', width: '300px' }, slots })
    expect(sides.get('section[aria-label="Roles"]').text()).toBe('what there is')
    expect(sides.get('section[aria-label="Roles"]').attributes('style')).toContain('300px')
    expect(sides.get('section[aria-label="The role"]').text()).toBe('what is chosen')
  })

  it('are one region that takes all the room where nothing can be chosen', () => {
    const sides = mount(TwoSides, { props: { list: 'People', chosen: 'Chosen', alone: true }, slots })
    expect(sides.findAll('section').map((section) => section.attributes('aria-label'))).toEqual(['People'])
    expect(sides.get('section').attributes('style')).toContain('100%')
  })
})
