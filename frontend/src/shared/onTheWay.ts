import { START_LOCATION, type RouteLocationNormalized, type RouteLocationRaw, type Router } from 'vue-router'

const ofThePageItself = (to: RouteLocationRaw) => typeof to === 'object' && !('name' in to) && !('path' in to)

/**
 * What a page notes about itself in the address (a filter, what is typed, a draft) must not stop somebody who is
 * already on the way to another page: the router would take the later request for the one that counts, and the next
 * page never came.
 */
export function keepGoing(router: Router) {
  const replace = router.replace
  let goal: RouteLocationNormalized | undefined
  const over = (to: RouteLocationNormalized) => {
    if (goal === to) goal = undefined
  }
  router.beforeEach((to, from) => {
    if (from !== START_LOCATION && to.path !== from.path) goal = to
  })
  router.afterEach(over)
  router.onError((_, to) => over(to))
  router.replace = (to) => (goal && ofThePageItself(to) ? Promise.resolve() : replace(to))
}
