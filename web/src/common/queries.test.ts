import { QueryObserver } from '@tanstack/vue-query'
import { afterEach, describe, expect, it } from 'vitest'
import { ProblemError } from '@/api/problem'
import { queryClient } from './queries'

const problem = (status: number) => new ProblemError({ type: '', title: '', status, detail: '', code: '' } as unknown as ProblemError['problem'])

describe('what is shown once it may no longer be known', () => {
  afterEach(() => queryClient.clear())

  async function afterAnswering(error: Error): Promise<unknown> {
    let answers: Promise<string> = Promise.resolve('Brannock Star')
    const observer = new QueryObserver(queryClient, { queryKey: ['place', 'one'], queryFn: () => answers, retry: false })
    const stop = observer.subscribe(() => undefined)
    await observer.refetch()
    expect(observer.getCurrentResult().data).toBe('Brannock Star')
    answers = Promise.reject(error)
    await observer.refetch()
    const { data, isError } = observer.getCurrentResult()
    stop()
    expect(isError).toBe(true)
    return data
  }

  it('is gone with the answer that it is not there, or not for whoever asks', async () => {
    expect(await afterAnswering(problem(404))).toBeUndefined()
    expect(await afterAnswering(problem(403))).toBeUndefined()
  })

  it('stays while the server is away, or fails', async () => {
    expect(await afterAnswering(problem(503))).toBe('Brannock Star')
    expect(await afterAnswering(problem(500))).toBe('Brannock Star')
    expect(await afterAnswering(new Error('broken off'))).toBe('Brannock Star')
  })
})
