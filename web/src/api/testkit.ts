import { flushPromises } from '@vue/test-utils'
import { vi } from 'vitest'

/** What a request asked for, as the stand-in for the server sees it. */
export interface Asked {
  body: unknown
  query: Record<string, string>
}
type Answers = Record<string, (asked: Asked) => unknown>

let answers: Answers = {}
/** Every request since the stand-in was set up, as `METHOD /path`, with what it sent. */
export const requests: { what: string; asked: Asked }[] = []

/** A refusal, as the server sends it. */
export class Refused {
  constructor(
    readonly status: number,
    readonly problem: object,
  ) {}
}

// The client takes the fetch that is there when it is made, so this stands in its place from the beginning.
vi.stubGlobal('fetch', async (request: Request) => {
  const url = new URL(request.url, 'http://palegate.test')
  const what = `${request.method} ${url.pathname}`
  const text = await request.text()
  const asked = { body: text === '' ? undefined : (JSON.parse(text) as unknown), query: Object.fromEntries(url.searchParams) }
  requests.push({ what, asked })
  const found = answers[what]
  if (found === undefined) throw new Error(`Nothing answers [${what}] in this test.`)
  const said = await found(asked)
  const refused = said instanceof Refused
  return new Response(JSON.stringify(refused ? said.problem : said), {
    status: refused ? said.status : 200,
    headers: { 'Content-Type': refused ? 'application/problem+json' : 'application/json' },
  })
})

/** Answers requests of the form `METHOD /path` in place of the server. */
export function aServer(which: Answers) {
  answers = which
  requests.length = 0
}

/** Until what was asked for has been answered and is shown: a body is read in steps, each of which the page waits for. */
export async function answered() {
  for (let i = 0; i < 8; i++) await flushPromises()
}
