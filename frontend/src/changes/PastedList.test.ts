import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { lastDone } from '@/shared/undo'
import { choose } from '@/testing/choose'
import { candidate, person, problem, serve, show, site, standing } from '@/testing/server'
import { isList, keyed } from '@/intake/pasted'
import PastedList from './PastedList.vue'

beforeEach(() => vi.useFakeTimers())
const settled = async () => {
  for (let n = 0; n < 4; n++) {
    await vi.advanceTimersByTimeAsync(400)
    await flushPromises()
  }
}
const may = (who: ReturnType<typeof person>, evidence: string, more = {}) => ({
  ...candidate(who, more),
  evidence,
  remembered: false,
  wanted: true,
  ...more,
})
const item = (number: number, text: string, outcome: string, candidates: object[] = [], more = {}) => ({
  number,
  text,
  gist: text.toLowerCase(),
  outcome,
  mistyped: null,
  decided: null,
  repeats: null,
  candidates,
  marks: [{ text, kind: 'name', piece: 0, cell: 0 }],
  doubt: null,
  notTheirs: [],
  sections: [],
  ...more,
})
const [bea, ana, bo, mara] = [
  person('Bea', 'da Luz'),
  person('Ana', 'Ruiz'),
  person('Bo', 'Ruiz'),
  person('Mara', 'Lind', { kind: 'staff' }),
]
const READ = `POST /sites/${site.id}/intake`
const LIST = '00000000-0000-7000-8000-0000000000aa'
const record = (more = {}) => ({
  id: LIST,
  kind: 'pasted',
  title: '',
  state: 'draft',
  version: 1,
  site: { id: site.id, title: 'Harmony' },
  madeAt: null,
  madeBy: { id: mara.id, name: 'Mara' },
  changedAt: null,
  total: 0,
  done: 0,
  applied: 0,
  undoes: null,
  undoneBy: null,
  work: {},
  sections: [],
  lines: [],
  next: null,
  ...more,
})
type Asked = { lines: { text: string; line: { person: string; role: string | null; sure: boolean } }[] }
/** Says of each line what a server would: staff need a word, Bo is here already. */
const review = (_request: Request, { lines }: Asked) => {
  const verdict = ({ line }: Asked['lines'][number]) =>
    line.person === mara.id && !line.role && !line.sure
      ? 'needs-choice'
      : line.person === bo.id
        ? 'nothing-to-do'
        : 'ready'
  const said = lines.map((each, key) => ({
    key,
    site: { id: site.id, title: 'Harmony', timeZone: site.timeZone },
    siteVersion: 4,
    version: 2,
    person: { id: each.line.person, name: 'x' },
    verdict: verdict(each),
    before: null,
    after: standing(),
    outlook: [],
    reasons:
      verdict(each) === 'needs-choice'
        ? [{ code: 'above-learner', values: { role: 'co-tutor' } }]
        : verdict(each) === 'nothing-to-do'
          ? [{ code: 'already-here', values: {} }]
          : [],
    cautions: [],
  }))
  const of = (word: string) => said.filter((line) => line.verdict === word).length
  return {
    lines: said,
    sites: [
      { id: site.id, title: 'Harmony', seats: 30, held: 24, after: 24 + of('ready'), joining: of('ready'), leaving: 0 },
    ],
    verdicts: { ready: of('ready'), 'nothing-to-do': of('nothing-to-do'), 'needs-choice': of('needs-choice') },
    removal: null,
    total: lines.length,
  }
}

async function opened(items: object[], more: Parameters<typeof serve>[0] = {}, props: object = {}) {
  const asked = serve({
    [READ]: { items },
    'POST /change-reviews': review,
    'POST /change-lists': record(),
    [`PUT /change-lists/${LIST}`]: record({ version: 2 }),
    [`GET /sites/${site.id}/settled-lines`]: { items: [] },
    [`POST /change-lists/${LIST}/apply`]: (_request: Request, { lines }: Asked) =>
      record({ state: 'applied', total: lines.length, done: lines.length, applied: lines.length }),
    ...more,
  })
  const { page, router } = show(PastedList, { props: { site, text: 'Bea da Luz\nRuiz', changeList: '', ...props } })
  await settled()
  return { page, asked, router }
}
const last = (asked: Awaited<ReturnType<typeof opened>>['asked'], call: string) =>
  asked.findLast((each) => each.call === call)?.body
const status = (page: Awaited<ReturnType<typeof opened>>['page']) => page.get('.sum').text()

describe('a pasted list', () => {
  it('lets in whom lines mean, once all of it is settled, and says how many and the seats after', async () => {
    const { page, asked } = await opened([
      item(1, 'Bea da Luz', 'match', [may(bea, 'full-name')]),
      item(2, 'A. Ruiz', 'choose', [may(ana, 'initials'), may(bo, 'part-of-the-name')]),
      item(3, 'Names:', 'no-person'),
      item(4, 'Zed', 'unknown'),
    ])
    expect(status(page)).toBe('1 will join, 1 needs a choice, 1 is unknown; 25 of 30 seats after.')
    expect(page.text()).toContain('by the full name')
    expect(page.text()).toContain('A. RuizWho is meant?')
    await page.findAll('input[type=radio]')[0]!.setValue(true)
    await settled()
    expect(status(page)).toBe('2 will join, 1 is unknown; 26 of 30 seats after.')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Let 2 in')!
      .trigger('click')
    await settled()
    expect(last(asked, `POST /change-lists/${LIST}/apply`)).toMatchObject({
      lines: [
        {
          site: site.id,
          text: 'Bea da Luz',
          line: { person: bea.id, verb: 'let-in', role: null, version: 2, siteVersion: 4 },
        },
        { line: { person: ana.id } },
      ],
      settled: [{ gist: 'a. ruiz', text: 'A. Ruiz', person: ana.id }],
    })
    expect(lastDone.sentence).toBe('2 people are let in.')
  })

  it('settles a line with one key and goes to the next that asks', async () => {
    const { page } = await opened([
      item(1, 'A. Ruiz', 'choose', [may(ana, 'initials'), may(bea, 'initials')]),
      item(2, 'Zed', 'unknown'),
    ])
    const [first, second] = page.findAll<HTMLElement>('li[data-asks]')
    await first!.trigger('keydown', { key: '2' })
    expect(document.activeElement).toBe(second!.element)
    await settled()
    expect(page.text()).toContain('Bea da Luz')
    await page.find('li[data-asks]').trigger('keydown', { key: '0' })
    await settled()
    expect(status(page)).toMatch(/^1 will join;/)
  })

  it('asks before somebody gets a role above learner that nobody asked for', async () => {
    const { page } = await opened([item(1, 'Mara Lind', 'match', [may(mara, 'full-name')])])
    expect(status(page)).toMatch(/^Nobody will join, 1 needs a choice/)
    await page.get('li input[type=checkbox]').setValue(true)
    await settled()
    expect(status(page)).toMatch(/^1 will join;/)
  })

  it('folds away what is so already, what is left out, and what means nobody', async () => {
    const { page } = await opened([
      item(1, 'Bo', 'match', [may(bo, 'identifier')]),
      item(2, 'Hello', 'no-person'),
      item(3, 'Zed', 'unknown'),
    ])
    expect(status(page)).toContain('1 is here already')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Keep for an invitation')!
      .trigger('click')
    await settled()
    expect(page.findAll('details summary').map((each) => each.text())).toEqual([
      '1 line needs no change',
      '1 line is skipped or kept',
      '1 line means nobody',
    ])
    expect(page.text()).toContain('Kept for an invitation.')
    expect(page.text()).not.toContain('Invite the 1 kept')
  })

  it('corrects one of several people on a line and keeps the others', async () => {
    const { page, asked } = await opened(
      [item(1, '2041010', 'match', [may(bea, 'identifier')]), item(1, '2041011', 'unknown')],
      {},
      { text: '2041010; 2041011; S20413' },
    )
    await page.get('.correct input').setValue('2041358')
    await settled()
    expect(last(asked, READ)).toMatchObject({ text: '2041010; 2041358; S20413' })
  })

  it('corrects an unknown line in its place and keeps the rest', async () => {
    const { page, asked } = await opened([item(2, 'Ruiz', 'unknown')])
    await page.get('.correct input').setValue('Ana Ruiz')
    await settled()
    expect(last(asked, READ)).toMatchObject({ text: 'Bea da Luz\nAna Ruiz', role: null })
  })

  it('looks for whoever is typed in place of an unknown line', async () => {
    const { page, asked } = await opened([item(1, 'Zed', 'unknown')], {
      [`GET /sites/${site.id}/intake`]: {
        alreadyHere: [],
        wasHere: [],
        blocked: [],
        canBeLetIn: [candidate(ana)],
        more: {},
        slip: null,
      },
    })
    await page.get('.correct input').trigger('focus')
    const input = page.get('.correct input')
    ;(input.element as HTMLInputElement).value = 'rui'
    await input.trigger('input')
    await settled()
    await page.get('input[type=radio]').setValue(true)
    await settled()
    expect(page.text()).toContain('chosen by you')
    expect((last(asked, 'POST /change-reviews') as Asked).lines.map(({ line }) => line.person)).toEqual([ana.id])
  })

  it('gives one line a role of its own and all of them another', async () => {
    const { page, asked } = await opened([
      item(1, 'Bea', 'match', [may(bea, 'identifier')]),
      item(2, 'Ana', 'match', [may(ana, 'identifier')]),
    ])
    await choose(page.get('fieldset.all'), 'As', 'Day guest')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Other role or dates')!
      .trigger('click')
    await choose(page.get('.own'), 'As', 'Learner')
    await settled()
    expect((last(asked, 'POST /change-reviews') as Asked).lines.map(({ line }) => line.role)).toEqual([
      'learner',
      'day-guest',
    ])
  })

  it('is kept as it is worked on, and opened again as it was left', async () => {
    const { page, asked } = await opened([item(1, 'A. Ruiz', 'choose', [may(ana, 'initials')])])
    expect(last(asked, 'POST /change-lists')).toMatchObject({
      kind: 'pasted',
      site: site.id,
      work: { text: 'Bea da Luz\nRuiz' },
    })
    await page.get('input[type=radio]').setValue(true)
    await settled()
    expect(last(asked, `PUT /change-lists/${LIST}`)).toMatchObject({
      work: { said: { 'a. ruiz': { person: ana.id } } },
    })
    page.unmount()
    const again = await opened(
      [item(1, 'A. Ruiz', 'choose', [may(ana, 'initials')])],
      {
        [`GET /change-lists/${LIST}`]: record({ work: { text: 'A. Ruiz', said: { 'a. ruiz': { person: ana.id } } } }),
      },
      { text: '', changeList: LIST },
    )
    expect(status(again.page)).toMatch(/^1 will join/)
  })

  it('says when somebody else works on it, and stops keeping', async () => {
    const { page } = await opened([item(1, 'Zed', 'unknown')], {
      [`PUT /change-lists/${LIST}`]: problem('stale', 412, 'Somebody else was quicker.'),
    })
    await page
      .findAll('button')
      .find((each) => each.text() === 'Skip')!
      .trigger('click')
    await settled()
    expect(page.get('.kept').text()).toContain('Somebody else works on this change list')
  })

  it('goes to the changeList when a worker applies it', async () => {
    const { page, router } = await opened([item(1, 'Bea', 'match', [may(bea, 'identifier')])], {
      [`POST /change-lists/${LIST}/apply`]: record({ state: 'applying', total: 900 }),
    })
    await page
      .findAll('button')
      .find((each) => each.text() === 'Let 1 in')!
      .trigger('click')
    await settled()
    expect(router.currentRoute.value.name).toBe('change-list')
  })

  it('begins with where people began as the line was read, and says nothing of it that nobody changed', async () => {
    const word = (text: string, piece: number) => ({ text, kind: 'name', piece, cell: 0 })
    const text = 'Ana Ruiz, Bo Ruiz'
    const of = (who: ReturnType<typeof person>, name: string, piece: number, more = {}) =>
      item(1, name, 'match', [may(who, 'full-name')], {
        marks: name.split(' ').map((each, at) => word(each, piece + at)),
        ...more,
      })
    const { page, asked } = await opened(
      [of(ana, 'Ana Ruiz', 0), of(bo, 'Bo Ruiz', 2, { notTheirs: ['mum@home.example'] })],
      {},
      { text },
    )
    expect(page.text()).toContain('Not known as theirs: mum@home.example')
    const boxes = () => page.findAll<HTMLInputElement>('.hand li input[type=checkbox]')
    const open = () =>
      page
        .findAll('button')
        .find((each) => each.text() === 'Read it differently')!
        .trigger('click')
    const sent = () => asked.filter(({ call }) => call === READ).at(-1)!.body
    await open()
    expect(boxes().map(({ element }) => element.checked)).toEqual([false, true, false])
    await choose(page.find('.hand'), 'What is “Ana”?', 'Given name')
    await page.find('.hand').trigger('submit')
    await settled()
    expect(sent()).toMatchObject({ hands: [{ text, one: false, cuts: [], words: { 0: 'given' } }] })
    await open()
    await boxes()[1]!.setValue(false)
    await page.find('.hand').trigger('submit')
    await settled()
    expect(sent()).toMatchObject({ hands: [{ text, one: true, cuts: [] }] })
  })

  it('reads a line as somebody says, and a column of every line', async () => {
    const marks = [
      { text: 'Ruiz', kind: 'name', piece: 0, cell: 0 },
      { text: '; ', kind: null, piece: null, cell: 0 },
      { text: 'Ana', kind: 'name', piece: 1, cell: 1 },
      { text: ' ', kind: null, piece: null, cell: 0 },
      { text: 'late', kind: 'remark', piece: 2, cell: 1 },
    ]
    const doubt = { marks, doubt: 'one-of-two' }
    const text = 'Ruiz; Ana late'
    const { page, asked } = await opened(
      [item(1, text, 'choose', [may(ana, 'full-name'), may(bo, 'initials')], doubt)],
      {},
      {
        text,
      },
    )
    expect(page.find('.typed').text()).toBe('Ruiz; Ana late (remark)')
    expect(page.text()).toContain('The line names more than one person. Say who is meant.')
    const press = (label: string) =>
      page
        .findAll('button')
        .find((each) => each.text() === label)!
        .trigger('click')
    const tick = (label: string) =>
      page
        .findAll('label')
        .find((each) => each.text() === label)!
        .find('input')
        .setValue(true)
    const sent = () => asked.filter(({ call }) => call === READ).at(-1)!.body
    await press('Read it differently')
    await choose(page.find('.hand'), 'What is “Ruiz”?', 'Family name')
    await tick('The same in this column of every line')
    await page.find('.hand').trigger('submit')
    await settled()
    expect(sent()).toMatchObject({
      text,
      columns: { 0: 'family' },
      hands: [{ text, one: false, cuts: [], words: { 0: 'family' }, meant: true }],
    })
    expect(page.text()).toContain('Column 1: family name.')
    await press('Read it differently')
    await page.findAll('.hand li')[1]!.find('input[type=checkbox]').setValue(true)
    await page.find('.hand').trigger('submit')
    await settled()
    expect(sent()).toMatchObject({ hands: [{ text, cuts: [1], words: { 0: 'family' } }] })
    await press('Read it differently')
    await press('As it was read first')
    await settled()
    expect(sent()).toMatchObject({ columns: { 0: 'family' }, hands: [] })
    await press('Read the columns as before')
    await settled()
    expect(page.text()).not.toContain('Column 1: family name.')
  })

  it('makes a line of what was taken for nobody', async () => {
    const { page, asked } = await opened([item(1, 'Zed', 'no-person')], {}, { text: 'Zed' })
    await page
      .findAll('button')
      .find((each) => each.text() === 'A person is meant')!
      .trigger('click')
    await page.find('.hand').trigger('submit')
    await settled()
    expect(asked.filter(({ call }) => call === READ).at(-1)!.body).toMatchObject({
      hands: [{ text: 'Zed', meant: true }],
    })
  })

  it('says before sending that a text is too long', async () => {
    const { page, asked } = await opened([], {}, { text: 'x'.repeat(400_001) })
    expect(page.get('[role=alert]').text()).toContain('a change list takes 400,000')
    expect(asked.some(({ call }) => call === READ)).toBe(false)
  })
})

it.each([
  ['Bea da Luz', false],
  ['Bea\n', false],
  ['Bea\nAna', true],
  ['2041010, 2041358', true],
  ['Bea <b@example.org>, Ana <a@example.org>', true],
  ['Bea da Luz, Ana Ruiz, Bo Ruiz', true],
  ['da Luz, Bea', false],
])('tells a list from one person: %j', (text, list) => expect(isList(text)).toBe(list))
it('tells the same line twice apart', () =>
  expect(keyed([item(1, 'Bea', 'unknown'), item(2, 'Bea', 'unknown')] as never).map((each) => each.key)).toEqual([
    'bea',
    'bea (2)',
  ]))
