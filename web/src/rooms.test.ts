import { describe, expect, it } from 'vitest'

/** What each room takes from others: rooms are the folders next to this file. */
const sources = import.meta.glob<string>('./*/*.{ts,vue}', { query: '?raw', import: 'default', eager: true })

function needs(): Map<string, Set<string>> {
  const found = new Map<string, Set<string>>()
  for (const [file, text] of Object.entries(sources)) {
    const room = file.split('/')[1]!
    if (file.includes('.test.')) continue
    const others = found.get(room) ?? new Set<string>()
    for (const [, other] of text.matchAll(/['"]@\/([\w-]+)\//g)) if (other !== room) others.add(other!)
    found.set(room, others)
  }
  return found
}

describe('the rooms', () => {
  it('are all found', () => expect(needs().size).toBeGreaterThan(12))

  it('never need each other in a circle', () => {
    const left = needs()
    for (;;) {
      const free = [...left].filter(([, others]) => ![...others].some((other) => left.has(other))).map(([room]) => room)
      if (free.length === 0) break
      free.forEach((room) => left.delete(room))
    }
    expect([...left.keys()], 'these go round in a circle').toEqual([])
  })
})
