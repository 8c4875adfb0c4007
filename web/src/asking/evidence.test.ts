import { describe, expect, it } from 'vitest'
import { evidenceOf, looksAsked } from './evidence'

describe('questions in the palette', () => {
  it('are what begins like one; a name is none', () => {
    expect(looksAsked('can Mia read C-2406')).toBe(true)
    expect(looksAsked('Why not Mia')).toBe(true)
    expect(looksAsked('Candle makers')).toBe(false)
    expect(looksAsked('who')).toBe(false)
    expect(looksAsked('Whole archive')).toBe(false)
  })

  it('lead to where the evidence is', () => {
    expect(evidenceOf({ kind: 'wall', thing: 'wall:w-1', thingName: 'One' })?.to).toMatchObject({ name: 'walls', params: { id: 'w-1' } })
    expect(evidenceOf({ kind: 'history', thing: 'person:p:x', thingName: 'X' })?.to).toMatchObject({ name: 'journal', query: { thing: 'person:p:x' } })
    expect(evidenceOf({ kind: 'reach', thing: 'group:g-1' })?.to).toMatchObject({ name: 'people', params: { view: 'groups', id: 'g-1' } })
    expect(evidenceOf({ kind: 'people', place: 'lib' })?.to).toMatchObject({ name: 'places', params: { id: 'lib' } })
    expect(evidenceOf(undefined)).toBeUndefined()
  })
})
