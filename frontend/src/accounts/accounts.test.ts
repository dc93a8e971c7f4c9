import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { me } from '@/shared/me'
import { lastDone } from '@/shared/undo'
import { choose } from '@/testing/choose'
import { person, problem, serve, show, site, standing } from '@/testing/server'
import { cards } from './cards'
import CardsPage from './CardsPage.vue'
import OwnSettings from './OwnSettings.vue'
import PasswordPage from './PasswordPage.vue'
import PersonPage from '@/desk/PersonPage.vue'

afterEach(() => {
  cards.value = []
  me.value = undefined
})
const bea = person('Bea', 'da Luz')
const account = (more = {}) => ({
  login: 'bea.d',
  open: true,
  closedFrom: null,
  hasPassword: true,
  mustChange: false,
  sessions: 2,
  madeAt: null,
  usedAt: null,
  ...more,
})
const reason = {
  entry: 'enter',
  causes: [{ code: 'let-in', values: { role: 'learner' }, change: 'none', mine: false, givers: [] }],
}
const page = (more = {}) => ({
  person: bea,
  labels: ['oboe'],
  details: [],
  account: account(),
  refusal: null,
  mayClose: true,
  administers: true,
  version: 1,
  gone: null,
  into: null,
  notes: [],
  sites: [{ site, standing: standing(), reason, stretches: [] }],
  elsewhere: 1,
  ...more,
})
const press = async (shown: ReturnType<typeof show>['page'], label: string) => {
  await shown
    .findAll('button')
    .find((each) => each.text() === label)!
    .trigger('click')
  await flushPromises()
}

describe('a person', () => {
  async function opened(answers: Parameters<typeof serve>[0]) {
    const asked = serve(answers)
    const { page: shown, router } = show(PersonPage)
    await router.push({ name: 'person', params: { person: bea.id } })
    await flushPromises()
    return { shown, asked, router }
  }

  it('is who they are, how they sign in, and where they are', async () => {
    const { shown } = await opened({ [`GET /people/${bea.id}`]: page() })
    expect(shown.text()).toContain('Signs in as bea.d · open · has a password')
    expect(shown.text()).toContain('never signed in · 2 sessions now')
    expect(shown.text()).toContain('Can enter as learner.')
    expect(shown.text()).toContain('And in 1 other, which you do not run.')
  })

  it('is closed after a word on the sites that would have no lead, and opened again by undo', async () => {
    const put = (_request: Request, { open, apply }: { open: boolean; apply: boolean }) => ({
      open: apply ? open : true,
      changes: true,
      leaderless: open ? [] : [{ id: site.id, title: 'Harmony' }],
    })
    const { shown, asked } = await opened({ [`GET /people/${bea.id}`]: page(), [`PUT /people/${bea.id}/account`]: put })
    await press(shown, 'Close the account…')
    expect(shown.text()).toContain('Harmony would have no lead who can enter.')
    await press(shown, 'Close it now')
    expect(lastDone.sentence).toBe('The account of Bea da Luz is closed.')
    await lastDone.back!()
    expect(asked.findLast(({ call }) => call === `PUT /people/${bea.id}/account`)!.body).toEqual({
      open: true,
      apply: true,
    })
  })

  it('says why one may not look after an account', async () => {
    const { shown } = await opened({ [`GET /people/${bea.id}`]: page({ refusal: 'not-a-learner' }) })
    expect(shown.text()).toContain('looked after by administrators')
    expect(shown.findAll('button').some((each) => each.text() === 'Sign-in card')).toBe(false)
  })

  it('is signed out everywhere', async () => {
    const { shown } = await opened({
      [`GET /people/${bea.id}`]: page(),
      [`DELETE /people/${bea.id}/sessions`]: { ended: 2 },
    })
    await press(shown, 'End their sessions')
    expect(lastDone.sentence).toBe('2 sessions are ended.')
  })
})

describe('sign-in cards', () => {
  it('are made when it is said, shown once, and let go of', async () => {
    history.replaceState({ people: [bea.id, site.id] }, '')
    const asked = serve({
      'POST /sign-in-cards': {
        cards: [
          {
            person: { id: bea.id, name: 'Bea da Luz' },
            login: 'bea.d',
            password: 'reed-amber-cobalt-fox-42',
            until: '2026-12-08T09:00:00Z',
            refused: null,
          },
          {
            person: { id: site.id, name: 'Mara' },
            login: null,
            password: null,
            until: null,
            refused: 'Accounts of staff are looked after by administrators.',
          },
        ],
      },
    })
    const { page: shown } = show(CardsPage)
    expect(shown.text()).toContain('2 people get new passwords')
    await shown.get('input[type=checkbox]').setValue(true)
    await press(shown, 'Make 2 cards')
    const posted = asked.find(({ call }) => call === 'POST /sign-in-cards')!
    expect(posted.body).toEqual({ people: [bea.id, site.id], once: true, days: null })
    expect(shown.findAll('article')).toHaveLength(1)
    expect(shown.get('article').text()).toContain('reed-amber-cobalt-fox-42')
    expect(shown.get('article').text()).toMatch(/8 Dec/)
    expect(shown.text()).toContain('looked after by administrators')
    shown.unmount()
    expect(cards.value).toEqual([])
  })
})

describe('one’s own password', () => {
  it('is changed by the present one, and what is wrong is said at its field', async () => {
    const put = vi
      .fn()
      .mockReturnValueOnce(
        problem('invalid', 422, 'x', {
          errors: [{ pointer: '/present', code: 'wrong', detail: 'That is not your present password.' }],
        }),
      )
      .mockReturnValueOnce({
        id: bea.id,
        name: 'Bea',
        login: 'b',
        kind: 'learner',
        platformAdministrator: false,
        divisions: [],
        mayMakeSites: false,
        readsNumbers: false,
        mustChange: false,
      })
    serve({ 'PUT /me/password': put })
    const { page: shown } = show(PasswordPage)
    await shown.get('#present').setValue('old one here')
    await shown.get('#password').setValue('a new one here')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(shown.get('[role=alert]').text()).toBe('That is not your present password.')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(me.value?.mustChange).toBe(false)
    expect(lastDone.sentence).toBe('Your password is changed.')
  })
})

describe('one’s own language and time zone', () => {
  const own = { id: bea.id, name: 'Bea', language: null, timeZone: null } as unknown as NonNullable<typeof me.value>

  it('are saved when they are chosen, and the pages begin anew with them', async () => {
    const reload = vi.fn()
    vi.stubGlobal('location', { ...location, hash: '', reload })
    me.value = own
    const asked = serve({
      'PUT /me/settings': { ...own, language: 'en-US' },
    })
    const { page: shown } = show(OwnSettings)
    expect(shown.text()).toMatch(/For example: \w+,? /)
    await choose(shown, 'Language, and how days and numbers are written', 'American English')
    await flushPromises()
    expect(asked[0]!.body).toEqual({ language: 'en-US', timeZone: null })
    expect(me.value?.language).toBe('en-US')
    expect(reload).toHaveBeenCalledOnce()
    expect(localStorage.getItem('mint-door.own')).toBe('{"language":"en-US","timeZone":null}')
    localStorage.removeItem('mint-door.own')
  })
})
