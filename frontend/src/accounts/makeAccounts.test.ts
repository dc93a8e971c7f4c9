import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import { me } from '@/shared/me'
import { lastDone } from '@/shared/undo'
import { person, problem, serve, show, site } from '@/testing/server'
import { accountNote } from './accounts'
import AccountsMade from './AccountsMade.vue'
import DuplicatesPage from './DuplicatesPage.vue'
import ForgottenPage from './ForgottenPage.vue'
import MakeAccountsPage from './MakeAccountsPage.vue'
import MergePage from './MergePage.vue'

afterEach(() => (me.value = undefined))
const settle = async () => {
  await new Promise((done) => setTimeout(done, 400))
  await flushPromises()
}
const bea = person('Bea', 'da Luz')
const row = (more: object = {}) => ({
  row: 1,
  text: 'Bea da Luz',
  given: 'Bea',
  family: 'da Luz',
  preferred: null,
  kind: 'learner',
  division: 'seniors',
  level: 7,
  number: null,
  email: null,
  login: 'bea.da-luz',
  verdict: 'ready',
  reasons: [],
  cautions: [],
  known: null,
  candidates: [],
  ...more,
})
const batch = (rows: object[], more: object = {}) => ({
  total: rows.length,
  verdicts: { ready: 0, 'needs-choice': 0, refused: 0, 'nothing-to-do': 0, ...more },
  addressed: 0,
  rows,
})
const kept = { id: '00000000-0000-7000-8000-00000000cccc', version: 1, state: 'draft' }

describe('making accounts', () => {
  it('adds one person after the other as rows whose columns are named', async () => {
    serve({ 'POST /account-batches': batch([]), 'POST /change-lists': kept })
    const { page } = show(MakeAccountsPage)
    const fields = page.findAll('.one input')
    for (const [at, value] of ['Bea', 'da Luz', 'bea@example.org', '', '7'].entries()) await fields[at]!.setValue(value)
    await page.find('.one').trigger('submit')
    await fields[0]!.setValue('Kai')
    await fields[1]!.setValue('Moreau')
    await page.find('.one').trigger('submit')
    expect(page.find('textarea').element.value).toBe(
      'given\tfamily\temail\tnumber\tlevel\nBea\tda Luz\tbea@example.org\t\t7\nKai\tMoreau\t\t\t',
    )
  })

  it('asks who is meant, and makes what is settled', async () => {
    const asked = serve({
      'POST /account-batches': (_, body: { choices: Record<string, string>; apply: boolean }) =>
        body.choices['1']
          ? batch([row()], { ready: 1 })
          : batch([row({ verdict: 'needs-choice', reasons: [{ code: 'same-name', values: {} }], candidates: [bea] })], {
              'needs-choice': 1,
            }),
      'POST /change-lists': kept,
      [`PUT /change-lists/${kept.id}`]: kept,
      'POST /message-previews': {},
    })
    const { page, router } = show(MakeAccountsPage)
    await page.find('#acc-rows').setValue('Bea da Luz')
    await settle()
    expect(page.text()).toContain('Somebody of this name is in the directory.')
    await page.findAll('fieldset input')[1]!.trigger('change')
    await settle()
    expect(page.text()).toContain('1 account will be made')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Make 1 account')!
      .trigger('click')
    await settle()
    const applied = asked.filter(({ call }) => call === 'POST /account-batches').at(-1)!.body
    expect(applied).toMatchObject({
      text: 'Bea da Luz',
      choices: { 1: 'new' },
      apply: true,
      changeList: kept.id,
      tell: '',
    })
    expect(router.currentRoute.value.name).toBe('change-list')
  })

  it('says what is wrong with a field, each in its own words', () => {
    expect(accountNote({ code: 'missing', values: { field: 'name' } })).toBe('Write a given and a family name.')
    expect(accountNote({ code: 'taken', values: { field: 'email' } })).toBe(
      'This e-mail is somebody else’s. Correct it, or leave it out.',
    )
    expect(accountNote({ code: 'row-has-it', values: { field: 'number', row: 3 } })).toContain(
      'Row 3 has this number already.',
    )
  })
})

describe('a changeList of accounts', () => {
  it('offers cards for those without a password, and is taken back with who has to stay', async () => {
    const path = `/account-batches/${kept.id}`
    const asked = serve({
      [`GET ${path}`]: {
        rows: [
          {
            row: 1,
            given: 'Bea',
            family: 'da Luz',
            email: null,
            outcome: 'ready',
            reasons: [],
            made: 'person',
            person: bea.id,
            login: 'bea',
            message: null,
          },
        ],
        withoutPassword: [bea.id],
        next: null,
      },
      [`POST ${path}/undo`]: { ready: 1, left: [{ row: 2, name: 'Kai Moreau', why: 'signed-in' }] },
    })
    const { page } = show(AccountsMade, { props: { changeList: { ...kept, done: 1, tell: '' } as never } })
    await flushPromises()
    expect(page.text()).toContain('Sign-in card for the 1 without a password')
    expect(page.text()).toContain('no e-mail address')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Undo all of it…')!
      .trigger('click')
    await flushPromises()
    expect(page.text()).toContain('Kai Moreau has signed in and stays.')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Undo 1 account')!
      .trigger('click')
    await flushPromises()
    expect(asked.filter(({ call }) => call.startsWith('POST')).map(({ body }) => body)).toEqual([
      { apply: false },
      { apply: true },
    ])
    expect(lastDone.sentence).toBe('1 account is removed again.')
  })
})

describe('two who are one', () => {
  const other = person('Bea', 'da Luz', {
    id: '00000000-0000-7000-8000-00000000dddd',
    number: null,
    email: 'b@example.org',
  })
  const review = { lines: [], sites: [], verdicts: {}, removal: null, total: 0 }
  const merge = {
    stays: bea,
    goes: other,
    facts: {
      given: 'Bea',
      family: 'da Luz',
      preferred: null,
      further: [],
      level: 7,
      number: bea.number,
      email: 'b@example.org',
    },
    login: 'bea',
    closes: 'bea2',
    choices: [{ site: { id: site.id, title: 'Harmony' }, roles: ['learner', 'day-guest'] }],
    review,
    ready: false,
    changeList: null,
  }

  it('are told apart, and that is taken back', async () => {
    const path = `/duplicates/${bea.id}/${other.id}`
    const asked = serve({
      'GET /duplicates': {
        total: 1,
        items: [
          {
            people: [bea, other].map((each) => ({ person: each, sites: 1, account: true, usedAt: null, known: null })),
            evidence: ['same-name', 'no-number'],
          },
        ],
      },
      [`PUT ${path}`]: { apart: true },
      [`DELETE ${path}`]: { apart: false },
    })
    const { page } = show(DuplicatesPage)
    await flushPromises()
    expect(page.text()).toContain('the same name, one has no number')
    await page
      .findAll('button')
      .find((each) => each.text() === 'They are two people')!
      .trigger('click')
    await flushPromises()
    await lastDone.back!()
    expect(asked.map(({ call }) => call).filter((call) => call.includes('/duplicates/'))).toEqual([
      `PUT ${path}`,
      `DELETE ${path}`,
    ])
  })

  it('are merged once every site is settled', async () => {
    const asked = serve({
      'POST /merges': (_, body: { roles: Record<string, string>; apply: boolean }) =>
        body.roles[site.id] ? { ...merge, choices: [], ready: true, changeList: body.apply ? kept.id : null } : merge,
    })
    const { page, router } = show(MergePage)
    await router.push({ name: 'merge', query: { stays: bea.id, goes: other.id } })
    await flushPromises()
    const button = () => page.findAll('button').find((each) => each.text() === 'Merge them')!
    expect(button().attributes('disabled')).toBeDefined()
    expect(page.text()).toContain('The account bea2 is closed.')
    await page.findAll('fieldset input')[0]!.trigger('change')
    await flushPromises()
    await button().trigger('click')
    await flushPromises()
    expect(asked.find(({ body }) => (body as { apply?: boolean })?.apply)!.body).toMatchObject({
      stays: bea.id,
      goes: other.id,
      roles: { [site.id]: 'learner' },
      apply: true,
    })
    expect(router.currentRoute.value.params.person).toBe(bea.id)
  })
})

describe('a forgotten password', () => {
  it('is answered the same whoever asks, and too many tries are said', async () => {
    serve({ 'POST /forgotten-password': { asked: true } })
    const { page } = show(ForgottenPage)
    await page.find('input').setValue('bea')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(page.text()).toContain('If there is such an account')
    serve({ 'POST /forgotten-password': problem('too-many-tries', 429, 'Too many tries from here.') })
    const again = show(ForgottenPage).page
    await again.find('input').setValue('bea')
    await again.find('form').trigger('submit')
    await flushPromises()
    expect(again.find('[role=alert]').text()).toBe('Too many tries from here.')
  })
})
