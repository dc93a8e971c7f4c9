import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { JoinLook, Me } from '@/shared/api'
import { me } from '@/shared/me'
import { t } from '@/shared/words'
import { joinLook as look, problem, serve, show, site } from '@/testing/server'
import { createMemoryHistory, createRouter } from 'vue-router'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { queries } from '@/shared/queries'
import { provideJoining, useJoining } from './joining'

const you = { id: site.id, name: 'Bea', login: 'bea' }
const joined = { passage: 'in', place: null, site: { id: site.id, title: 'Harmony' }, opensAt: null }
const somebody = { id: site.id, name: 'Bea', login: 'bea', mayMakeSites: false, readsNumbers: false } as Me

beforeEach(() => {
  sessionStorage.clear()
  me.value = null
})
afterEach(() => void (me.value = undefined))

/** At a page of joining, with what its parts share. */
async function at(address: string, answers: Parameters<typeof serve>[0] = {}) {
  queries.clear()
  const asked = serve({ 'POST /join/look': look(), ...answers })
  const nowhere = { template: '<p />' }
  const router = createRouter({
    history: createMemoryHistory(),
    routes: ['join', 'invitation', 'password'].map((name) => ({ name, path: '/' + name, component: nowhere })),
  })
  await router.push(address)
  let part!: ReturnType<typeof useJoining>
  const inside = { setup: () => ((part = useJoining()), () => null) }
  mount(
    { components: { inside }, setup: () => void provideJoining(), template: '<inside />' },
    { global: { plugins: [[VueQueryPlugin, { queryClient: queries }], router] } },
  )
  await flushPromises()
  return { ...part, asked, router, bodies: () => asked.map(({ body }) => body as Record<string, unknown>) }
}

describe('whoever joins', () => {
  it('begins by typing a key, which then stays in the address', async () => {
    const { asked, step, key, see, router, bodies, zone } = await at('/join', {
      'POST /join/look': look({ site: { ...look().site, timeZone: 'Asia/Tokyo' } }),
    })
    expect([asked, step.value, zone.value]).toEqual([[], 'key', 'UTC'])
    key.value = 'reed-amber'
    await see()
    expect(bodies()).toEqual([{ key: 'reed-amber', visitor: sessionStorage.getItem('visitor') }])
    expect(sessionStorage.getItem('visitor')).toMatch(/^[0-9a-f]{32}$/)
    expect([router.currentRoute.value.hash, step.value, zone.value]).toEqual(['#reed-amber', 'who', 'Asia/Tokyo'])
    expect(asked).toHaveLength(1)
  })

  it('comes with a key in the address, and with another one later', async () => {
    sessionStorage.setItem('visitor', 'the same')
    const {
      bodies,
      router,
      joined: through,
      join,
    } = await at('/join#reed', {
      'POST /join/look': look({ you }),
      'POST /join': joined,
    })
    await join()
    expect(through.value).not.toBeNull()
    await router.replace('/join#amber')
    await flushPromises()
    expect(bodies().map((body) => [body.key, body.visitor])).toEqual([
      ['reed', 'the same'],
      ['reed', undefined],
      ['amber', 'the same'],
    ])
    expect(through.value).toBeNull()
    await router.replace('/join')
    await flushPromises()
    expect(bodies()).toHaveLength(3)
  })

  it('is asked who they are where nobody knows yet', async () => {
    me.value = undefined
    const { asked } = await at('/join#reed', { 'GET /me': somebody })
    expect(asked.map(({ call }) => call)).toEqual(['GET /me', 'POST /join/look'])
  })

  it('by an invitation comes with its token, and without one is told', async () => {
    const { bodies, invited, router, asks, canMake, refusal } = await at('/invitation#token', {
      'POST /join/look': look({ asks: true, invitation: { account: 'password', over: null } as never }),
    })
    expect([invited, bodies()[0]!.invitation, bodies()[0]!.key]).toEqual([true, 'token', undefined])
    expect([asks.value, canMake.value, refusal.value]).toEqual([false, true, null])
    await router.replace('/invitation#other')
    await flushPromises()
    expect(bodies()).toHaveLength(1)
    const without = await at('/invitation')
    expect(without.refusal.value).toEqual({ sentence: t('join.invitation.none'), next: 'none' })
    expect(without.asked).toEqual([])
    expect((await at('/join')).refusal.value).toBeNull()
  })

  it.each([
    ['sign-in', null, false],
    ['none', null, true],
    ['password', null, true],
    ['none', 'answered', false],
    ['none', 'lapsed', true],
  ])('by an invitation makes an account: %s, %s: %s', async (account, over, so) => {
    const invitation = { account, over, address: '', name: null, login: null, yours: true, words: '' }
    const { canMake, over: ended } = await at('/invitation#token', {
      'POST /join/look': look({ invitation: invitation as never }),
    })
    expect([canMake.value, ended.value]).toEqual([so, over])
  })

  it.each([true, false])('makes an account at a door where it lets them: %s', async (accounts) => {
    const { canMake, asks } = await at('/join#reed', { 'POST /join/look': look({ accounts, asks: true }) })
    expect([canMake.value, asks.value]).toEqual([accounts, true])
  })

  it.each([
    [{ state: 'open', you: null }, '', 'who'],
    [{ state: 'open', you }, '', 'join'],
    [{ state: 'shut', you: null }, 'shut', 'closed'],
    [{ state: 'not-yet', you: null }, 'not-yet', 'closed'],
    [{ state: 'over', you: null }, 'over', 'closed'],
    [{ state: 'over', you }, 'over', 'join'],
    [{ state: 'by-approval', you: null }, '', 'who'],
  ] as [Partial<JoinLook>, string, string][])('stands at %o', async (more, state, goes) => {
    const { closed, step } = await at('/join#reed', { 'POST /join/look': look(more) })
    expect([closed.value, step.value]).toEqual([state, goes])
  })

  it('offers levels by the names of the division, or by their numbers', async () => {
    const labels = async (names: string[]) =>
      (
        await at('/join#reed', { 'POST /join/look': look({ levels: { lowest: 7, highest: 8, names } }) })
      ).levels.value.map(({ value, label }) => `${value} ${label}`)
    expect(await labels([])).toEqual(['7 7', '8 8'])
    expect(await labels(['Year 7', 'Year 8'])).toEqual(['7 Year 7', '8 Year 8'])
  })

  it('has a level where there is only one', async () => {
    const of = async (lowest: number, highest: number) =>
      (await at('/join#reed', { 'POST /join/look': look({ levels: { lowest, highest, names: [] } }) })).form.level
    expect([await of(7, 7), await of(6, 8)]).toEqual(['7', ''])
  })
})

describe('joining', () => {
  it('asks with what was chosen and written, under a key of its own each time', async () => {
    const {
      join,
      form,
      asked,
      step,
      busy,
      joined: through,
    } = await at('/join#reed', {
      'POST /join/look': look({ you }),
      'POST /join': joined,
    })
    Object.assign(form, { section: 's', why: 'I sing.' })
    const going = join()
    expect(busy.value).toBe(true)
    await going
    await join(true)
    expect(asked.slice(1).map(({ body }) => body)).toEqual([
      { key: 'reed', section: 's', why: 'I sing.', answers: [], asMe: false },
      { key: 'reed', section: 's', why: 'I sing.', answers: [], asMe: true },
    ])
    const keys = asked.slice(1).map(({ headers }) => headers.get('Idempotency-Key'))
    expect(keys[0]).not.toBe(keys[1])
    expect([step.value, busy.value, through.value]).toEqual(['done', false, joined])
    form.section = ''
    await join()
    expect(asked.at(-1)!.body).toMatchObject({ section: null })
  })

  it('says at the field what is wrong, and why it cannot be', async () => {
    let answer = () =>
      problem('invalid', 422, 'x', { errors: [{ pointer: '/section', code: '', detail: 'Choose one.' }] })
    const { join, wrong, refusal } = await at('/join#reed', {
      'POST /join/look': look({ you }),
      'POST /join': () => answer(),
    })
    await join()
    expect([wrong('section'), wrong('level'), refusal.value]).toEqual(['Choose one.', '', null])
    answer = () => problem('no-way-in', 409, 'No seat is free.', { next: 'ask-lead' })
    await join()
    expect([wrong('section'), refusal.value]).toEqual(['', { sentence: 'No seat is free.', next: 'ask-lead' }])
    answer = () => problem('no-way-in', 409, 'No.')
    await join()
    expect(refusal.value).toEqual({ sentence: 'No.', next: 'none' })
    answer = () => new Response('<html>', { headers: { 'Content-Type': 'application/json' } })
    await join()
    expect(refusal.value).toEqual({ sentence: t('trouble.unexpected'), next: 'none' })
    answer = () => new Response(JSON.stringify(joined), { headers: { 'Content-Type': 'application/json' } })
    await join()
    expect(refusal.value).toBeNull()
  })

  it('wants a password of their own first, and comes back', async () => {
    const { router, refusal } = await at('/join#reed', {
      'POST /join/look': () => problem('password-wanted', 403, 'Choose a password.'),
    })
    expect(router.currentRoute.value.fullPath).toBe('/password?to=/join%23reed')
    expect(refusal.value).toBeNull()
  })

  it('makes an account and is signed in with it; the same typed twice is the same', async () => {
    const {
      make,
      form,
      asked,
      joined: through,
      bodies,
    } = await at('/join#reed', {
      'POST /join/account': { ...joined, login: 'bea.d' },
      'POST /sign-in': { ...somebody, login: 'bea.d' },
    })
    Object.assign(form, { given: 'Bea', family: 'da Luz', level: '7', password: 'reed-amber-48213' })
    await make()
    expect(bodies()[1]).toEqual({
      key: 'reed',
      given: 'Bea',
      family: 'da Luz',
      level: 7,
      password: 'reed-amber-48213',
      section: null,
      why: '',
      answers: [],
      visitor: sessionStorage.getItem('visitor'),
    })
    expect(bodies()[2]).toEqual({ login: 'bea.d', password: 'reed-amber-48213' })
    expect([form.password, through.value?.login, me.value?.login]).toEqual(['', 'bea.d', 'bea.d'])
    const key = (n: number) =>
      asked.filter(({ call }) => call === 'POST /join/account')[n]!.headers.get('Idempotency-Key')
    form.password = 'reed-amber-48213'
    await make()
    expect(key(1)).toBe(key(0))
    Object.assign(form, { password: 'reed-amber-48213', given: 'Bee' })
    await make()
    expect(key(2)).not.toBe(key(0))
    Object.assign(form, { level: '', section: 's', why: 'I sing.', answers: [], password: 'x' })
    await make()
    expect(asked.findLast(({ call }) => call === 'POST /join/account')!.body).toMatchObject({
      level: null,
      section: 's',
      why: 'I sing.',
      answers: [],
    })
  })

  it('is left to somebody else, or begun with another key', async () => {
    me.value = somebody
    const {
      leave,
      mode,
      asked,
      another,
      router,
      key,
      look: seen,
      step,
    } = await at('/join#reed', {
      'POST /sign-out': {},
    })
    await leave()
    expect([asked.map(({ call }) => call), mode.value, me.value]).toEqual([
      ['POST /join/look', 'POST /sign-out', 'POST /join/look'],
      'sign-in',
      null,
    ])
    another()
    await flushPromises()
    expect([key.value, seen.value, step.value, router.currentRoute.value.hash]).toEqual(['', null, 'key', ''])
  })

  it('is nothing a part can do by itself', () => {
    expect(() => show({ setup: () => (useJoining(), () => null) })).toThrow('Nobody is joining here.')
  })
})
