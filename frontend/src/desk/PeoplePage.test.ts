import { flushPromises } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { lastDone, undoLast } from '@/shared/undo'
import { findIn } from '@/testing/choose'
import { person, platform, serve, show, site } from '@/testing/server'
import PeopleChanges from './PeopleChanges.vue'
import PeoplePage from './PeoplePage.vue'

beforeEach(() => vi.useFakeTimers())
const LIST = '00000000-0000-7000-8000-0000000000c1'
const anna = person('Anna', 'Lind')
const bo = person('Bo', 'Aberg', { kind: 'staff', level: null })
const settled = async () => {
  await flushPromises()
  await vi.advanceTimersByTimeAsync(900)
  await flushPromises()
}
const directory = (more: object = {}) => ({
  items: [
    { person: anna, labels: ['plays viola'], details: {} },
    { person: bo, labels: [], details: {} },
  ],
  total: 2,
  moreThanThat: false,
  next: null,
  ...more,
})

it('lists people with what tells them apart, and offers to choose all that were counted', async () => {
  serve({ 'GET /platform': platform, 'GET /directory': directory({ total: 40, next: 'further' }) })
  const { page } = show(PeoplePage)
  await settled()
  expect(page.get('[role=status]').text()).toBe('40 people')
  const rows = page.findAll('tbody [role=row]').map((row) => row.text())
  expect(rows[0]).toContain('Lind, Anna')
  expect(rows[0]).toContain('Learner, level 7')
  expect(rows[0]).toContain('plays viola')
  expect(rows[1]).toContain('Staff')
  await page.findAll('tbody [role=row]')[1]!.trigger('click')
  expect(page.get('.picked').text()).toContain('1 chosen')
  expect(page.get('.picked').text()).toContain('choose all 40')
})

it('says that there are more than were counted, and chooses all of them whatever is chosen', async () => {
  const asked = serve({
    'GET /platform': platform,
    'GET /directory': directory({ total: 2, moreThanThat: true }),
    'GET /directory/ids': { ids: [anna.id, bo.id, site.id] },
  })
  const { page } = show(PeoplePage)
  await settled()
  expect(page.get('[role=status]').text()).toBe('More than 2 people')
  for (const row of page.findAll('[role=row]')) await row.trigger('click')
  const all = page.findAll('.picked button').find((each) => each.text() === 'choose all of them')!
  await all.trigger('click')
  await settled()
  expect(asked.at(-1)!.call).toBe('GET /directory/ids')
  expect(page.get('.picked').text()).toContain('3 chosen')
})

const review = (verdicts: Record<string, number>, more: object = {}) => ({
  lines: [],
  sites: [{ id: site.id, title: site.title, seats: 30, held: 24, after: 26, joining: 2, leaving: 0 }],
  verdicts: { ready: 0, 'nothing-to-do': 0, 'needs-choice': 0, refused: 0, 'waits-for-seat': 0, ...verdicts },
  removal: null,
  total: Object.values(verdicts).reduce((sum, each) => sum + each, 0),
  ...more,
})
const draft = { id: LIST, version: 1 }

it('says what letting them into a site would do, does it, and takes it back as one', async () => {
  const asked = serve({
    'GET /platform': platform,
    'GET /sites': { items: [{ ...site, mine: null }], total: 1, moreThanThat: false, next: null },
    [`GET /sites/${site.id}`]: site,
    'POST /change-lists': draft,
    [`PUT /change-lists/${LIST}`]: draft,
    'POST /change-reviews': review({ ready: 1, 'nothing-to-do': 2, refused: 1, 'waits-for-seat': 1 }),
    [`POST /change-lists/${LIST}/apply`]: { state: 'applied', total: 5, applied: 1 },
    [`POST /change-lists/${LIST}/undo`]: { applied: 1 },
  })
  const { page } = show(PeopleChanges, { props: { people: [anna.id, bo.id], changeList: '' } })
  await settled()
  expect(page.text()).toContain('Choose a site first.')
  await findIn(page.get('#find-site'), 'Harm', 'Harmony')
  await settled()
  const { each } = asked.findLast(({ call }) => call === 'POST /change-reviews')!.body as { each: object }
  expect(each).toEqual({
    people: [anna.id, bo.id],
    sites: [site.id],
    verb: 'let-in',
    role: null,
    fromDay: null,
    untilDay: null,
    sure: false,
  })
  expect(page.text()).toContain('5 lines: 1 will change, 2 need no change, 2 are not possible.')
  await page.findAll('button').at(-1)!.trigger('click')
  await settled()
  expect(asked.findLast(({ call }) => call.endsWith('/apply'))!.body).toMatchObject({ each, removing: null })
  expect([lastDone.sentence, lastDone.more]).toEqual(['1 change is made.', '4 are skipped.'])
  undoLast()
  await settled()
  expect(asked.at(-1)!.body).toEqual({ apply: true })
})
