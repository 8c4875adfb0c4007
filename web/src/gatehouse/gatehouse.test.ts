import { describe, expect, it } from 'vitest'
import {
  datedLink,
  datedWords,
  inOrder,
  ofDrafts,
  ofFindings,
  ofMine,
  ofProofs,
  ofReviews,
  ofRounds,
  ofWalls,
  PICTURES,
} from './gatehouse'

const NOW = Date.parse('2026-11-29T09:00:00Z')

describe('what needs attention', () => {
  it('is a line for each rule that found something', () => {
    const lines = ofFindings([
      { code: 'no-keeper', severity: 'GRAVE', title: 'places that nobody keeps', found: 2 },
      { code: 'role-unused', severity: 'UNTIDY', title: 'roles that are not used', found: 0 },
    ])
    expect(lines).toEqual([
      expect.objectContaining({
        words: 'Places that nobody keeps: 2',
        to: { name: 'findings', query: { rule: 'no-keeper' } },
        grade: 'grave',
      }),
    ])
  })

  it('says how many findings are assigned to one, and nothing of none', () => {
    expect(ofMine(0)).toEqual([])
    expect(ofMine(2)[0]).toMatchObject({
      words: '2 findings assigned to you',
      to: { name: 'findings', query: { mine: 'yes' } },
    })
    expect(ofMine(1)[0]!.words).toBe('1 finding assigned to you')
  })

  it('puts a draft that stopped before one that waits, and leaves empty ones out', () => {
    const draft = { id: 1, name: 'Divers', owner: 'Ola', mine: true, inHand: true, changes: 2, approvedBy: [] }
    const lines = inOrder(
      ofDrafts([
        { ...draft, changes: 0 },
        draft,
        { ...draft, mine: false, approvedBy: ['Per'] },
        { ...draft, stopped: 'It would do something else.' },
        { ...draft, dueAt: '2026-12-01T00:00:00Z' },
      ]),
    )
    expect(lines.map((line) => line.grade)).toEqual(['stopped', 'waits', 'yours', 'due'])
    expect(lines[1]!.words).toBe('Ola shows you a draft, “Divers”, of 2 changes, approved by Per')
  })

  it('tells a review that is overdue from one that is not, and one handed in is nobody’s any more', () => {
    const review = {
      round: 4,
      name: 'Autumn',
      due: '2026-12-20T00:00:00Z',
      askedBy: 'Linnet',
      needsComment: false,
      items: 9,
      decided: 4,
    }
    const lines = ofReviews(
      [review, { ...review, due: '2026-11-01T00:00:00Z' }, { ...review, handedInAt: '2026-11-02T00:00:00Z' }],
      NOW,
    )
    expect(lines.map((line) => line.grade)).toEqual(['review', 'overdue'])
    expect(lines[0]!.words).toContain('5 of 9 items to review')
  })

  it('tells rounds that are overdue and rounds that can be closed from those that go on', () => {
    const round = {
      id: 3,
      name: 'Autumn',
      open: true,
      due: '2026-12-20T00:00:00Z',
      madeAt: '2026-11-01T00:00:00Z',
      madeBy: 'Linnet',
      items: 9,
      decided: 4,
      reviewers: 2,
      handedIn: 1,
      toDo: 5,
    }
    const lines = ofRounds(
      [round, { ...round, due: '2026-11-02T00:00:00Z' }, { ...round, handedIn: 2 }, { ...round, open: false }],
      NOW,
    )
    expect(lines.map((line) => [line.grade, line.step])).toEqual([
      ['round', 'Look at it'],
      ['overdue', 'Remind them'],
      ['handed in', 'Close it'],
    ])
  })

  it('says what a wall’s last proof found, and that it is of long ago only if anything has changed since', () => {
    const proof = { wall: 'w', name: 'Hull', at: '2026-11-28T00:00:00Z', leaks: 0, changes: 3 }
    expect(ofProofs([proof], NOW)).toEqual([])
    expect(ofProofs([{ ...proof, leaks: 1 }], NOW)[0]).toMatchObject({ weight: 0, grade: 'leak' })
    expect(ofProofs([{ ...proof, at: '2026-09-01T00:00:00Z' }], NOW)[0]!.words).toContain('3 changes before the newest')
    expect(ofProofs([{ ...proof, at: '2026-09-01T00:00:00Z', changes: 0 }], NOW)).toEqual([])
  })

  it('says which exceptions from walls end', () => {
    const wall = {
      id: 'w',
      name: 'Hull',
      kind: 'screen',
      state: 'STANDING',
      bars: true,
      barsYou: false,
      places: 1,
      documents: 1,
      people: 1,
      pairs: 1,
      conflicts: 0,
      exceptions: 2,
      endingSoon: 2,
      drafted: 'NO',
    } as const
    expect(ofWalls([wall, { ...wall, endingSoon: 0 }, { ...wall, state: 'LIFTED' }])).toHaveLength(1)
  })

  it('is read by weight', () => {
    const line = (weight: number, words: string) => ({ weight, words, tone: '', grade: '', to: '/', step: '' })
    expect(inOrder([line(3, 'a'), line(0, 'b'), line(3, 'c')]).map((one) => one.words)).toEqual(['b', 'a', 'c'])
  })
})

describe('what begins and ends', () => {
  it('is said of what was and of what will be, with a way to it', () => {
    expect(datedWords({ words: 'the wall Hull', begins: true, at: '2026-11-20T08:30:00Z' }, false)).toMatch(
      /^The wall Hull began 20 Nov/,
    )
    expect(datedWords({ words: 'Mia in Divers', begins: false, at: '2026-12-01T00:00:00Z' }, true)).toBe(
      'Mia in Divers holds to the end of 30 Nov 2026',
    )
    expect(datedLink({ about: 'group', aboutId: 'g' })).toEqual({ name: 'people', params: { view: 'groups', id: 'g' } })
  })
})

describe('the pictures', () => {
  it('are read of a month', () => {
    const month = {
      at: '2026-11-01T00:00:00Z',
      there: true,
      change: 3,
      people: 9,
      outsiders: 2,
      breaks: 4,
      entries: 7,
      grave: 1,
    }
    expect(PICTURES.flatMap((picture) => picture.lines.map((line) => line.of(month)))).toEqual([
      9,
      2,
      4,
      7,
      1,
      undefined,
      undefined,
    ])
  })
})
