import { describe, expect, it } from 'vitest'
import { branchOf, foldedAtFirst, shownOf, type Head } from './axis'

const head = (key: string, depth: number, parent: number): Head => ({
  key,
  kind: 'folder',
  id: key,
  name: key,
  note: '',
  depth,
  parent,
  standsAlone: false,
  walled: false,
  outsiders: false,
})
const TREE = [head('root', 0, -1), head('a', 1, 0), head('a1', 2, 1), head('a2', 2, 1), head('b', 1, 0)]

describe('the heads of a matrix', () => {
  it('hide what is below a folded one, and say which can be folded', () => {
    expect(shownOf(TREE, new Set()).map((one) => one.head.key)).toEqual(['root', 'a', 'a1', 'a2', 'b'])
    const folded = shownOf(TREE, new Set(['a']))
    expect(folded.map((one) => one.head.key)).toEqual(['root', 'a', 'b'])
    expect(folded.map((one) => [one.branch, one.folded])).toEqual([
      [true, false],
      [true, true],
      [false, false],
    ])
  })

  it('keep what leads to those that are looked for', () => {
    expect(shownOf(TREE, new Set(), new Set([3])).map((one) => one.head.key)).toEqual(['root', 'a', 'a2'])
  })

  it('know their branch', () => {
    expect(branchOf(shownOf(TREE, new Set()), 1)).toEqual([1, 3])
    expect(branchOf(shownOf(TREE, new Set()), 4)).toEqual([4, 4])
  })

  it('begin folded where there are more than are read at once', () => {
    expect(foldedAtFirst(TREE)).toEqual(new Set())
    expect(foldedAtFirst(TREE, 3)).toEqual(new Set(['a']))
    expect(shownOf(TREE, foldedAtFirst(TREE, 3)).length).toBeLessThanOrEqual(3)
  })
})
