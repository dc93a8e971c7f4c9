import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { RosterRow, Site } from '@/shared/api'
import { lastDone } from '@/shared/undo'
import { person, platform, problem, serve, show, site, standing } from '@/testing/server'
import { keptMoves, sizeOf } from './groups'
import GroupsPage from './GroupsPage.vue'
import NewGroups from './NewGroups.vue'

const SPLIT = '00000000-0000-7000-8000-0000000000aa'
const [ONE, TWO] = ['00000000-0000-7000-8000-0000000000a1', '00000000-0000-7000-8000-0000000000a2']
const here: Site = { ...site, may: [...site.may, 'arrange-groups'] }
const [ada, bo, cy] = [person('Ada', 'Berg'), person('Bo', 'Ruiz'), person('Cy', 'Ørsted')]
const row = (who: ReturnType<typeof person>, role = 'learner'): RosterRow => ({
  person: who,
  standing: standing({ role, roles: [role] }),
  entry: 'enter',
  because: 'let-in',
  listed: true,
  lastSeen: null,
  work: null,
  labels: [],
  details: {},
  version: 2,
})
const facts = (more = {}) => ({
  id: SPLIT,
  name: 'Project teams',
  section: null,
  least: null,
  most: 1,
  groups: 2,
  people: 3,
  without: 2,
  awayAt: null,
  version: 4,
  ...more,
})
const group = (id: string, name: string, people: number, more = {}) => ({
  id,
  name,
  most: null,
  leader: null,
  notes: '',
  people,
  ...more,
})
const split = (more = {}) => ({
  ...facts(),
  list: [group(ONE, 'Red', 1, { notes: 'Room 3' }), group(TWO, 'Blue', 0)],
  places: [
    { person: ada.id, group: ONE },
    { person: bo.id, group: null },
    { person: cy.id, group: null },
  ],
  changeList: null,
  ...more,
})
type Moves = { moves: { person: string; to: string | null; from: string | null }[] }
const SPLITS = `/sites/${site.id}/group-splits`
/** Somebody else moved Cy meanwhile. */
const moved = (_request: Request, { moves }: Moves) => ({
  moves: moves.map((move) => ({ ...move, verdict: move.person === cy.id ? 'changed-since' : 'ready', over: false })),
  changeList: 'the-list',
})

beforeEach(() => {
  vi.useFakeTimers()
  keptMoves.clear()
})
const settled = async () => {
  for (let n = 0; n < 4; n++) {
    await vi.advanceTimersByTimeAsync(300)
    await vi.dynamicImportSettled()
    await flushPromises()
  }
}
async function opened(own: Site = here, more: Parameters<typeof serve>[0] = {}) {
  const asked = serve({
    'GET /platform': platform,
    [`GET /sites/${site.id}/roster`]: {
      items: [row(ada), row(bo), row(cy), row(person('Dee', 'Lead'), 'lead-tutor')],
      next: null,
      counts: { learners: 3, staff: 1, others: 0, unlisted: 0, shown: 4 },
    },
    [`GET ${SPLITS}`]: { items: [facts(), facts({ id: TWO, name: 'Old', awayAt: '2026-11-01T09:00:00Z' })] },
    [`GET ${SPLITS}/${SPLIT}`]: split(),
    [`POST ${SPLITS}/${SPLIT}/moves`]: moved,
    ...more,
  })
  const { page } = show(GroupsPage, { props: { site: own } })
  await settled()
  return { page, asked }
}
type Page = Awaited<ReturnType<typeof opened>>['page']
const columns = (page: Page) =>
  page.findAll('.column').map((each) => [each.get('h2').text(), ...each.findAll('.one .name').map((one) => one.text())])
const press = async (page: Page, column: number, ...keys: string[]) => {
  const box = page.findAll('[role=listbox]')[column]!
  await box.trigger('focus')
  for (const key of keys) await box.trigger('keydown', { key, code: key === ' ' ? 'Space' : key })
  await settled()
}
const button = (page: Page, text: string) => page.findAll('button').find((each) => each.text() === text)!

describe('the board of groups', () => {
  it('shows who is in none first, then each group, and nobody who is not divided', async () => {
    const { page } = await opened()
    expect(columns(page)).toEqual([['0 In no group', 'Ruiz, Bo', 'Ørsted, Cy'], ['1 Red', 'Berg, Ada'], ['2 Blue']])
    expect(page.text()).toContain('Room 3')
    expect(page.text()).toContain('2 groups')
  })

  it('makes what was moved by keys in one go, says what was left, and takes it back', async () => {
    const undone = { moves: [{ person: bo.id, from: TWO, to: null, verdict: 'ready', over: false }], changeList: 'x' }
    const { page, asked } = await opened(here, { 'POST /group-lists/the-list/undo': undone })
    await press(page, 0, '2')
    await press(page, 0, '1')
    expect(columns(page)[2]).toEqual(['2 Blue', 'Ruiz, Bo'])
    expect(page.text()).toContain('2 moves, not made yet.')
    expect(page.text()).toContain('More people than fit: Red.')
    await button(page, 'Make 2 moves').trigger('click')
    await settled()
    const body = asked.find(({ call }) => call.endsWith('/moves'))!.body as Moves
    expect(body.moves).toEqual([
      { person: bo.id, to: TWO, from: null },
      { person: cy.id, to: ONE, from: null },
    ])
    expect(lastDone.sentence).toBe('1 person is in another group. 1 was moved by somebody else and stays.')
    expect(await lastDone.back!()).toBe('1 person is where they were.')
    expect(page.text()).not.toContain('not made yet')
  })

  it('keeps what was moved for a look elsewhere, and forgets it when asked', async () => {
    const first = await opened()
    await press(first.page, 1, '0')
    first.page.unmount()
    const { page } = await opened()
    expect(page.text()).toContain('1 move, not made yet.')
    await button(page, 'Put all back').trigger('click')
    expect(page.text()).not.toContain('not made yet')
  })

  it('is only read by whoever does not see all, but for the moves', async () => {
    const { page } = await opened({ ...here, seesAll: false })
    expect(button(page, 'Change the groups')).toBeUndefined()
    expect(button(page, 'Paste a list…')).toBeDefined()
    const seen = await opened({ ...here, seenAs: { name: 'x' } as never })
    expect(button(seen.page, 'Paste a list…')).toBeUndefined()
  })

  it('changes names and sizes, and lets a group go with a word on its people', async () => {
    const answer = split({ changeList: 'out' })
    const { page, asked } = await opened(here, { [`PUT ${SPLITS}/${SPLIT}`]: answer })
    await button(page, 'Change the groups').trigger('click')
    await settled()
    await page
      .findAll('button')
      .filter((each) => each.text() === 'Remove')[0]!
      .trigger('click')
    expect(page.text()).toContain('Goes: its 1 person is in no group then')
    await page.find('form').trigger('submit')
    await settled()
    const put = asked.find(({ call }) => call.startsWith('PUT'))!
    expect((put.body as { groups: { id: string }[] }).groups.map(({ id }) => id)).toEqual([TWO])
    expect(lastDone.sentence).toBe('The groups are changed; 1 person is in no group now.')
  })

  it('puts a pasted list on the board, unclear lines settled by hand', async () => {
    const items = [
      { number: 1, text: 'Bo Ruiz', people: [bo.id], groups: [TWO] },
      { number: 2, text: 'A or C', people: [ada.id, cy.id], groups: [] },
      { number: 3, text: 'Who', people: [], groups: [] },
      { number: 4, text: 'Ørsted', people: [], groups: [TWO] },
    ]
    const { page } = await opened(here, { [`POST ${SPLITS}/${SPLIT}/lines`]: { items } })
    await button(page, 'Paste a list…').trigger('click')
    await settled()
    await page.get('#group-list').setValue('anything')
    await settled()
    expect(page.text()).toContain('2 people are found.')
    expect(page.text()).toContain('2 lines are not clear:')
    await page.get('aside form, form').trigger('submit')
    await settled()
    expect(columns(page)[2]).toEqual(['2 Blue', 'Ruiz, Bo', 'Ørsted, Cy'])
  })

  it('brings back what was put away', async () => {
    const { page, asked } = await opened(here, { [`POST ${SPLITS}/${TWO}/back`]: split() })
    await button(page, 'Bring back Old').trigger('click')
    await settled()
    expect(asked.some(({ call }) => call.endsWith('/back'))).toBe(true)
    expect(lastDone.sentence).toBe('Old: there again.')
  })
})

describe('new groups', () => {
  const form = (own: Site = here, more: Parameters<typeof serve>[0] = {}) => {
    const asked = serve({ 'GET /platform': platform, ...more })
    return { asked, page: show(NewGroups, { props: { site: own, splits: [] } }).page }
  }

  it('are so many, with names and sizes', async () => {
    const { page, asked } = form(here, { [`POST ${SPLITS}`]: split() })
    await settled()
    await page.get('#split-name').setValue('Quartets')
    await page.get('#split-called').setValue('Quartet')
    await page.get('form').trigger('submit')
    await settled()
    expect(asked.at(-1)!.body).toMatchObject({ name: 'Quartets', from: 'count', count: 4, called: 'Quartet' })
    expect(lastDone.sentence).toBe('Project teams: 1 person is in a group.')
  })

  it('say at the field what is wrong', async () => {
    const wrong = problem('invalid', 422, 'x', {
      errors: [{ pointer: '/name', code: 'taken', detail: 'Choose another.' }],
    })
    const { page } = form(here, { [`POST ${SPLITS}`]: wrong })
    await settled()
    await page.get('form').trigger('submit')
    await settled()
    expect(page.get('.wrong').text()).toBe('Choose another.')
  })

  it.each([
    [3, 5, '3 to 5 people each'],
    [4, 4, '4 people each'],
    [2, null, '2 people or more each'],
    [null, 6, 'up to 6 people each'],
    [null, null, ''],
  ])('from %j to %j people: %s', (least, most, said) => expect(sizeOf({ least, most })).toBe(said))
})
