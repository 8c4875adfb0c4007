import { describe, expect, it } from 'vitest'
import { nest, type Shape } from './sketch'

function shape(id: string, inside: string[] = []): Shape {
  return { id, name: id, people: 1, outsiders: 0, twoHatted: 0, inside }
}

describe('the sketch of the organisation', () => {
  it('draws a group inside each group that it lies in', () => {
    const drawn = nest([shape('all', ['hull', 'cargo']), shape('hull', ['divers']), shape('cargo', ['divers']), shape('divers'), shape('alone')])
    expect(drawn.map((one) => one.shape.id)).toEqual(['all', 'alone'])
    expect(drawn[0]!.inside.map((one) => one.inside.map((inner) => inner.shape.id))).toEqual([['divers'], ['divers']])
  })

  it('ends even if the data goes in a circle below an outermost group', () => {
    const drawn = nest([shape('top', ['a']), shape('a', ['b']), shape('b', ['a'])])
    expect(JSON.stringify(drawn).length).toBeLessThan(1_000)
  })
})
