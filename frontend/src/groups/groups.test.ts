import { flushPromises } from '@vue/test-utils'
import FileUpload from 'primevue/fileupload'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { RosterRow, Site } from '@/shared/api'
import { lastDone } from '@/shared/undo'
import { person, platform, problem, serve, show, site, standing } from '@/testing/server'
import PickOne from '@/ui/PickOne.vue'
import { keptMoves, sizeOf } from './groups'
import GroupsPage from './GroupsPage.vue'
import NewGroups from './NewGroups.vue'
import OwnGroupsHint from './OwnGroupsHint.vue'
import OwnGroupsPage from './OwnGroupsPage.vue'
import { bestOf, saidWish } from './wishes'

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
  groups: [],
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
  names: [
    { id: ONE, name: 'Red' },
    { id: TWO, name: 'Blue' },
  ],
  people: 3,
  without: 2,
  choosesFrom: null,
  choosesUntil: null,
  chooses: false,
  founds: false,
  settles: false,
  arrives: 'none',
  madeFrom: 'level',
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

  it('is open to be chosen by themselves, with a word to who has none', async () => {
    const open = {
      chooses: true,
      choosesFrom: '2026-11-20',
      choosesUntil: '2026-12-04',
      founds: true,
      settles: true,
      arrives: 'alike',
    }
    const { page, asked } = await opened(here, {
      [`GET ${SPLITS}/${SPLIT}`]: split(open),
      [`POST ${SPLITS}/${SPLIT}/reminders`]: split(open),
      [`PUT ${SPLITS}/${SPLIT}`]: split(),
    })
    expect(page.text()).toContain('People choose until 4 Dec.')
    await button(page, 'Write to the 2 who have none').trigger('click')
    await settled()
    expect(lastDone.sentence).toBe('They are written to.')
    await button(page, 'Change the groups').trigger('click')
    await settled()
    await page.find('form').trigger('submit')
    await settled()
    const { choosesFrom, choosesUntil } = open
    const put = asked.find(({ call }) => call.startsWith('PUT'))!
    expect(put.body).toMatchObject({ choosesFrom, choosesUntil, founds: true, settles: true, arrives: 'alike' })
  })

  it('is printed as lists and cards, and saved as a table', async () => {
    const { page } = await opened()
    await button(page, 'Print…').trigger('click')
    await settled()
    const printed: string[] = []
    window.print = () => printed.push(document.querySelector('.paper')!.textContent!.replaceAll(/\s+/g, ' '))
    await button(page, 'Lists for the wall').trigger('click')
    await settled()
    await button(page, 'Name cards').trigger('click')
    await settled()
    expect(printed[0]).toMatch(/Project teams.*Red.*Ada Berg.*Blue/)
    expect(printed[1]).toMatch(/Ada Berg.*Red.*Project teams · /)
    expect(document.querySelector('.paper')).toBeNull()
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

  it('takes a list from the columns of a file, and says so where it has no table', async () => {
    const { page, asked } = await opened(here, { [`POST ${SPLITS}/${SPLIT}/lines`]: { items: [] } })
    await button(page, 'Paste a list…').trigger('click')
    await settled()
    const pick = async (name: string, text: string) => {
      page.getComponent(FileUpload).vm.$emit('select', { files: [new File([text], name)] })
      await settled()
    }
    await pick('photo.png', '\0\0')
    expect(page.text()).toContain('No table was found in this file.')
    await pick('teams.csv', 'Team,Name,Mark\nBlue,Bo Ruiz,12\nRed,Cy,7\n')
    const list = () => page.get<HTMLTextAreaElement>('#group-list').element.value
    expect(list()).toBe('Name\tMark\tTeam\nBo Ruiz\t12\tBlue\nCy\t7\tRed')
    page
      .findAllComponents(PickOne)
      .find((each) => (each.props() as { label: string }).label === 'Who it is')!
      .vm.$emit('update:modelValue', 1)
    await settled()
    expect(list()).toBe('Name\tTeam\nBo Ruiz\tBlue\nCy\tRed')
    expect(asked.at(-1)?.body).toEqual({ text: list() })
  })

  it('is written to, in words of one’s own, and whoever is only moved on the board is not', async () => {
    keptMoves.set(SPLIT, new Map([[bo.id, ONE]]))
    const { page, asked } = await opened(
      { ...here, may: [...here.may, 'write-to-people'] },
      { [`POST /sites/${site.id}/letters`]: { queued: 0, without: ['Ada Berg'], gone: 0 } },
    )
    await button(page, 'Write to a group…').trigger('click')
    await settled()
    expect(page.get('aside h2').text()).toBe('Write to Red')
    await page.get('#write-words').setValue('Bring a pencil.')
    await page.get('aside form').trigger('submit')
    await settled()
    expect(asked.at(-1)?.body).toEqual({ people: [ada.id], words: 'Bring a pencil.' })
    expect(lastDone.sentence).toBe('Nobody here could be written to.')
    expect(lastDone.more).toBe('No address is known of Ada Berg.')
  })

  it('brings back what was put away', async () => {
    const { page, asked } = await opened(here, { [`POST ${SPLITS}/${TWO}/back`]: split() })
    await button(page, 'Bring back Old').trigger('click')
    await settled()
    expect(asked.some(({ call }) => call.endsWith('/back'))).toBe(true)
    expect(lastDone.sentence).toBe('Old: there again.')
  })
})

describe('what groups are to be like', () => {
  const WISHES = `${SPLITS}/${SPLIT}/wishes`
  const wishes = [
    { kind: 'count', by: 'label', value: 'violin', least: 1, most: 1, must: true },
    { kind: 'even', by: 'level' },
    { kind: 'apart', people: [ada.id, bo.id] },
  ]
  const task = (more = {}) => ({
    state: 'computed',
    version: 1,
    seed: 'ab12',
    askedAt: '2026-11-24T09:00:00Z',
    done: 5,
    steps: 10,
    stops: false,
    places: [
      { person: bo.id, group: TWO },
      { person: cy.id, group: ONE },
    ],
    moved: 0,
    givenUp: null,
    ...more,
  })
  const amounts = (n: number[], of = 'violin') =>
    n.map((many, place) => ({ group: [ONE, TWO][place], amounts: [{ of, n: many }], wrong: many !== 1 }))
  const balance = (lacks: number, more = {}) => ({
    wishes: [
      { lacks, least: 0, whole: 3, groups: amounts([1 + lacks, 1]), people: [] },
      { lacks: 4, least: 0, whole: 30, groups: amounts([6.5, 7], ''), people: [] },
      { lacks: 1, least: 0, whole: 1, groups: [], people: [[ada.id, bo.id]] },
    ],
    broken: lacks,
    sizes: 0,
    met: 0.9,
    best: 0.95,
    isBest: false,
    ...more,
  })
  const beside = async (more: Parameters<typeof serve>[0]) => {
    const answers = {
      [`GET ${WISHES}`]: { asked: { wishes, who: 'all', keep: [] }, task: null, version: 4 },
      [`POST ${SPLITS}/${SPLIT}/balance`]: (_: Request, { moves }: Moves) => balance(moves.length ? 0 : 2),
      ...more,
    }
    const shown = await opened(here, answers)
    await button(shown.page, 'What they are to be like').trigger('click')
    await settled()
    return shown
  }

  it('is shown beside the board, with who is in none first, then with what the moves are worth', async () => {
    const { page } = await beside({})
    const panel = () => page.findAll('aside').at(-1)!.text()
    expect(panel()).toContain('1 violin in each must be kept')
    expect(panel()).toContain('2 too many')
    expect(panel()).toContain('2 people are in no group yet.')
    expect(panel()).toMatch(/Ada Berg, Bo Ruiz/)
    for (const person of [bo, cy]) {
      const list = page.findAll('section').find((part) => part.text().includes('In no group'))!
      expect(list.exists()).toBe(true)
      keptMoves.get(SPLIT)!.set(person.id, TWO)
    }
    await settled()
    expect(panel()).toContain('As it would be with the moves on the board')
    expect(panel()).toContain('All that must be kept is kept.')
    expect(panel()).toContain('No groups can meet more than 95%.')
  })

  it('is computed, and comes onto the board as moves', async () => {
    let state = 'computing'
    const { page, asked } = await beside({
      [`GET ${WISHES}`]: () => ({ asked: { wishes, who: 'few', keep: [ONE] }, task: task({ state }), version: 4 }),
      [`POST ${SPLITS}/${SPLIT}/compute/stop`]: () => ({ asked: { wishes }, task: task({ stops: true }), version: 4 }),
    })
    expect(page.text()).toContain('Computing: 50 % looked at')
    await button(page, 'Stop, the best so far is enough').trigger('click')
    await settled()
    expect(asked.some(({ call }) => call.endsWith('/compute/stop'))).toBe(true)
    state = 'computed'
    await settled()
    await settled()
    expect(page.text()).toContain('as few of the others as can be are moved. As they are: Red.')
    await button(page, 'Put the computed groups on the board').trigger('click')
    await settled()
    expect(columns(page)[2]).toEqual(['2 Blue', 'Ruiz, Bo'])
    expect(page.text()).toContain('2 moves, not made yet.')
  })

  it('names what stands in the way', async () => {
    const { page } = await beside({
      [`GET ${WISHES}`]: {
        asked: { wishes, who: 'all', keep: [] },
        task: task({ givenUp: { wish: 2, people: [ada.id, bo.id] } }),
        version: 4,
      },
    })
    expect(page.get('.out').text()).toMatch(/if you gave up:\s*Ada Berg and Bo Ruiz apart/)
  })

  it('is said in a form, with what is wrong beside it', async () => {
    const errors = [{ pointer: '/wishes/2/people', code: 'few', detail: 'Name at least two people.' }]
    const { page, asked } = await beside({ [`PUT ${WISHES}`]: problem('invalid', 422, 'x', { errors }) })
    await button(page, 'Change it').trigger('click')
    await settled()
    await page.get('form').trigger('submit')
    await settled()
    expect(page.get('.wrong').text()).toBe('Name at least two people.')
    const put = asked.find(({ call }) => call.startsWith('PUT'))!
    expect((put.body as { wishes: object[] }).wishes[0]).toMatchObject(wishes[0]!)
  })

  it('is said in words', () => {
    const names = { person: (id: string) => id, split: () => 'Round 1', detail: () => 'Mark' }
    const said = (wish: object) => saidWish(wish as Parameters<typeof saidWish>[0], names)
    expect(said({ kind: 'count', by: 'level', value: '7', least: 1, most: 3 })).toBe('1 to 3 of level 7 in each')
    expect(said({ kind: 'even', by: 'detail', detail: 'mark' })).toBe('About the same Mark in each')
    expect(said({ kind: 'mixed', by: 'division' })).toBe('Divisions mixed')
    expect(said({ kind: 'together', people: ['Ada', 'Bo'] })).toBe('Ada and Bo together')
    expect(said({ kind: 'met', most: 2 })).toBe('Nobody with more than 2 of those they were with in Round 1')
    expect(said({ kind: 'met', most: 0 })).toBe('Nobody with those they were with in Round 1')
    expect(said({ kind: 'free' })).toMatch(/share no free hour/)
  })

  it.each([
    [0.9, 1, false, 'They are within 10% of the best there can be.'],
    [0.9, 0.95, false, 'No groups can meet more than 95%. They are within 5.3% of the best there can be.'],
    [1, 1, true, 'No other groups are better.'],
  ])('%f of %f at best: %s', (met, best, isBest, sentence) =>
    expect(bestOf({ met, best, isBest, wishes: [], broken: 0, sizes: 0 })).toBe(sentence),
  )
})

describe('groups that one chooses', () => {
  const named = (who: ReturnType<typeof person>) => ({ id: who.id, name: `${who.given} ${who.family}` })
  const one = (id: string, name: string, people: number, more = {}) => ({
    id,
    name,
    most: 2,
    people,
    members: [],
    asks: null,
    asked: [],
    ...more,
  })
  const own = (more = {}) => ({
    split: SPLIT,
    name: 'Teams',
    site: { id: site.id, name: 'Harmony' },
    timeZone: 'Europe/Amsterdam',
    chooses: true,
    founds: true,
    closesAt: '2026-12-04T23:00:00Z',
    group: null,
    groups: [one(ONE, 'Red', 2, { members: [named(ada)] }), one(TWO, 'Blue', 1, { asks: 'Ada Berg' })],
    ...more,
  })
  const looked = async (mine = own(), more: Parameters<typeof serve>[0] = {}) => {
    const asked = serve({ 'GET /platform': platform, 'GET /me/groups': { items: [mine] }, ...more })
    const { page } = show(OwnGroupsPage)
    await settled()
    return { asked, page }
  }

  it('say how full they are, who is in them, and who asks', async () => {
    const { page } = await looked()
    const groups = page.findAll('li').map((each) => each.text())
    expect(groups[0]).toMatch(/Red.*Ada Berg and 1 other.*no place left/)
    expect(groups[1]).toMatch(/Blue.*1 person.*1 place left.*Ada Berg asks you into it/)
    expect(page.findAll('button').map((each) => each.text())).toEqual(['Go in', 'Found a group'])
    expect(page.text()).toContain('You can choose until 4 Dec')
  })

  it('are gone into, left, and told when they were full', async () => {
    const full = problem('not-ready', 409, 'This group has just become full. Choose another one.')
    const put = vi.fn(() => own({ group: TWO }))
    const { page, asked } = await looked(own(), { [`PUT /me/groups/${SPLIT}`]: put })
    await button(page, 'Go in').trigger('click')
    await settled()
    expect(asked.find(({ call }) => call.startsWith('PUT'))!.body).toEqual({ group: TWO })
    expect(lastDone.sentence).toBe('You are in Blue.')
    const there = await looked(own({ group: TWO }), { [`PUT /me/groups/${SPLIT}`]: full })
    await there.page
      .findAll('button')
      .find((each) => each.text().startsWith('Leave'))!
      .trigger('click')
    await settled()
    expect(there.asked.at(-2)!.body).toEqual({ group: null })
    expect(lastDone.sentence).toContain('just become full')
  })

  it('are founded, with what is wrong beside the name', async () => {
    const errors = [{ pointer: '/name', code: 'taken', detail: 'There is a group of this name.' }]
    const { page, asked } = await looked(own(), {
      [`POST /me/groups/${SPLIT}/found`]: problem('invalid', 422, 'x', { errors }),
    })
    await button(page, 'Found a group').trigger('click')
    await settled()
    await page.get('form input').setValue('Red')
    await page.get('form').trigger('submit')
    await settled()
    expect(asked.find(({ call }) => call.endsWith('/found'))!.body).toEqual({ name: 'Red' })
    expect(page.get('.clay').text()).toBe('There is a group of this name.')
  })

  it('are told when they can no longer be chosen', async () => {
    const { page } = await looked(own({ chooses: false }))
    expect(page.text()).toContain('Whoever leads the site will put you into one.')
    expect(page.findAll('button')).toEqual([])
  })

  it('are hinted at where one begins', async () => {
    serve({ 'GET /me/groups': { items: [own()] } })
    const { page } = show(OwnGroupsHint)
    await settled()
    expect(page.text()).toMatch(/Which group of Teams would you like\? You can choose until 4 Dec.*Choose one/)
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
