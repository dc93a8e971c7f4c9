import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import type { Door } from '@/shared/api'
import { setPlatformClock } from '@/shared/clock'
import { me } from '@/shared/me'
import { lastDone } from '@/shared/undo'
import { platform, person, problem, read, serve, show, site } from '@/testing/server'
import { nextSentence, plain, sentence, squares, type Terms } from './doors'
import DoorsPage from './DoorsPage.vue'
import InvitePanel from './InvitePanel.vue'
import OpenDoorsPage from './OpenDoorsPage.vue'
import OwnWaits from './OwnWaits.vue'

setPlatformClock('2026-11-24T09:00:00Z')
afterEach(() => (me.value = undefined))
const DOOR = '00000000-0000-7000-8000-0000000000d1'
const terms = (more: Partial<Terms> = {}): Terms => ({
  role: 'learner',
  place: 'none',
  section: null,
  fromDay: null,
  untilDay: null,
  seats: null,
  divisions: [],
  lowest: null,
  highest: null,
  domains: [],
  approval: false,
  waiting: true,
  accounts: false,
  stay: 'site',
  stayDay: null,
  quietDays: null,
  quietMeetings: null,
  meets: [],
  offerHours: 14,
  answerDays: 14,
  remindDays: 5,
  holds: false,
  shows: [],
  anyone: false,
  about: '',
  ...more,
})
const door = (more: Partial<Door> = {}, of: Partial<Terms> = {}): Door => ({
  id: DOOR,
  kind: 'key',
  name: 'Poster',
  version: 3,
  set: true,
  reserved: false,
  backed: true,
  state: 'open',
  key: 'reed-amber-48213-cobalt-fern',
  terms: terms(of),
  came: 12,
  through: 10,
  waiting: 0,
  asking: 0,
  asked: 0,
  answered: 0,
  left: null,
  chart: { each: 1, came: [] },
  next: null,
  ...more,
})
const names = {
  platform: platform as never,
  site,
  roleName: (code: string) => platform.roles.find((each) => each.code === code)?.name ?? code,
}
const said = (each: Door) => plain(sentence(each, names))
const keeper = { ...site, may: [...site.may, 'keep-doors' as const] }
const press = async (page: ReturnType<typeof show>['page'], label: string) => {
  await page
    .findAll('button')
    .find((each) => each.text() === label || each.attributes('aria-label') === label)!
    .trigger('click')
  await flushPromises()
}

describe('the sentence of a door', () => {
  it('says who may come through, as what, from when to when, and what then', () => {
    expect(
      said(
        door(
          {},
          {
            divisions: ['seniors'],
            lowest: 6,
            highest: 8,
            place: 'fixed',
            section: site.sections[0]!.id,
            untilDay: '2026-12-02',
            seats: 24,
            stay: 'term',
            quietMeetings: 3,
            meets: [2],
          },
        ),
      ),
    ).toBe(
      'With the key reed-amber-48213-cobalt-fern, people may join as learner. Only for: Seniors; levels 6 to 8. ' +
        'It is open until 2 Dec. They come into section Morning. It has room for 24 people. ' +
        'They stay to the end of the term. Whoever misses 3 meetings frees the seat.',
    )
  })

  it('is followed by what it does next', () => {
    const next = (what: 'opens' | 'shuts' | 'lapse', at: string, n = 0) =>
      nextSentence(door({ next: { what, at, n } }), 'UTC')
    expect(next('shuts', '2026-12-03T00:00:00Z')).toBe('shuts after 2 Dec')
    expect(next('lapse', '2026-11-25T17:00:00Z', 7)).toBe('7 invitations end tomorrow')
    expect(next('opens', '2026-11-24T17:00:00Z')).toBe('opens today')
    expect(nextSentence(door(), 'UTC')).toBe('')
  })

  it('has a code to scan: square, with its three finders', () => {
    const { path, size } = squares('https://example.org/join#reed-amber-48213-cobalt-fern')
    expect((size - 17) % 4).toBe(0)
    for (const corner of ['M0 0h', `M${size - 7} 0h`, `M0 ${size - 7}h`]) expect(path).toContain(corner)
  })
})

describe('the doors of a site', () => {
  const answers = (items: Door[]) => ({
    [`GET /sites/${site.id}/doors`]: { items },
    [`GET /sites/${site.id}/waiting`]: { items: [] },
    [`POST /sites/${site.id}/door-reach`]: { could: 412, here: 40, blocked: 3, not: 9, seats: 24 },
  })
  async function opened(more: Parameters<typeof serve>[0] = {}, items = [door()]) {
    const asked = serve({ ...answers(items), ...more })
    const { page } = show(DoorsPage, { props: { site: keeper } })
    await flushPromises()
    return { page, asked }
  }

  it('are shut and opened again by undo', async () => {
    const { page, asked } = await opened({
      [`DELETE /sites/${site.id}/doors/${DOOR}/open`]: door({ state: 'shut' }),
      [`PUT /sites/${site.id}/doors/${DOOR}/open`]: door(),
    })
    expect(page.text()).toContain('12 came through, 10 here now')
    await press(page, 'Shut')
    expect(lastDone.sentence).toBe('Poster is shut. Who came through stays.')
    await lastDone.back!()
    expect(asked.some(({ call }) => call === `PUT /sites/${site.id}/doors/${DOOR}/open`)).toBe(true)
  })

  it('are set up by completing a sentence, whose reach is said while it is written', async () => {
    const { page, asked } = await opened({ [`POST /sites/${site.id}/doors`]: door({ name: 'Spring' }) }, [])
    await press(page, 'Key')
    await new Promise((wait) => setTimeout(wait, 400))
    await flushPromises()
    expect(page.text()).toContain('412 people could come through, 24 seats, 3 are blocked, 40 are here already.')
    await page.find('#door-name').setValue('Spring')
    await page.find('form.write').trigger('submit')
    await flushPromises()
    expect(asked.findLast(({ call }) => call === `POST /sites/${site.id}/doors`)!.body).toMatchObject({
      kind: 'key',
      name: 'Spring',
      role: 'learner',
      divisions: ['seniors'],
      key: null,
    })
    expect(lastDone.sentence).toBe('Spring is set up.')
  })

  it('say at the field what is wrong, and keep what was written', async () => {
    const detail = 'Who knows the site could guess that.'
    const { page } = await opened(
      {
        [`POST /sites/${site.id}/doors`]: () =>
          problem('invalid', 422, detail, { errors: [{ pointer: '/key', code: 'of-the-site', detail }] }),
      },
      [],
    )
    await press(page, 'Key')
    await page.find('#door-name').setValue('Mine')
    await page.find('form.write').trigger('submit')
    await flushPromises()
    expect(page.find('form.write').text()).toContain(detail)
    expect((page.find('#door-name').element as HTMLInputElement).value).toBe('Mine')
  })

  it('give a new key only once it is said that the old one stops', async () => {
    const { page, asked } = await opened({ [`POST /sites/${site.id}/doors/${DOOR}/key`]: door({ key: 'other' }) })
    await press(page, 'New key')
    expect(page.text()).toContain('The key reed-amber-48213-cobalt-fern stops at once.')
    expect(asked.some(({ call }) => call.endsWith('/key'))).toBe(false)
    await press(page, 'Give it a new key')
    expect(asked.some(({ call }) => call.endsWith('/key'))).toBe(true)
  })

  it('show who waits, answered one by one or all, moved up with a reason', async () => {
    const waiting = (id: number, what: 'seat' | 'approval', more = {}) => ({
      id,
      person: { id: person('Bea', String(id)).id, name: `Bea ${id}` },
      kind: 'learner',
      level: 7,
      division: 'Seniors',
      what,
      place: what === 'seat' ? id : null,
      door: { id: DOOR, name: 'Poster' },
      since: '2026-11-24T08:00:00Z',
      why: null,
      moved: null,
      offeredUntil: null,
      ...more,
    })
    const { page, asked } = await opened({
      [`GET /sites/${site.id}/waiting`]: {
        items: [
          waiting(1, 'seat', { offeredUntil: '2026-11-24T20:00:00Z' }),
          waiting(2, 'seat'),
          waiting(8, 'approval', { why: 'I play viola' }),
          waiting(9, 'approval'),
        ],
      },
      [`POST /sites/${site.id}/waiting`]: { items: [{ id: 8, name: 'Bea', done: true, code: 'in' }] },
    })
    expect(page.text()).toContain('I play viola')
    expect(page.text()).toContain('seat kept until 24 Nov, 20:00')
    await press(page, 'Yes to all 2')
    expect(asked.findLast(({ call }) => call === `POST /sites/${site.id}/waiting`)!.body).toMatchObject({
      waiters: [8, 9],
      answer: 'yes',
    })
    await press(page, 'Move to the front: Bea 2')
    await page.find('form input[aria-label="Why?"]').setValue('Sister is in it')
    await page.find('form.acts').trigger('submit')
    await flushPromises()
    expect(asked.findLast(({ call }) => call === `POST /sites/${site.id}/waiting`)!.body).toMatchObject({
      waiters: [2],
      answer: 'up',
      why: 'Sister is in it',
    })
  })
})

describe('invitations', () => {
  it('say of each line what will become of it, and of each one sent how it stands', async () => {
    const path = `/sites/${site.id}/doors/${DOOR}/invitations`
    const line = (text: string, verdict: string, who: string | null = null) => ({
      number: 1,
      text,
      person: who ? { id: person(who, 'x').id, name: who } : null,
      address: text,
      verdict,
      candidates: [],
    })
    const sent = (address: string, state: string) => ({
      id: person(address, state).id,
      person: null,
      address,
      state,
      sent: 1,
      madeAt: '2026-11-20T08:00:00Z',
      lapsesAt: '2026-12-04T08:00:00Z',
      openedAt: null,
      answeredAt: null,
      answeredBy: null,
      reason: null,
    })
    const asked = serve({
      [`GET ${path}`]: {
        items: [sent('a@example.org', 'opened'), sent('b@example.org', 'bounced'), sent('c@example.org', 'answered')],
      },
      [`POST ${path}`]: (_request: Request, { apply }: { apply: boolean }) => ({
        items: [line('new@example.net', 'ready'), line('bea@example.org', 'here', 'Bea')],
        invited: apply ? 1 : 0,
      }),
      [`POST ${path}/again`]: { done: 2 },
    })
    const { page } = show(InvitePanel, { props: { door: door({ kind: 'invitation' }), site: keeper } })
    await page.find('#invite-box').setValue('new@example.net\nbea@example.org')
    await new Promise((wait) => setTimeout(wait, 450))
    await flushPromises()
    expect(read(page)).toContain('new@example.net not in the directorywill be invited')
    expect(read(page)).toContain('Bea is here already')
    await press(page, 'Invite 1')
    expect(lastDone.sentence).toBe('1 invitation goes out in 2 minutes.')
    await press(page, 'Send again to all 2 who did not answer')
    expect(asked.findLast(({ call }) => call.endsWith('/again'))!.body).toEqual({ all: true })
  })
})

/** A site that is asked, without a key. */
const openDoor = (more: object) => ({
  door: DOOR,
  site: { id: site.id, title: 'Harmony' },
  kind: 'course',
  division: 'Seniors',
  term: 'Autumn',
  timeZone: 'UTC',
  asks: true,
  questions: [],
  question: '',
  about: '',
  untilAt: null,
  waits: false,
  ...more,
})

describe('for a learner', () => {
  it('a seat that is kept is taken with one tap', async () => {
    const wait = {
      id: 7,
      site: { id: site.id, title: 'Harmony' },
      timeZone: 'UTC',
      what: 'seat',
      since: '2026-11-20T08:00:00Z',
      place: 1,
      of: 3,
      offeredUntil: '2026-11-24T18:00:00Z',
    }
    serve({
      'GET /me/waits': {
        items: [wait, { ...wait, id: 8, place: 2, offeredUntil: null }],
        quiet: [{ site: { id: site.id, title: 'Harmony' }, timeZone: 'UTC', until: '2026-11-26T18:00:00Z' }],
      },
      'POST /me/waits/7': { passage: 'in', place: null, site: wait.site, opensAt: null },
    })
    const { page } = show(OwnWaits)
    await flushPromises()
    expect(page.text()).toContain('A seat is kept for you until 24 Nov, 18:00.')
    expect(page.text()).toContain('You are number 2 of 3 on the waiting list.')
    expect(page.text()).toContain('Enter it before 26 Nov, 18:00')
    await press(page, 'Take the seat: Harmony')
    expect(lastDone.sentence).toBe('You are in Harmony.')
  })

  it('a site is asked with a line of why', async () => {
    const asked = serve({
      'GET /open-doors': {
        items: [openDoor({ question: 'What do you play?', about: 'Say what you play.' })],
      },
      'POST /join': { passage: 'approval', place: null, site: { id: site.id, title: 'Harmony' }, opensAt: null },
    })
    const { page } = show(OpenDoorsPage)
    await flushPromises()
    await press(page, 'Ask to join: Harmony')
    expect(page.text()).toContain('What do you play?')
    await page.find('form input').setValue('Viola')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(asked.findLast(({ call }) => call === 'POST /join')!.body).toMatchObject({ door: DOOR, why: 'Viola' })
    expect(lastDone.sentence).toBe('You asked to join Harmony.')
  })

  it('a site asks its own questions, and says which answer is missing', async () => {
    const asked = serve({
      'GET /open-doors': {
        items: [
          openDoor({
            questions: [
              { text: 'What do you play?', choices: [] },
              { text: 'Since when?', choices: [] },
            ],
          }),
        ],
      },
      'POST /join': () =>
        problem('invalid', 422, 'Answer this question.', {
          errors: [{ pointer: '/answers/0', code: 'no-answer', detail: 'Answer this question.' }],
        }),
    })
    const { page } = show(OpenDoorsPage)
    await flushPromises()
    await press(page, 'Ask to join: Harmony')
    await page.findAll('form input')[1]!.setValue('Last year')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(asked.findLast(({ call }) => call === 'POST /join')!.body).toMatchObject({ answers: ['', 'Last year'] })
    expect(page.findAll('.field')[0]!.text()).toContain('Answer this question.')
    expect(page.findAll('.field')[1]!.text()).not.toContain('Answer this question.')
  })
})
