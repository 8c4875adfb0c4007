import { describe, expect, it } from 'vitest'
import { addressOf, cellOf, cellWords, effectWords, lookOf, outlierWords, rightsOf, setWords } from './matrix'

const ROLES = new Map([[3, 'Reader']])

describe('the words of a matrix', () => {
  it('say a set of rights by its role, or right by right', () => {
    expect(rightsOf(3)).toEqual(['find', 'read'])
    expect(setWords(3, ROLES)).toBe('Reader')
    expect(setWords(5, ROLES)).toBe('find and copy')
    expect(setWords(0, ROLES)).toBe('nothing')
  })

  it('say what a cell gives, where it comes from, and how many have in fact just that', () => {
    expect(cellWords(cellOf([3, 0, 0, 9, 2, 1, -1]), 12, ROLES)).toBe(
      'Reader, given here, 12 people: 9 just that, 2 more, 1 less',
    )
    expect(cellWords(cellOf([3, 4, 2, 5, 0, 0, -1]), 5, ROLES)).toBe(
      'Reader, withheld copy, through another group, 5 people, all just that',
    )
    expect(cellWords(cellOf([0, 0, 3, 4, 0, 0, -1]), 4, ROLES)).toBe('nothing')
    expect(cellWords(cellOf([3, 0, 1, 0, 0, 0, -1]), 0, ROLES)).toBe('Reader, from above, nobody active')
  })

  it('say what the draft makes of it', () => {
    expect(cellWords(cellOf([3, 0, 0, 1, 0, 0, 0]), 1, ROLES)).toBe(
      'Reader by the draft, nothing before, given here, 1 person, all just that',
    )
  })

  it('say what is strange', () => {
    expect(
      outlierWords(
        { rights: [], along: { usual: ['find', 'read'], alike: 26, of: 28 }, lacks: false },
        'groups',
        'places',
        ROLES,
      ),
    ).toBe('It has nothing, while 26 of 28 places like this one give it Reader.')
    expect(
      outlierWords(
        { rights: ['find', 'read'], down: { usual: [], alike: 7, of: 8 }, lacks: false },
        'groups',
        'places',
        ROLES,
      ),
    ).toContain('7 of 8 groups like it have nothing here')
    expect(outlierWords({ rights: [], lacks: true }, 'units', 'places', ROLES)).toContain('the missing one')
  })

  it('say what a way would do', () => {
    const effect = {
      peopleGaining: 1,
      peopleLosing: 2,
      places: 3,
      documents: 0,
      pairsGaining: 1,
      pairsLosing: 2,
      outsidersGaining: 1,
    }
    expect(effectWords({ effect, lockOuts: 1 })).toBe(
      '1 person gains something, 1 outsider among them, 2 people lose something, at 3 places; nobody on staff would keep 1 place.',
    )
    expect(
      effectWords({ effect: { ...effect, peopleGaining: 0, peopleLosing: 0, outsidersGaining: 0 }, lockOuts: 0 }),
    ).toBe('Nobody gains or loses anything now.')
  })

  it('say the same in an address and back', () => {
    const look = {
      top: 'lib-cas',
      rows: undefined,
      subject: ['group:g-adjusters', 'person:p-mia'],
      across: 'TYPES',
      turned: true,
    } as const
    expect(lookOf(JSON.parse(JSON.stringify(addressOf({ ...look, subject: [...look.subject] }))))).toEqual(look)
    expect(lookOf({})).toEqual({
      top: undefined,
      rows: 'WITH_ACCESS_BELOW',
      subject: [],
      across: 'CONTAINERS',
      turned: false,
    })
    expect(lookOf({ rows: 'nonsense', across: 'nonsense' }).rows).toBe('WITH_ACCESS_BELOW')
  })
})
