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

  it('draws what lies in a group only where the group is met first, so that many ways through groups stay one drawing', () => {
    const diamonds = Array.from({ length: 48 }, (_, i) => {
      const layer = Math.floor(i / 2) * 2
      return shape(`n${i}`, i < 46 ? [`n${layer + 2}`, `n${layer + 3}`] : [])
    })
    const count = (drawn: ReturnType<typeof nest>): number => drawn.reduce((sum, one) => sum + 1 + count(one.inside), 0)
    expect(count(nest(diamonds))).toBeLessThan(200)
    const chain = Array.from({ length: 5_000 }, (_, i) => shape(`c${i}`, i < 4_999 ? [`c${i + 1}`] : []))
    expect(count(nest(chain))).toBe(12)
  })

  it('ends even if the data goes in a circle below an outermost group', () => {
    const drawn = nest([shape('top', ['a']), shape('a', ['b']), shape('b', ['a'])])
    expect(JSON.stringify(drawn).length).toBeLessThan(1_000)
  })
})
