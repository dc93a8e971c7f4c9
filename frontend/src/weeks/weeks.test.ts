import { flushPromises } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import ClashMeant from '@/roster/ClashMeant.vue'
import { useClashes } from '@/roster/clashes'
import { eventually, read, serve, show, site } from '@/testing/server'
import CalendarAddress from './CalendarAddress.vue'
import RoomsPage from './RoomsPage.vue'
import SiteWeekPage from './SiteWeekPage.vue'
import { clashOf, hoursOf, nameOf, whenOf, type Hours, type Occasion, type Week } from './weeks'
import WeekRows from './WeekRows.vue'

vi.mock('@vueuse/core', async (actual) => {
  const { ref } = await import('vue')
  return { ...(await actual<typeof import('@vueuse/core')>()), useMediaQuery: () => ref(narrow) }
})
let narrow = false

const hours = (more: Partial<Hours> = {}): Hours => ({
  id: '00000000-0000-7000-8000-0000000000aa',
  section: null,
  name: '',
  first: '2026-09-07',
  time: '09:30',
  minutes: 90,
  days: [1, 3],
  every: 1,
  until: '2026-12-18',
  rule: null,
  room: '12',
  building: 'Quay House',
  rests: true,
  changes: [],
  zone: null,
  meetings: 28,
  off: [],
  next: '2026-11-25T09:30:00Z',
  last: '2026-12-16T09:30:00Z',
  ...more,
})
const occasion = (more: Partial<Occasion> = {}): Occasion => ({
  hours: 'h',
  site: { id: site.id, name: 'Harmony' },
  sectionId: null,
  section: 'Morning',
  name: '',
  from: '2026-11-23T09:30:00Z',
  until: '2026-11-23T11:00:00Z',
  room: '12',
  building: 'Quay House',
  ...more,
})
const days = (meetings: Occasion[]): Week['days'] =>
  Array.from({ length: 7 }, (_, n) => ({
    day: `2026-11-${23 + n}`,
    off: n === 6 ? 'Founders' : null,
    meetings:
      n === 0 ? meetings.map((each, lane) => ({ occasion: each, lane, lanes: meetings.length, clash: lane > 0 })) : [],
    free: n === 0 ? [{ from: '2026-11-23T11:00:00Z', until: '2026-11-23T22:00:00Z' }] : [],
    walks: [],
  }))
const week = (meetings: Occasion[], more: Partial<Week> = {}): Week => ({
  zone: 'UTC',
  days: days(meetings),
  clashes: [],
  next: null,
  ...more,
})

describe('hours in words', () => {
  it('are said by their days, their rhythm, or their one day', () => {
    expect(whenOf(hours())).toBe('Mon, Wed, 09:30–11:00')
    expect(whenOf(hours({ every: 2 }))).toBe('Mon, Wed of every 2 weeks, 09:30–11:00')
    expect(whenOf(hours({ days: [], rule: null, time: '23:30' }))).toBe('7 Sept 2026, 23:30–01:00')
    expect(whenOf(hours({ days: [], rule: 'FREQ=MONTHLY', meetings: 4 }))).toMatch(/^4 meetings from 7 Sept/)
    const unsaved = { ...hours({ days: [], rule: 'FREQ=MONTHLY' }), meetings: undefined }
    expect(whenOf(unsaved)).toMatch(/^Several meetings from 7 Sept/)
    expect(whenOf(hours({ zone: 'America/New_York' }))).toBe('Mon, Wed, 09:30–11:00 (time of America/New York)')
  })
  it('are said of a section with their place', () => {
    const all = [hours(), hours({ section: 's', building: '' })]
    expect(hoursOf(all, 's')).toBe('Mon, Wed, 09:30–11:00 · 12')
    expect(hoursOf(undefined, 's')).toBe('')
  })
  it('name what one sees, and the time that two take both', () => {
    expect(nameOf(occasion())).toBe('Harmony · Morning')
    expect(nameOf(occasion({ section: null }), false)).toBe('everybody')
    expect(nameOf(occasion({ site: null }))).toBe('taken')
    const other = occasion({ site: { id: 'j', name: 'Jazz' }, section: null, from: '2026-11-23T10:15:00Z' })
    expect(clashOf({ one: occasion(), other, times: 3 }, 'UTC')).toBe('Harmony · Morning and Jazz, 23 Nov, 10:15–11:00')
  })
})

describe('a week', () => {
  const two = [occasion(), occasion({ hours: 'o', site: { id: 'j', name: 'Jazz' }, from: '2026-11-23T10:15:00Z' })]
  it('has a row for each day, and what is at the same time in lanes', () => {
    narrow = false
    const { page } = show(WeekRows, { props: { week: week(two), label: 'Week', free: true } })
    expect(page.findAll('section h2')).toHaveLength(7)
    const boxes = page.findAll('li').map((each) => each.attributes('style'))
    expect(boxes[0]).not.toBe(boxes[1])
    expect(page.findAll('li.clash')).toHaveLength(1)
    expect(page.find('.free').attributes('style')).toMatch(/left: \d/)
    expect(read(page)).toContain('off: Founders')
  })
  it('is a list of days on a phone', () => {
    narrow = true
    const { page } = show(WeekRows, { props: { week: week(two), label: 'Week', free: true } })
    expect(page.findAll('section')).toHaveLength(2)
    expect(read(page)).toContain('at the same time as something else')
    expect(read(page)).toContain('Free: 11:00–22:00')
    narrow = false
  })
})

const HOURS = `/sites/${site.id}/hours`
const ofSite = { hours: [hours()], clashes: [], lastDay: '2026-12-18', version: 7, entry: null }
const arranges = { ...site, may: [...site.may, 'arrange-sections' as const, 'see-unlisted' as const] }

describe('the week of a site', () => {
  it('shows who is in two places at once, who meant it, and a room that is taken', async () => {
    const taken = { hours: 'h', with: occasion({ site: { id: 'n', name: 'Nerves' }, section: null }), times: 1 }
    const clash = { one: occasion(), other: occasion({ site: { id: 'j', name: 'Jazz' }, section: null }), times: 3 }
    const meant = { by: { id: 'm', name: 'Mara' }, at: '2026-11-20T10:00:00Z', why: 'Leaves early.' }
    serve({
      [`GET ${HOURS}`]: { ...ofSite, clashes: [taken] },
      [`GET /sites/${site.id}/week`]: week([occasion()]),
      [`GET /sites/${site.id}/clashes`]: {
        people: [{ person: { id: 'p', name: 'Ada Berg' }, clashes: [clash], meant }],
      },
    })
    const { page } = show(SiteWeekPage, { props: { site: arranges } })
    await eventually(() => expect(read(page)).toContain('Morning and Jazz, first on 23 Nov, 09:30, 3 times'))
    expect(read(page)).toContain('Mara, 20 Nov: Leaves early.')
    expect(read(page)).toContain('12, Quay House is taken by Nerves, too: 23 Nov, 09:30.')
    expect(page.find('a[download]').attributes('href')).toContain('/hours/calendar')
  })

  it('is said in a form, with what is wrong at its field, and kept as one change', async () => {
    const asked = serve({
      [`GET ${HOURS}`]: { ...ofSite, hours: [] },
      [`GET /sites/${site.id}/week`]: week([]),
      'GET /rooms': { rooms: [{ room: 'Great Hall', building: 'Quay House' }] },
      [`PUT ${HOURS}`]: (_: Request, body: { hours: { minutes: number }[] }) =>
        body.hours[0]!.minutes === 90
          ? new Response(
              JSON.stringify({
                type: 'urn:mint-door:problem:invalid',
                title: 'x',
                status: 422,
                detail: 'x',
                errors: [{ pointer: '/hours/0/minutes', code: 'x', detail: 'Too long.' }],
              }),
              { status: 422, headers: { 'Content-Type': 'application/problem+json' } },
            )
          : { ...ofSite, entry: 5 },
    })
    const { page } = show(SiteWeekPage, { props: { site: arranges } })
    const press = async (label: string) => {
      await eventually(() => expect(page.findAll('button').some((each) => each.text() === label)).toBe(true))
      await page
        .findAll('button')
        .find((each) => each.text() === label)!
        .trigger('click')
      await flushPromises()
    }
    await press('Say when it meets')
    await eventually(() => expect(page.find('fieldset').exists()).toBe(true))
    expect(
      page
        .findAll('button')
        .find((each) => each.text() === 'Save the hours')!
        .attributes('disabled'),
    ).toBeDefined()
    const time = page.findAll('.time input')[0]!
    await time.setValue('9:30')
    await time.trigger('blur')
    await page.findAll('.days input')[2]!.setValue(true)
    await press('Save the hours')
    await eventually(() => expect(read(page)).toContain('Too long.'))
    await page.find('.p-inputnumber input').trigger('focus')
    const sent = asked.findLast(({ call }) => call.startsWith('PUT'))!.body as { hours: object[] }
    expect(sent.hours[0]).toMatchObject({ days: [3], time: '09:30', until: '2026-12-18' })
  })
})

describe('the address of a calendar', () => {
  it('is shown once, and taken away', async () => {
    serve({
      'GET /me/calendar-address': { madeAt: null, path: null },
      'POST /me/calendar-address': { madeAt: '2026-11-24T09:00:00Z', path: '/api/v1/calendars/abc.ics' },
      'DELETE /me/calendar-address': { madeAt: null, path: null },
    })
    const { page } = show(CalendarAddress)
    await eventually(() => expect(page.text()).toContain('Make an address'))
    await page.find('button').trigger('click')
    await eventually(() => expect(page.find('input').element.value).toMatch(/\/api\/v1\/calendars\/abc\.ics$/))
    await page.find('button.clay').trigger('click')
    await eventually(() => expect(page.text()).toContain('There is no address any more.'))
    expect(page.find('input').exists()).toBe(false)
  })
})

describe('rooms', () => {
  it('are chosen from those in which something meets', async () => {
    const asked = serve({
      'GET /rooms': { rooms: [{ room: '12', building: 'Quay House' }] },
      'GET /rooms/week': week([occasion()], {
        clashes: [{ one: occasion(), other: occasion({ hours: 'o' }), times: 1 }],
      }),
    })
    const { page, router } = show(RoomsPage)
    await eventually(() => expect(page.text()).toContain('Choose a room.'))
    await router.push({ name: 'rooms', query: { room: '12', building: 'Quay House' } })
    await eventually(() => expect(read(page)).toContain('More than one thing in this room, this week:'))
    expect(asked.at(-1)?.call).toContain('room=12&building=Quay%20House')
  })
})

describe('in two places at once, on purpose', () => {
  it('counts for those it is said of, once there is a reason', async () => {
    const clashes = useClashes()
    const people = [
      { id: 'a', name: 'Ada' },
      { id: 'b', name: 'Bo' },
    ]
    const { page } = show(ClashMeant, { props: { clashes, people } })
    await page.findAll('input')[1]!.setValue(true)
    expect(clashes.asMeant({ person: 'a', verb: 'let-in' })).toEqual({ person: 'a', verb: 'let-in' })
    await page.find('input[type=text]').setValue(' Leaves early. ')
    await nextTick()
    expect(clashes.asMeant({ person: 'a', verb: 'let-in' })).toMatchObject({ clash: true, note: 'Leaves early.' })
    expect(clashes.asMeant({ person: 'b', verb: 'let-in' })).not.toHaveProperty('clash')
    await page.findAll('input')[0]!.setValue(true)
    expect([...clashes.said.value]).toEqual(['a', 'b'])
    clashes.forget()
    expect(clashes.said.value.size).toBe(0)
  })
})
