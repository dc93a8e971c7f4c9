import type { LocationQuery, Router } from 'vue-router'

/** What is changed of what a page looks at, by its name in the address; what is empty leaves the address. */
export type Looked = Record<string, string | undefined>

const ahead = new WeakMap<Router, LocationQuery>()

/**
 * Changes what a page looks at and keeps the rest of the address. A change made while the one before is on its way
 * builds on that one, so that neither is lost. With `back`, one comes back by the browser's own button.
 */
export function lookAt(router: Router, change: Looked, back = false) {
  const query = { ...(ahead.get(router) ?? router.currentRoute.value.query) }
  for (const [name, value] of Object.entries(change)) {
    if (value) query[name] = value
    else delete query[name]
  }
  ahead.set(router, query)
  const going = back ? router.push({ query }) : router.replace({ query })
  return going.finally(() => {
    if (ahead.get(router) === query) ahead.delete(router)
  })
}
