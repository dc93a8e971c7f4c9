import { expect, it } from 'vitest'
import { createMemoryHistory, createRouter, type RouteComponent } from 'vue-router'
import { keepGoing } from './onTheWay'

const page: RouteComponent = { template: '<p />' }

function slowPages() {
  let arrive = () => {}
  let fail = () => {}
  const slow = () =>
    new Promise<RouteComponent>((resolve, reject) => {
      arrive = () => resolve(page)
      fail = () => reject(new Error('the page did not come'))
    })
  const routes = [
    { path: '/people', component: page },
    { path: '/new', name: 'new', component: slow },
  ]
  const router = createRouter({ history: createMemoryHistory(), routes })
  keepGoing(router)
  return { router, arrive: () => arrive(), fail: () => fail() }
}
/** The router asks for the page a few ticks after it was pushed. */
const ticks = () => new Promise((resolve) => setTimeout(resolve))

it('goes on to the next page whatever the page before notes in the address meanwhile', async () => {
  const { router, arrive } = slowPages()
  await router.push('/people')
  await router.replace({ query: { q: 'a' } })
  expect(router.currentRoute.value.fullPath).toBe('/people?q=a')
  const going = router.push({ name: 'new' })
  await ticks()
  await router.replace({ query: { q: 'ab' } })
  arrive()
  await going
  expect(router.currentRoute.value.fullPath).toBe('/new')
  await router.replace({ query: { changeList: '1' } })
  expect(router.currentRoute.value.fullPath).toBe('/new?changeList=1')
})

it('lets a page note again once the other page did not come, and lets a later request win', async () => {
  const { router, fail } = slowPages()
  router.onError(() => {})
  await router.push('/people')
  const going = router.push('/new').catch(() => 'failed')
  await ticks()
  fail()
  expect(await going).toBe('failed')
  await router.replace({ query: { q: 'b' } })
  expect(router.currentRoute.value.fullPath).toBe('/people?q=b')
  void router.push('/new')
  await ticks()
  await router.replace('/people?q=c')
  expect(router.currentRoute.value.fullPath).toBe('/people?q=c')
})

it('lets a page note at once where nobody is on the way, also on the first page', async () => {
  const { router } = slowPages()
  await router.push('/people?q=a')
  await router.replace({ query: { q: 'b' } })
  expect(router.currentRoute.value.fullPath).toBe('/people?q=b')
  await router.push('/people?q=c')
  await router.replace({ query: { q: 'd' } })
  expect(router.currentRoute.value.fullPath).toBe('/people?q=d')
})

it('lets a page be replaced by another one on the way, by name or by path', async () => {
  const { router, arrive } = slowPages()
  await router.push('/people')
  void router.push({ name: 'new' })
  await ticks()
  await router.replace({ path: '/people', query: { q: 'path' } })
  expect(router.currentRoute.value.fullPath).toBe('/people?q=path')
  void router.push({ name: 'new' })
  await ticks()
  const named = router.replace({ name: 'new', query: { q: 'name' } })
  await ticks()
  arrive()
  await named
  expect(router.currentRoute.value.fullPath).toBe('/new?q=name')
})
