import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { JoinLook } from '@/shared/api'
import { me } from '@/shared/me'
import { choose } from '@/testing/choose'
import { joinLook as look, problem, serve, show, site } from '@/testing/server'
import JoinPage from './JoinPage.vue'

const KEY = 'reed-amber-48213-cobalt-fern'
const you = { id: site.id, name: 'Bea da Luz', login: 'bea.d' }
const admission = (more: Partial<NonNullable<JoinLook['admission']>> = {}): NonNullable<JoinLook['admission']> => ({
  passage: 'in',
  code: 'in',
  next: 'enter',
  values: {},
  place: null,
  waits: false,
  sentence: null,
  ...more,
})
const joined = { passage: 'in', place: null, site: { id: site.id, title: 'Harmony' }, opensAt: null }

beforeEach(() => sessionStorage.clear())
afterEach(() => (me.value = undefined))

async function stand(answers: Parameters<typeof serve>[0], typed = KEY) {
  me.value = null
  const asked = serve(answers)
  const { page } = show(JoinPage)
  await page.find('#key').setValue(typed)
  await page.find('form').trigger('submit')
  await flushPromises()
  return { page, asked }
}

describe('joining', () => {
  it('says of a slip what it is, at the field, and keeps what was typed', async () => {
    const detail = 'That is almost right: 1 letter is wrong. Compare it letter by letter.'
    const { page } = await stand(
      {
        'POST /join/look': () =>
          problem('invalid', 422, detail, { errors: [{ pointer: '/key', code: 'one-letter', detail }] }),
      },
      'read-amber-48213-cobalt-fern',
    )
    expect(page.find('[role=alert]').text()).toBe(detail)
    expect((page.find('#key').element as HTMLInputElement).value).toBe('read-amber-48213-cobalt-fern')
  })

  it('shows what one is about to join, as what, and lets in', async () => {
    const { page, asked } = await stand({
      'POST /join/look': look({ you, admission: admission() }),
      'POST /join': joined,
    })
    expect(page.text()).toContain('You are about to join')
    expect(page.text()).toContain('as learner')
    expect(page.text()).toContain('You are Bea da Luz. Not you?')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(page.text()).toContain('You are in.')
    expect(asked.findLast(({ call }) => call === 'POST /join')!.headers.get('Idempotency-Key')).toBeTruthy()
  })

  it.each([
    [
      admission({ passage: 'no', code: 'wrong-level', next: 'ask-lead', sentence: 'This door is for other levels.' }),
      'This door is for other levels.',
      'Who can help: Mara Lindqvist.',
    ],
    [
      admission({ passage: 'line', code: 'no-seat', next: 'wait', place: 4 }),
      'You would be number 4 on the waiting list',
      'Wait for a seat',
    ],
    [admission({ passage: 'already', code: 'already-here' }), 'You are in already.', 'Go to the site'],
    [admission({ passage: 'approval', code: 'approval', next: 'wait' }), 'A line for whoever decides', 'Ask to join'],
    [admission({ passage: 'line', waits: true, place: 2 }), 'You are number 2 on the waiting list.', 'My sites'],
  ])('says what to do next: %#', async (is, first, second) => {
    const { page } = await stand({ 'POST /join/look': look({ you, admission: is }) })
    expect(page.text()).toContain(first)
    expect(page.text()).toContain(second)
  })

  it('makes an account on the way, and joins with it in one step', async () => {
    const { page, asked } = await stand({
      'POST /join/look': look({ accounts: true, levels: { lowest: 1, highest: 4, names: [] } }),
      'POST /join/account': { ...joined, login: 'mia.berg' },
      'POST /sign-in': { id: site.id, name: 'Mia Berg' },
    })
    await page
      .findAll('button')
      .find((each) => each.text() === 'I have none yet')!
      .trigger('click')
    await vi.dynamicImportSettled()
    for (const [field, value] of [
      ['#given', 'Mia'],
      ['#family', 'Berg'],
      ['#new-password', 'three small boats'],
    ])
      await page.find(field!).setValue(value)
    await vi.dynamicImportSettled()
    await choose(page, 'Level', '2')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(page.text()).toContain('You sign in with mia.berg. Write it down.')
    expect(asked.find(({ call }) => call === 'POST /join/account')!.body).toMatchObject({
      key: KEY,
      given: 'Mia',
      family: 'Berg',
      level: 2,
    })
    expect(asked.some(({ call }) => call === 'POST /sign-in')).toBe(true)
  })

  it('of a door that is over says so before anybody signs in', async () => {
    const { page } = await stand({ 'POST /join/look': look({ state: 'over' }) })
    expect(page.text()).toContain('The time of this door is over. Show this page to whoever gave you the key.')
    expect(page.find('#password').exists()).toBe(false)
  })
})
