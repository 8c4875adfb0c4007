import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import FileVerdict from './FileVerdict.vue'

const verdict = (more: Partial<Schemas['Verdict']>): Schemas['Verdict'] => ({
  format: 'xlsx',
  identity: 'Pale Gate statement',
  title: 'Who can reach Casualties',
  change: 12,
  at: '2026-11-24T10:00:00Z',
  recipe: 'kind=place',
  same: false,
  intact: true,
  whole: true,
  rows: 4,
  altered: 0,
  added: 0,
  leftOut: 0,
  cells: [],
  addedRows: [],
  leftOutRows: [],
  missingColumns: [],
  addedParts: [],
  sinceTheLastOne: false,
  ...more,
})
const said = (more: Partial<Schemas['Verdict']>) => mount(FileVerdict, { props: { verdict: verdict(more) } })

describe('what is said of a file that was held against what the system said', () => {
  it('says that it is the same, and nothing else', () => {
    const shown = said({ same: true })
    expect(shown.get('.good').text()).toContain('This is what was said at change 12. 4 rows, all as they were.')
    expect(shown.find('.caution').exists()).toBe(false)
    expect(shown.text()).not.toContain('Since the last one')
  })

  it('names altered cells where they stand, on the cover too', () => {
    const cell = { column: 'People', says: '5', said: '4', inRow: [] }
    const shown = said({
      altered: 2,
      cells: [
        { ...cell, row: 0 },
        { ...cell, row: 3 },
      ],
    })
    expect(shown.get('.caution').text()).toContain('2 cells altered, 0 rows added, 0 rows left out.')
    expect(shown.findAll('tbody tr').map((row) => row.text())).toEqual(['CoverPeople54', '3People54'])
  })

  it('names what was put into it beside the rows, and does not blame the digest for that', () => {
    const shown = said({ addedParts: ['the sheet “Notes”'], intact: false })
    expect(shown.text()).toContain('Added, and never said: the sheet “Notes”.')
    expect(shown.text()).not.toContain('the digest in its identity')
    expect(said({ intact: false }).text()).toContain('The rows are as they were; the digest in its identity is not theirs.')
  })

  it('says what of it was not checked', () => {
    expect(said({ same: true, sinceTheLastOne: true }).text()).toContain('is not part of the statement and is not checked')
  })
})
