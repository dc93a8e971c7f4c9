import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import type { Message } from '@/shared/api'
import { me } from '@/shared/me'
import { lastDone } from '@/shared/undo'
import TellThem from './TellThem.vue'
import { eventually, person, problem, serve, show, site } from '@/testing/server'
import LetterView from './LetterView.vue'
import MessageList from './MessageList.vue'
import { stateSentence } from './messages'
import MessagesPage from './MessagesPage.vue'
import { tellBody } from '@/shared/tell'
import TextsOf from './TextsOf.vue'

afterEach(() => (me.value = undefined))
const message = (more: Partial<Message> = {}): Message => ({
  id: '00000000-0000-7000-8000-00000000aaaa',
  kind: 'let-in',
  state: 'sent',
  person: { id: person('Bea', 'da Luz').id, name: 'Bea da Luz' },
  to: 'bea@example.org',
  site: { id: site.id, title: site.title },
  changeList: null,
  subject: 'You can enter Harmony',
  text: 'Hello Bea\n\n(link to the site)',
  madeAt: '2026-11-24T09:00:00Z',
  sentAt: '2026-11-24T09:02:00Z',
  by: 'Mara Lindqvist',
  tries: 1,
  reason: null,
  waits: null,
  ...more,
})
const settle = async () => {
  await new Promise((done) => setTimeout(done, 350))
  await flushPromises()
}

describe('a letter', () => {
  it('shows markup as it is, and links only of a letter that arrived', () => {
    const text = 'Hi <b>you</b>\nhttps://example.org/x'
    const { page } = show(LetterView, { props: { to: null, subject: '<i>S</i>', text } })
    expect(page.text()).toContain('no address')
    expect(page.text()).toContain('<i>S</i>')
    expect(page.find('a').exists()).toBe(false)
    expect(
      show(LetterView, { props: { to: 'b@example.org', subject: 's', text, links: true } })
        .page.find('a')
        .attributes('href'),
    ).toBe('https://example.org/x')
  })

  it('has its layout in a frame in which nothing runs', async () => {
    const { page } = show(LetterView, {
      props: { to: 'b@example.org', subject: 's', text: 't', html: '<script>x</script>' },
    })
    await page.findAll('button')[1]!.trigger('click')
    expect(page.find('iframe').attributes('sandbox')).toBe('')
  })
})

describe('messages', () => {
  it('say how they stand', () => {
    const at = () => '24 Nov, 09:02'
    expect(stateSentence(message(), at)).toBe('sent 24 Nov, 09:02')
    expect(stateSentence(message({ state: 'held', waits: 100 }), at)).toBe('goes within 2 minutes')
    expect(stateSentence(message({ state: 'held', waits: 0 }), at)).toBe('on its way')
    expect(stateSentence(message({ state: 'delayed', waits: 30 }), at)).toBe('not taken yet, tried again in 1 minute')
    expect(stateSentence(message({ state: 'withdrawn' }), at)).toBe('withdrawn in time')
  })

  it('are sent again or withdrawn, each as it stands, and who could not be is said', async () => {
    const held = message({ id: '00000000-0000-7000-8000-00000000bbbb', state: 'held', waits: 60 })
    const asked = serve({
      'GET /messages': { items: [held, message({ state: 'bounced', reason: 'No such simulatedInbox.' })], next: null },
      'POST /messages/again': { queued: 0, left: [{ id: message().id, name: 'Bea da Luz', why: 'no-address' }] },
      'POST /messages/withdraw': { withdrawn: 1 },
    })
    const { page } = show(MessageList, { props: { query: {} } })
    await eventually(() => expect(page.findAll('tbody tr.body')).toHaveLength(2))
    expect(page.text()).toContain('No such simulatedInbox.')
    for (const box of page.findAll('td input[type=checkbox]')) await box.trigger('change')
    const word = (label: string) => page.findAll('button').find((each) => each.text() === label)!
    await word('send it again').trigger('click')
    await flushPromises()
    expect(asked.find(({ call }) => call === 'POST /messages/again')!.body).toEqual({ messages: [message().id] })
    expect(lastDone.more).toBe('Bea da Luz has no e-mail address.')
    for (const box of page.findAll('td input[type=checkbox]')) await box.trigger('change')
    await word('withdraw it').trigger('click')
    await flushPromises()
    expect(asked.find(({ call }) => call === 'POST /messages/withdraw')!.body).toEqual({ messages: [held.id] })
  })

  it('of nobody are said to be none', async () => {
    serve({ 'GET /messages': { items: [], next: null } })
    const { page } = show(MessageList, { props: { query: {}, bare: true } })
    await flushPromises()
    expect(page.text()).toBe('No message was sent to them yet.')
  })
})

describe('messages', () => {
  it('shows simulated inboxes to platform administrators only', async () => {
    serve({ 'GET /messages': { items: [], next: null } })
    me.value = { platformAdministrator: true, seesMailboxes: false, divisions: [] } as never
    expect(show(MessagesPage).page.text()).not.toContain('Simulated inboxes')
    me.value = { platformAdministrator: true, seesMailboxes: true, divisions: [] } as never
    expect(show(MessagesPage).page.text()).toContain('Simulated inboxes')
    await flushPromises()
  })
})

describe('words', () => {
  const templates = {
    scope: 'platform',
    language: 'en',
    languages: ['en'],
    items: [
      {
        kind: 'let-in',
        subject: 'In',
        body: 'Go: {link}',
        whose: 'first',
        own: false,
        version: 0,
        placeholders: ['given', 'link', 'words'],
        needsLink: true,
      },
    ],
  }
  const opened = async (answers: object = {}) => {
    me.value = { platformAdministrator: true, divisions: [] } as never
    const asked = serve({
      'GET /templates': templates,
      'POST /message-previews': {
        to: 'me@example.org',
        subject: 'In',
        text: 'Go',
        html: '',
        whose: 'unsaved',
        problems: [],
      },
      ...answers,
    })
    const { page } = show(TextsOf, { props: { site: null } })
    await flushPromises()
    return { page, asked }
  }

  it('are filled in by a word, saved with the version looked at, and previewed as they are typed', async () => {
    const { page, asked } = await opened({ 'PUT /templates/let-in': templates })
    await page.find('textarea').setValue('Dear ')
    await page.findAll('.names button')[0]!.trigger('click')
    expect(page.find('textarea').element.value).toBe('Dear {given}')
    await settle()
    expect(
      (asked.filter(({ call }) => call.startsWith('POST /message-previews')).at(-1)!.body as { body: string }).body,
    ).toBe('Dear {given}')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(asked.find(({ call }) => call.startsWith('PUT'))!.body).toEqual({
      language: 'en-GB',
      subject: 'In',
      body: 'Dear {given}',
      version: 0,
    })
  })

  it('that are wrong are said at their field, and stay', async () => {
    const { page } = await opened({
      'PUT /templates/let-in': problem('invalid', 422, 'x', {
        errors: [{ pointer: '/body', code: 'no-link', detail: 'The link must stay.' }],
      }),
    })
    await page.find('textarea').setValue('No link')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(page.find('.wrong').text()).toBe('The link must stay.')
    expect(page.find('textarea').element.value).toBe('No link')
  })

  it('are not everybody’s to change', () => {
    me.value = { platformAdministrator: false, divisions: [] } as never
    expect(show(TextsOf, { props: { site: null } }).page.text()).toContain('changed by administrators')
  })
})

describe('tellBody', () => {
  it('says nothing unless it is meant', () => {
    expect([tellBody(false, 'x'), tellBody(true), tellBody(true, 'x')]).toEqual([{}, { tell: '' }, { tell: 'x' }])
  })

  it('counts who can be told and who cannot', () => {
    const line = (told: 'mail' | 'no-address' | 'no-account' | null) => ({
      told,
      person: { id: site.id, name: 'x' },
      after: null,
    })
    const { page } = show(TellThem, {
      props: {
        tell: true,
        words: '',
        kind: 'let-in',
        site: site.id,
        lines: [line('mail'), line('mail'), line('no-address'), line('no-account'), line(null)],
      },
    })
    expect(page.text()).toContain('2 people get a message')
    expect(page.text()).toContain('2 people have no e-mail address or account')
  })
})
