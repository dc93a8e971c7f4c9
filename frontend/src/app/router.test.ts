import { readFileSync } from 'node:fs'
import { beforeEach, describe, expect, it } from 'vitest'
import { me } from '@/shared/me'
import type { Me } from '@/shared/api'
import { problem, serve } from '@/testing/server'
import { router } from './router'

const id = '00000000-0000-7000-8000-000000000001'
const somebody = (more: Partial<Me> = {}) =>
  ({ id, name: 'Mara', mayMakeSites: true, readsNumbers: false, mustChange: false, ...more }) as Me
// Pages themselves are not what is asked here.
for (const route of router.getRoutes()) {
  if (route.components) route.components = { default: { template: '<p />' } }
}
const goTo = async (address: string) => {
  await router.push(address)
  return router.currentRoute.value.fullPath
}

describe('addresses lead', () => {
  it.each([
    ['/sign-in', 'sign-in', true],
    ['/welcome', 'welcome', true],
    ['/join', 'join', true],
    ['/invitation', 'invitation', true],
    [`/look/${id}`, 'preview', true],
    ['/forgotten', 'forgotten', true],
    ['/register', 'register', true],
    ['/register/confirm', 'register-confirm', true],
    ['/sites/run', 'sites', false],
    ['/sites/in', 'sites', false],
    ['/sites/all', 'sites', false],
    ['/sites/open', 'open-doors', false],
    ['/keys', 'renew-keys', false],
    ['/sites/new', 'new-site', false],
    ['/sites/make', 'make-sites', false],
    ['/sites/term', 'term-change', false],
    ['/forecast', 'forecast', false],
    [`/sites/${id}/forecast`, 'site-forecast', false],
    [`/people/${id}/forecast`, 'person-forecast', false],
    [`/sites/${id}/enter`, 'landing', false],
    [`/sites/${id}`, 'roster', false],
    [`/sites/${id}/doors`, 'doors', false],
    [`/sites/${id}/doors/live`, 'arrivals', false],
    [`/sites/${id}/doors/${id}/poster`, 'poster', false],
    [`/sites/${id}/seen`, 'seen', false],
    [`/sites/${id}/first-day-check`, 'first-day-check', false],
    [`/sites/${id}/history`, 'history', false],
    [`/sites/${id}/settings`, 'settings', false],
    ['/access-check', 'access-check', false],
    ['/first-day-check', 'first-day-checks', false],
    ['/rules', 'rules', false],
    ['/rules/limits', 'rules', false],
    ['/people', 'people', false],
    ['/people/new', 'make-accounts', false],
    ['/people/duplicates', 'duplicates', false],
    ['/people/merge', 'merge', false],
    [`/people/${id}`, 'person', false],
    [`/people/${id}/history`, 'person-history', false],
    ['/approvals', 'approvals', false],
    ['/security-log', 'security-log', false],
    ['/messages', 'messages', false],
    ['/messages/texts', 'messages', false],
    ['/changes', 'changes', false],
    [`/changes/${id}`, 'change-list', false],
    ['/glossary', 'glossary', false],
    ['/sign-in-cards', 'cards', false],
    ['/password', 'password', false],
    ['/nowhere', 'unknown', false],
    ['/sites/other', 'unknown', false],
    ['/rules/other', 'unknown', false],
    ['/people/short-id', 'unknown', false],
    ['/messages/other', 'unknown', false],
  ])('%s: to %s, open to all: %s', (address, name, open) => {
    const { name: found, meta } = router.resolve(address)
    expect([found, !!meta.open]).toEqual([name, open])
  })

  it('to pages before which the server asks nothing, where they are open to all, and only there', () => {
    const [, pattern] = /~(\S+) 0;/.exec(readFileSync('config/serve/nginx.conf', 'utf8'))!
    for (const { path, name, meta } of router.getRoutes()) {
      if (name === 'parts') continue
      const address = path.replace(/:\w+\(\[0-9a-f-\]\{36\}\)/g, id)
      expect([address, new RegExp(pattern!).test(address)]).toEqual([address, !!meta.open])
    }
  })
})

describe('whoever comes', () => {
  beforeEach(async () => {
    me.value = somebody()
    await router.push('/nowhere')
  })

  it('begins with what they run, or are in', async () => {
    expect(await goTo('/')).toBe('/')
    expect(await goTo('/sites')).toBe('/sites/run')
    me.value = somebody({ mayMakeSites: false, readsNumbers: false })
    expect(await goTo('/sites')).toBe('/sites/in')
  })

  it('signs in first, and comes where they wanted', async () => {
    me.value = null
    expect(await goTo('/people?q=a')).toBe('/sign-in?to=/people?q=a')
    expect(await goTo('/join#key')).toBe('/join#key')
    expect(router.currentRoute.value.name).toBe('join')
    await router.push('/welcome')
    expect(await goTo('/')).toBe('/sign-in')
  })

  it('signs in before a page shows something else, once they are signed out', async () => {
    await router.push('/people')
    expect(await goTo('/people?q=a')).toBe('/people?q=a')
    me.value = null
    expect(await goTo('/people?q=b')).toBe('/sign-in?to=/people?q=b')
  })

  it('is asked for where nobody knows yet, once', async () => {
    me.value = undefined
    const asked = serve({ 'GET /me': somebody() })
    expect(await goTo('/people')).toBe('/people')
    expect(await goTo('/changes')).toBe('/changes')
    expect(asked).toHaveLength(1)
    me.value = undefined
    serve({ 'GET /me': () => problem('not-signed-in', 401, 'Sign in.') })
    expect(await goTo('/people')).toBe('/sign-in?to=/people')
  })

  it('chooses a password of their own before anything else', async () => {
    me.value = somebody({ mustChange: true })
    expect(await goTo('/people')).toBe('/password')
    expect(await goTo('/password?to=/people')).toBe('/password?to=/people')
  })
})
