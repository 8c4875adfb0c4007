import createClient, { type Middleware } from 'openapi-fetch'
import type { components, paths } from './generated/schema'
import { ProblemError, problemOf } from './problem'

/** The shapes of the interface, generated from the server's code. */
export type Schemas = components['schemas']

const CHANGES_SOMETHING = new Set(['POST', 'PUT', 'DELETE', 'PATCH'])

function cookie(name: string): string | undefined {
  return document.cookie
    .split('; ')
    .find((pair) => pair.startsWith(`${name}=`))
    ?.slice(name.length + 1)
}

const protection: Middleware = {
  onRequest({ request }) {
    // Read at every request: the token changes when somebody signs in.
    const token = cookie('XSRF-TOKEN')
    if (CHANGES_SOMETHING.has(request.method) && token !== undefined) {
      request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token))
    }
    return request
  },
}

export const api = createClient<paths>({ baseUrl: '/', credentials: 'same-origin' })
api.use(protection)

/** The data of an answer; a problem document becomes a {@link ProblemError}. */
export async function answer<T>(asked: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await asked.catch(() => {
    throw new ProblemError({
      status: 0,
      title: 'Pale Gate does not answer',
      detail: 'Check that it runs; this page goes on by itself as soon as it does.',
    })
  })
  if (!response.ok) {
    throw new ProblemError(problemOf(error, response.status))
  }
  return data as T
}
