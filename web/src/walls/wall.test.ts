import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { changeOf, emptySide, hasCriterion, labelsOf, stateFor, stateOf } from './wall'

const WALL: Schemas['WallView'] = {
  id: 'w-1',
  name: 'Seal',
  kind: 'seal',
  state: 'LIFTED',
  until: '2026-12-31T00:00:00Z',
  bars: false,
  barsYou: false,
  sides: [
    {
      subjects: [{ kind: 'group', id: 'g', name: 'G', people: 3, outsiders: 0 }],
      placesNamed: [{ id: 'p', path: 'A / P' }],
      typesNamed: [{ id: 't', name: 'T' }],
      labels: { case: ['C-1', 'C-2'] },
      coverage: { places: 1, documents: 1, libraries: [], types: [], criteria: [], oddities: [] },
    },
  ],
  exceptions: [{ subject: { kind: 'person', id: 'x', name: 'X', people: 1, outsiders: 0 }, until: '2026-12-01T00:00:00Z', current: true }],
  conflicts: [],
  drafted: 'NO',
}

describe('a wall in a form', () => {
  it('as a change says all that it says, its exceptions too', () => {
    expect(changeOf(WALL)).toEqual({
      kind: 'setWall',
      wall: 'w-1',
      name: 'Seal',
      state: 'LIFTED',
      until: '2026-12-31T00:00:00Z',
      barrier: 'seal',
      sides: [{ subjects: [{ kind: 'group', id: 'g' }], places: ['p'], types: ['t'], labels: { case: ['C-1', 'C-2'] } }],
      exceptions: [{ subject: { kind: 'person', id: 'x' }, until: '2026-12-01T00:00:00Z' }],
    })
    expect(changeOf(WALL, { state: 'STANDING' }).state).toBe('STANDING')
  })

  it('that is lifted is not raised by changing its name', () => {
    expect(stateFor(false, 'LIFTED')).toBe('LIFTED')
    expect(stateFor(false, 'STANDING')).toBe('PLANNED')
    expect(stateFor(false, undefined)).toBe('PLANNED')
    expect(stateFor(true, 'LIFTED')).toBe('STANDING')
  })

  it('takes several values of one label for alternatives and leaves out what is not filled', () => {
    expect(labelsOf([{ key: 'case ', value: 'C-1' }, { key: 'case', value: ' C-2' }, { key: 'year', value: '' }, { key: '', value: 'x' }])).toEqual({ case: ['C-1', 'C-2'] })
    expect(hasCriterion({ ...emptySide(), labels: [{ key: 'case', value: '' }] })).toBe(false)
    expect(hasCriterion({ ...emptySide(), types: ['t'] })).toBe(true)
  })

  it('outside its dates neither stands nor is planned', () => {
    const now = Date.parse('2026-11-28T00:00:00Z')
    expect(stateOf({ state: 'STANDING', bars: true }, now)).toBe('stands')
    expect(stateOf({ state: 'STANDING', bars: false, from: '2026-12-24T00:00:00Z' }, now)).toContain('stands from')
    expect(stateOf({ state: 'STANDING', bars: false, until: '2026-11-01T00:00:00Z' }, now)).toBe('has ended')
    expect(stateOf({ state: 'LIFTED', bars: false }, now)).toBe('lifted')
  })
})
