import { describe, expect, it } from 'vitest'
import { partOf } from './part'

const ALL = [
  { name: 'Ola Garth', size: 3 },
  { name: 'Bryn Carrow', size: 9 },
  { name: 'Mia Torrance', size: 3 },
]
const ORDERS = { name: (a: (typeof ALL)[0], b: (typeof ALL)[0]) => a.name.localeCompare(b.name), size: (a: (typeof ALL)[0], b: (typeof ALL)[0]) => a.size - b.size }
const names = (part: { text?: string; sort?: string; offset?: number; limit?: number }) =>
  partOf(ALL, { offset: 0, limit: 10, ...part }, (item) => item.name, ORDERS).items.map((item) => item.name.split(' ')[0])

describe('a part of a list that is here already', () => {
  it('keeps the order in which it was given unless another is wanted', () => {
    expect(names({})).toEqual(['Ola', 'Bryn', 'Mia'])
    expect(names({ sort: 'unheard of' })).toEqual(['Ola', 'Bryn', 'Mia'])
  })

  it('is put in order and turned round, and leaves equal lines as they were', () => {
    expect(names({ sort: 'name' })).toEqual(['Bryn', 'Mia', 'Ola'])
    expect(names({ sort: '-name' })).toEqual(['Ola', 'Mia', 'Bryn'])
    expect(names({ sort: 'size' })).toEqual(['Ola', 'Mia', 'Bryn'])
    expect(names({ sort: '-size' })).toEqual(['Bryn', 'Ola', 'Mia'])
  })

  it('does not put the list itself in order', () => {
    names({ sort: 'name' })
    expect(ALL[0]!.name).toBe('Ola Garth')
  })

  it('shows what contains the text, in capitals or not, and counts it', () => {
    expect(names({ text: 'aRR' })).toEqual(['Bryn'])
    expect(partOf(ALL, { offset: 0, limit: 1, text: 'r' }, (item) => item.name, ORDERS)).toMatchObject({ total: 3, items: [{ name: 'Ola Garth' }] })
  })

  it('leaves out what comes before the offset and after the limit', () => {
    expect(names({ offset: 1, limit: 1 })).toEqual(['Bryn'])
    expect(names({ offset: 9 })).toEqual([])
  })
})
