import { effectScope } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useUpdates } from './useUpdates'

class Stream extends EventTarget {
  static CLOSED = 2
  static opened: Stream[] = []
  readyState = 1

  constructor(readonly url: string) {
    super()
    Stream.opened.push(this)
  }

  tell() {
    this.dispatchEvent(new Event('change'))
  }

  end(state: number) {
    this.readyState = state
    this.dispatchEvent(new Event('error'))
  }

  close() {
    this.readyState = Stream.CLOSED
  }
}

describe('a page that is told of changes', () => {
  beforeEach(() => {
    Stream.opened = []
    vi.useFakeTimers()
    vi.stubGlobal('EventSource', Stream)
  })
  afterEach(() => {
    vi.unstubAllGlobals()
    vi.useRealTimers()
  })

  function listening() {
    const changed = vi.fn()
    const scope = effectScope()
    const told = scope.run(() => useUpdates(changed))!
    return { changed, scope, told, stream: Stream.opened[0]! }
  }

  it('knows that it is told once it has heard something', () => {
    const { changed, told, stream } = listening()
    expect(told.value).toBe(false)
    stream.tell()
    expect(told.value).toBe(true)
    expect(changed).toHaveBeenCalledTimes(1)
  })

  it('asks by itself while it is cut off, and looks at once', () => {
    const { changed, told, stream } = listening()
    stream.tell()
    stream.end(0)
    expect(told.value).toBe(false)
    expect(changed).toHaveBeenCalledTimes(2)
    expect(Stream.opened).toHaveLength(1)
    stream.tell()
    expect(told.value).toBe(true)
  })

  it('tries again after a while when it is refused', () => {
    const { stream } = listening()
    stream.end(Stream.CLOSED)
    expect(Stream.opened).toHaveLength(1)
    vi.advanceTimersByTime(60_000)
    expect(Stream.opened).toHaveLength(2)
  })

  it('stops listening with the page', () => {
    const { scope, stream } = listening()
    scope.stop()
    expect(stream.readyState).toBe(Stream.CLOSED)
  })
})
