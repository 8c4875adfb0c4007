import { describe, expect, it } from 'vitest'
import { computed, ref } from 'vue'
import type { Head } from './axis'
import { CELLS_AT_MOST, useChanging } from './useChanging'

const head = (key: string, kind: string): Head => ({
  key,
  kind,
  id: key.split(':').at(-1)!,
  name: key.toUpperCase(),
  note: '',
  depth: 0,
  parent: -1,
  standsAlone: false,
  walled: false,
  outsiders: false,
})
const SUBJECTS = [head('group:g', 'group'), head('unit:u', 'unit')]
const PLACES = [head('f-1', 'folder'), head('f-2', 'folder')]

function changing(pairs: [string, string][], more: { turned?: boolean; types?: boolean; count?: number } = {}) {
  return useChanging(
    {
      subjects: ref(SUBJECTS),
      places: ref(PLACES),
      top: ref('lib'),
      turned: ref(more.turned ?? false),
      types: ref(more.types ?? false),
    },
    { count: computed(() => more.count ?? pairs.length), pairs: () => pairs },
  )
}
const AT = { subject: SUBJECTS[0]!, place: PLACES[0]! }

describe('cells as a change is asked of them', () => {
  it('are subject and place, whichever way the matrix is turned', () => {
    const expected = [{ subject: { kind: 'group', id: 'g' }, place: 'f-2' }]
    const straight = changing([['group:g', 'f-2']])
    straight.changeChosen(AT, 'G at F-1: nothing.')
    expect(straight.changing.value).toEqual({
      cells: expected,
      like: { subject: { kind: 'group', id: 'g' }, place: 'f-1' },
      likeWords: 'G at F-1: nothing',
    })
    const turned = changing([['f-2', 'group:g']], { turned: true })
    turned.changeChosen(AT, '')
    expect(turned.changing.value!.cells).toEqual(expected)
  })

  it('of a type name the place below which it is, and the type', () => {
    const types = changing([['unit:u', 'f-1']], { types: true })
    types.changeChosen(AT, '')
    expect(types.changing.value!.cells).toEqual([{ subject: { kind: 'unit', id: 'u' }, place: 'lib', type: 'f-1' }])
  })

  it('whose heads have gone meanwhile are left out', () => {
    const some = changing([
      ['group:gone', 'f-1'],
      ['group:g', 'f-gone'],
      ['unit:u', 'f-1'],
    ])
    some.changeChosen(AT, '')
    expect(some.changing.value!.cells).toHaveLength(1)
    some.changeOne('group:gone', 'f-1')
    expect(some.changing.value!.cells, 'nothing is asked of a cell that is not there').toHaveLength(1)
  })

  it('are not asked about where none is chosen, or too many are', () => {
    for (const count of [0, CELLS_AT_MOST + 1]) {
      const some = changing([['group:g', 'f-1']], { count })
      some.changeChosen(AT, '')
      expect(some.changing.value).toBeUndefined()
      expect(some.tooMany.value).toBe(count > 0)
    }
  })

  it('are one where one is open, until that is done', () => {
    const one = changing([])
    one.changeOne('unit:u', 'f-2')
    expect(one.changing.value).toEqual({
      cells: [{ subject: { kind: 'unit', id: 'u' }, place: 'f-2' }],
      like: { subject: { kind: 'unit', id: 'u' }, place: 'f-2' },
      likeWords: 'UNIT:U at F-2',
    })
    one.done()
    expect(one.changing.value).toBeUndefined()
  })
})
