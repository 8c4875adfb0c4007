import { describe, expect, it } from 'vitest'
import { isOutage } from '@/common/queries'
import { ProblemError, problemOf } from './problem'

describe('a problem', () => {
  it('keeps what the server said', () => {
    const problem = problemOf({ type: 'urn:palegate:problem:clash', detail: 'Wenna was there.', clashes: [] }, 409)
    expect(new ProblemError(problem).code).toBe('clash')
    expect(problem.detail).toBe('Wenna was there.')
  })

  it('gets a plain sentence if the server gave none', () => {
    expect(problemOf('<html>', 500).detail).toBe('The server answered 500 and gave no reason.')
  })

  it('is waited out only if it passes by itself', () => {
    const of = (status: number) => new ProblemError({ status, title: '', detail: '' })
    expect(isOutage(of(503))).toBe(true)
    expect(isOutage(of(0))).toBe(true)
    expect(isOutage(of(404))).toBe(false)
    expect(isOutage(new Error('x'))).toBe(false)
  })
})
