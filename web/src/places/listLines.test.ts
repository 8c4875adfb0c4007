import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { copyTo, fromTemplate, removal, templateLine, withRole } from './listLines'

function line(part: Partial<Schemas['EntryView']> = {}, state = 'ACTS'): Schemas['AccessLine'] {
  return {
    entry: {
      id: 'e-1', kind: 'grant', place: 'lib', placeName: 'Library', subjectKind: 'group', subjectId: 'g-1', subjectName: 'Adjusters',
      role: 'Reader', roleId: 'r-reader', rights: ['find', 'read'], types: [], typeIds: [], ...part,
    },
    own: true, state, people: 3, outsiders: 0, drafted: 'NO',
  } as Schemas['AccessLine']
}

describe('lines of an access list', () => {
  it('keep everything but the role when the role is changed', () => {
    const changes = withRole([line({ until: '2027-01-01T00:00:00Z', typeIds: ['fee'] }), line({ roleId: 'r-keeper' })], 'r-keeper')
    expect(changes).toEqual([
      { kind: 'removeGrant', place: 'lib', entry: 'e-1' },
      { kind: 'addGrant', place: 'lib', subject: { kind: 'group', id: 'g-1' }, role: 'r-keeper', types: ['fee'], from: undefined, until: '2027-01-01T00:00:00Z', note: undefined },
    ])
  })

  it('are taken away where they stand, whichever kind they are', () => {
    expect(removal(line({ kind: 'withholding', id: 'w-1' }))).toEqual({ kind: 'removeWithholding', place: 'lib', entry: 'w-1' })
  })

  it('are not copied once they have ended', () => {
    expect(copyTo(line({}, 'ENDED'), 'f')).toBeUndefined()
    expect(copyTo(line(), 'f')).toMatchObject({ kind: 'addGrant', place: 'f', role: 'r-reader' })
  })

  it('say the same when they come out of a template', () => {
    const withheld = line({ kind: 'withholding', role: undefined, roleId: undefined, rights: ['copy'] })
    expect(fromTemplate(templateLine(withheld), 'f')).toEqual({ kind: 'addWithholding', place: 'f', subject: { kind: 'group', id: 'g-1' }, rights: ['copy'], types: undefined })
    expect(fromTemplate(templateLine(line()), 'f')).toMatchObject({ kind: 'addGrant', role: 'r-reader' })
  })
})
