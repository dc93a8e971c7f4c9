import { expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { lookAt } from './lookedAt'

async function at(address: string) {
  const routes = [{ path: '/:page', component: { template: '<p />' } }]
  const router = createRouter({ history: createMemoryHistory(), routes })
  await router.push(address)
  return { router, address: () => router.currentRoute.value.fullPath }
}

it('changes a part of the address and keeps the rest; what is empty goes', async () => {
  const { router, address } = await at('/people?q=a&kind=staff')
  await lookAt(router, { q: 'b', state: 'open' })
  expect(address()).toBe('/people?q=b&kind=staff&state=open')
  await lookAt(router, { q: '', state: undefined })
  expect(address()).toBe('/people?kind=staff')
})

it('loses none of several changes made at once', async () => {
  const { router, address } = await at('/people?q=pet')
  const first = lookAt(router, { q: '' })
  const second = lookAt(router, { unlisted: '1' })
  void lookAt(router, { q: '' })
  await Promise.all([first, second])
  await lookAt(router, {})
  expect(address()).toBe('/people?unlisted=1')
})

it('starts anew on the next page', async () => {
  const { router, address } = await at('/people?q=pet')
  await lookAt(router, { q: 'ada' }, true)
  await router.push('/sites')
  await lookAt(router, { state: 'open' })
  expect(address()).toBe('/sites?state=open')
})
