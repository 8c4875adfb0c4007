import { describe, expect, it } from 'vitest'
import { inPage, NEVER, partOf, type Keys } from './part'

const ALL = [
  { name: 'Ola Garth', size: 3 },
  { name: 'Bryn Carrow', size: 9 },
  { name: 'Mia Torrance', size: 3 },
]
const KEYS: Keys<(typeof ALL)[0]> = { name: (item) => item.name, size: (item) => item.size }
const names = (part: { text?: string; sort?: string; offset?: number; limit?: number }) =>
  partOf(ALL, { offset: 0, limit: 10, ...part }, (item) => item.name, KEYS).items.map((item) => item.name.split(' ')[0])

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
    expect(partOf(ALL, { offset: 0, limit: 1, text: 'r' }, (item) => item.name, KEYS)).toMatchObject({ total: 3, items: [{ name: 'Ola Garth' }] })
  })

  it('leaves out what comes before the offset and after the limit', () => {
    expect(names({ offset: 1, limit: 1 })).toEqual(['Bryn'])
    expect(names({ offset: 9 })).toEqual([])
  })

  it('orders numbers as numbers, not as words', () => {
    const sizes = [{ size: 10 }, { size: 9 }, { size: 100 }]
    expect(partOf(sizes, { offset: 0, limit: 9, sort: 'size' }, () => '', { size: (item) => item.size }).items.map((item) => item.size)).toEqual([9, 10, 100])
  })

  it('puts what has no end after every instant', () => {
    const ends = [{ until: undefined }, { until: '2027-01-01T00:00:00Z' }, { until: '2026-01-01T00:00:00Z' }]
    const found = partOf(ends, { offset: 0, limit: 9, sort: 'until' }, () => '', { until: (item) => item.until ?? NEVER })
    expect(found.items.map((item) => item.until?.slice(0, 4))).toEqual(['2026', '2027', undefined])
  })

  it('is fetched as it is when it is asked for', async () => {
    let all = ['Ola']
    const fetch = inPage(
      () => all,
      (name) => name,
      {},
    )
    all = ['Ola', 'Mia']
    expect(await fetch({ offset: 0, limit: 9 })).toEqual({ total: 2, items: ['Ola', 'Mia'] })
  })
})
