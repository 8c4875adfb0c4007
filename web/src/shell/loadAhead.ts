import type { RouteComponent, Router } from 'vue-router'

/** Whoever comes to a page works on it first. */
export const QUIET_FOR = 3_000

/**
 * Loads the scripts of some rooms while nothing else is to be done, one after the other, so that each opens at once. What cannot be loaded
 * is loaded, or told, when somebody goes there. Returns how to stop it.
 */
export function loadAhead(router: Router, rooms: readonly string[], idle: (then: () => void) => void = whenIdle): () => void {
  const loaders = rooms.flatMap((name) => (router.hasRoute(name) ? router.resolve({ name }).matched : [])).map((record) => record.components?.default).filter(isLoader)
  let stopped = false
  const next = () => {
    const load = loaders.shift()
    if (stopped || load === undefined) return
    load().then(
      () => idle(next),
      () => undefined,
    )
  }
  const begun = setTimeout(() => idle(next), QUIET_FOR)
  return () => {
    stopped = true
    clearTimeout(begun)
  }
}

function isLoader(component: unknown): component is () => Promise<RouteComponent> {
  return typeof component === 'function'
}

function whenIdle(then: () => void) {
  if ('requestIdleCallback' in window) requestIdleCallback(then)
  else setTimeout(then, 50)
}
