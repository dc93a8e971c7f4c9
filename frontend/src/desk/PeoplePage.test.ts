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

it('puts many into one section, chosen by its seats and by who has something else then', async () => {
  const [MORNING, EVENING] = [`${LIST.slice(0, -1)}a`, `${LIST.slice(0, -1)}b`]
  const sections = [
    { id: MORNING, name: 'Morning', retired: false },
    { id: EVENING, name: 'Evening', retired: false },
  ]
  const fit = (section: string, name: string, more: object) => ({
    section,
    name,
    seats: 4,
    free: 3,
    fit: 1,
    clash: 0,
    full: 0,
    other: 0,
    ...more,
  })
  const clash = (each: { id: string; given: string }) => ({
    person: { id: each.id, name: each.given },
    verdict: 'needs-choice',
    reasons: [{ code: 'clash', values: { otherSite: 'Jazz', at: '2026-11-30T09:30:00Z', times: 3, more: 0 } }],
    cautions: [],
    key: 0,
    site: { id: site.id, title: 'Harmony', timeZone: 'UTC' },
  })
  const asked = serve({
    'GET /platform': platform,
    'GET /sites': { items: [{ ...site, mine: null }], total: 1, moreThanThat: false, next: null },
    [`GET /sites/${site.id}`]: { ...site, sections },
    [`POST /sites/${site.id}/section-fits`]: {
      sections: [fit(MORNING, 'Morning', { clash: 1 }), fit(EVENING, 'Evening', { free: null })],
    },
    'POST /change-lists': draft,
    [`PUT /change-lists/${LIST}`]: draft,
    'POST /change-reviews': { ...review({ ready: 1, 'needs-choice': 1 }), lines: [clash(anna)] },
  })
  const { page } = show(PeopleChanges, { props: { people: [anna.id, bo.id], changeList: '' } })
  await settled()
  await findIn(page.get('#find-site'), 'Harm', 'Harmony')
  await settled()
  const picked = page.findComponent({ name: 'PickSection' })
  await picked.get('[role=combobox]').trigger('click')
  await settled()
  const options = [...document.querySelectorAll<HTMLElement>('[role=option]')].map((each) => each.textContent!.trim())
  expect(options).toEqual([
    'no section',
    'Morning · 3 seats free, 1 has something else then',
    'Evening · any number of seats',
  ])
  picked.vm.$emit('update:modelValue', MORNING)
  await settled()
  const sent = () => asked.findLast(({ call }) => call === 'POST /change-reviews')!.body as { each: object }
  expect(sent().each).toMatchObject({ section: MORNING })
  expect(page.text()).toContain('They have Jazz at the same time, 3 times')
  await page.get('.clash input[type=checkbox]').setValue(true)
  await page.get('.clash input[type=text]').setValue('For a week.')
  await settled()
  expect(sent().each).toMatchObject({ clashing: [anna.id], note: 'For a week.' })
})

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
  expect(asked.findLast(({ call }) => call.endsWith('/undo'))!.body).toEqual({ apply: true })
})
