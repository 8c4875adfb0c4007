import { describe, expect, it } from 'vitest'
import { lasting, opened, reach } from './share'

describe('what is shared, in words', () => {
  it('says without an end where there is none, and from when what is still to begin', () => {
    expect(lasting({ state: 'STANDING' })).toBe('without an end')
    expect(lasting({ state: 'TO_BEGIN', from: '2026-12-01T00:00:00Z' })).toMatch(/^from 1 Dec 2026, without an end$/)
  })
  it('says of what has ended that it has', () => {
    expect(lasting({ state: 'ENDED', until: new Date(2026, 9, 21).toISOString() })).toBe('ended 20 Oct 2026')
    expect(lasting({ state: 'STANDING', until: new Date(2026, 11, 22).toISOString() })).toBe('to the end of 21 Dec 2026')
  })
  it('counts people, and those from outside apart', () => {
    expect(reach(1, 0)).toBe('1 person')
    expect(reach(7, 3)).toBe('7 people, 3 from outside')
  })
  it('says by how many a pass is open, of how many', () => {
    expect(opened({ kind: 'PASS', opened: 2 })).toBe('opened by 2')
    expect(opened({ kind: 'PASS', opened: 2, uses: 12 })).toBe('opened by 2 of 12')
    expect(opened({ kind: 'SHARE', opened: 0 })).toBe('')
  })
})
