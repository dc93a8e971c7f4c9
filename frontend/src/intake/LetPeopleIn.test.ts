import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { lastDone } from '@/shared/undo'
import { candidate, person, problem, read, serve, show, site, standing } from '@/testing/server'
import LetPeopleIn from './LetPeopleIn.vue'

const bea = person('Beatriz', 'da Luz', { preferred: 'Bea', further: [{ kind: 'former', given: '', family: 'Silva' }] })
const none = {
  alreadyHere: [],
  wasHere: [],
  blocked: [],
  canBeLetIn: [],
  more: { alreadyHere: false, wasHere: false, blocked: false, canBeLetIn: false },
}
const INTAKE = `GET /sites/${site.id}/intake`
const LISTS = `POST /sites/${site.id}/change-lists`
const line = (more: object = {}) => ({
  lines: [
    {
      verdict: 'ready',
      before: null,
      after: standing(),
      outlook: [],
      reasons: [],
      cautions: [],
      entry: 12,
      line: null,
      version: 1,
      ...more,
    },
  ],
})

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
afterEach(() => void vi.useRealTimers())

async function typing(text: string) {
  const { page } = show(LetPeopleIn, { props: { site } })
  await page.find('#let-in').setValue(text)
  await vi.advanceTimersByTimeAsync(120)
  await flushPromises()
  return page
}

describe('the box that lets people in', () => {
  it('takes a list that is pasted anywhere on the page, but not into another field', async () => {
    serve({ [INTAKE]: none })
    const { page } = show(LetPeopleIn, { props: { site } })
    const paste = (on: EventTarget, text: string) => {
      const event = new Event('paste', { bubbles: true, cancelable: true })
      on.dispatchEvent(Object.assign(event, { clipboardData: { getData: () => text } }))
    }
    const other = document.body.appendChild(document.createElement('input'))
    paste(other, 'Ana Ruiz\nBo Ruiz')
    paste(document.body, 'Ana Ruiz')
    expect(page.findComponent(LetPeopleIn).emitted('list')).toBeUndefined()
    paste(document.body, 'Ana Ruiz\nBo Ruiz')
    expect(page.findComponent(LetPeopleIn).emitted('list')).toEqual([['Ana Ruiz\nBo Ruiz', '']])
    other.remove()
  })

  it('takes a list from a file that is dropped on it, and says which files it cannot read', async () => {
    vi.useRealTimers()
    serve({ [INTAKE]: none })
    const { page } = show(LetPeopleIn, { props: { site } })
    await flushPromises()
    const drop = async (...contents: (string | Uint8Array<ArrayBuffer>)[]) => {
      const files = contents.map((content) => new File([content], 'class.csv'))
      const dataTransfer = { files, items: [], types: ['Files'], dropEffect: '' }
      const event = new Event('drop', { bubbles: true, cancelable: true })
      page.find('.intake').element.dispatchEvent(Object.assign(event, { dataTransfer }))
      await new Promise((done) => setTimeout(done, 20))
      await flushPromises()
    }
    await drop(new Uint8Array([0x50, 0x4b, 0, 0]))
    expect(page.find('[role=alert]').text()).toContain('This kind of file cannot be read here.')
    await drop('Ana Ruiz', 'Bo Ruiz')
    expect(page.find('[role=alert]').exists()).toBe(false)
    expect(page.findComponent(LetPeopleIn).emitted('list')).toEqual([['Ana Ruiz\nBo Ruiz', '']])
  })

  it('asks for two characters, and asks the server nothing before', async () => {
    const asked = serve({ [INTAKE]: none })
    expect((await typing('b')).text()).toContain('Type 2 characters or more.')
    expect(asked.filter(({ call }) => call.includes('/intake'))).toEqual([])
  })

  it('asks once for what was typed last, not for every letter', async () => {
    const asked = serve({ [INTAKE]: none })
    const page = await typing('be')
    await page.find('#let-in').setValue('bea')
    await page.find('#let-in').setValue('bea d')
    await vi.advanceTimersByTimeAsync(120)
    await flushPromises()
    expect(asked.map(({ call }) => call).filter((call) => call.includes('/intake'))).toEqual([
      `${INTAKE}?q=be`,
      `${INTAKE}?q=bea%20d`,
    ])
    expect(page.text()).toContain('Nobody you can look up has that name, number or e-mail.')
  })

  it('tells the lists apart, and shows what tells namesakes apart', async () => {
    serve({
      [INTAKE]: {
        ...none,
        alreadyHere: [candidate(person('Ann', 'Here'), { standing: standing() })],
        wasHere: [
          candidate(person('Ann', 'Gone'), {
            standing: standing({ state: 'removed', from: '2026-10-03T10:00:00Z' }),
          }),
        ],
        blocked: [
          candidate(person('Ann', 'Out'), { standing: standing({ state: 'blocked', until: '2027-02-01T00:00:00Z' }) }),
        ],
        canBeLetIn: [
          candidate(bea),
          candidate(person('Ann', 'Far', { number: '••••010', kind: 'guardian', level: null }), {
            visibility: 'masked',
            suggested: null,
          }),
        ],
      },
    })
    const page = await typing('an')
    expect(page.findAll('h2').map((each) => each.text())).toEqual([
      'Already here',
      'Was here',
      'Blocked',
      'Can be let in',
    ])
    const lines = page.findAll('li').map(read)
    expect(lines[0]).toContain('Learner since 6 Sept')
    expect(lines[1]).toMatch(/Learner until 3 Oct.*Bring back as learner/)
    expect(lines[2]).toContain('until 31 Jan 2027')
    expect(lines[3]).toContain('Bea da Luz (Beatriz) · formerly Silva')
    expect(lines[3]).toContain('Learner, level 7 · Seniors 2041010')
    expect(lines[4]).toMatch(/Guardian · Seniors ••••010\s*· outside your divisions/)
    expect(lines[4]).toContain('Let in…')
    expect(page.find('[role=status]').text()).toBe('5 people found')
  })

  it('lets somebody in with the suggested role, says so, and keeps the box ready for the next', async () => {
    const asked = serve({ [INTAKE]: { ...none, canBeLetIn: [candidate(bea)] }, [LISTS]: line() })
    const page = await typing('bea')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Let in as learner')!
      .trigger('click')
    await flushPromises()
    expect(asked.find(({ call }) => call === LISTS)?.body).toEqual({
      apply: true,
      lines: [{ person: bea.id, verb: 'let-in', role: 'learner', named: 'bea', version: 0 }],
    })
    expect([lastDone.sentence, lastDone.entry]).toEqual(['Bea da Luz is let in as learner.', 12])
    expect(document.activeElement?.id).toBe('let-in')
  })

  it('offers other roles with their cautions, and says at its place what is wrong with a day', async () => {
    const sent: object[] = []
    serve({
      [INTAKE]: { ...none, canBeLetIn: [candidate(bea)] },
      [LISTS]: (_request: Request, body: { lines: object[] }) => {
        sent.push(body.lines[0]!)
        return sent.length > 1
          ? line()
          : problem('invalid', 422, 'The last day is already over.', {
              errors: [
                {
                  pointer: '/lines/0/untilDay',
                  code: 'before-start',
                  detail: 'The last day is already over. Choose a later one.',
                },
              ],
            })
      },
    })
    const page = await typing('bea')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Other role or dates')!
      .trigger('click')
    expect(page.text()).toContain('Mind the end.')
    expect(page.text()).toContain('Lead tutor, Co-tutor: Not for this kind of person (learner).')
    await page.findAll('.days input')[1]!.setValue('2026-11-01')
    await page
      .findAll('.give')
      .find((each) => each.text() === 'Day guest')!
      .trigger('click')
    await flushPromises()
    expect(page.find('[role=alert]').text()).toBe('The last day is already over. Choose a later one.')
    await page.findAll('.days input')[1]!.setValue('2026-12-18')
    await page
      .findAll('.give')
      .find((each) => each.text() === 'Day guest')!
      .trigger('click')
    await flushPromises()
    expect(sent[1]).toMatchObject({ role: 'day-guest', fromDay: null, untilDay: '2026-12-18' })
  })

  it('says why somebody could not be let in after all', async () => {
    serve({
      [INTAKE]: { ...none, canBeLetIn: [candidate(bea)] },
      [LISTS]: () =>
        problem('line-not-ready', 409, 'This change cannot be made: see its reasons.', {
          line: {
            verdict: 'waits-for-seat',
            before: null,
            after: null,
            outlook: [],
            reasons: [{ code: 'no-seat', values: { seats: 30, held: 30 } }],
            cautions: [],
          },
        }),
    })
    const page = await typing('bea')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Let in as learner')!
      .trigger('click')
    await flushPromises()
    expect([lastDone.wrong, lastDone.sentence]).toEqual([
      true,
      'All 30 seats are held. Give the site more seats, or remove somebody first.',
    ])
  })

  it('is walked with the arrow keys and left with Escape', async () => {
    serve({ [INTAKE]: { ...none, canBeLetIn: [candidate(bea), candidate(person('Bo', 'Next'))] } })
    const page = await typing('b.')
    const root = page.find('.intake')
    ;(page.find('#let-in').element as HTMLElement).focus()
    for (const label of ['Let in as learner', 'Other role or dates', 'Let in as learner']) {
      await root.trigger('keydown', { key: 'ArrowDown' })
      expect(document.activeElement?.textContent?.trim()).toBe(label)
    }
    await root.trigger('keydown', { key: 'Escape' })
    expect((page.find('#let-in').element as HTMLInputElement).value).toBe('')
  })
})
