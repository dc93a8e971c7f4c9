import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { serve, show, site } from '@/testing/server'
import FirstDayCheckPage from './FirstDayCheckPage.vue'

const group = (code: string, change: string, mine: boolean, names: string[]) => ({
  reason: { entry: 'no', causes: [{ code, values: {}, change, mine, givers: ['lead-tutor'] }] },
  people: names.map((name) => ({ id: name, name })),
})
const GET = `GET /sites/${site.id}/first-day-check`

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
afterEach(() => void vi.useRealTimers())

async function shown(answer: object, hours: object[] = [], splits: object[] = []) {
  const asked = serve({
    [`GET /sites/${site.id}/hours`]: { hours, clashes: [], lastDay: null, version: 1, entry: null },
    [GET]: answer,
    [`GET /sites/${site.id}/group-splits`]: { items: splits },
    [`POST /sites/${site.id}/change-lists`]: { changeList: null, lines: [], removal: null },
  })
  const { page } = show(FirstDayCheckPage, {
    props: { site: splits.length ? { ...site, may: [...site.may, 'arrange-groups'] } : site },
  })
  await flushPromises()
  // Rows are drawn in turn.
  await vi.advanceTimersByTimeAsync(10)
  return { page, asked }
}

it('says how many could enter, who could not and why, and opens the fix for all of them', async () => {
  const { page, asked } = await shown({
    at: '2026-12-01T09:00:00Z',
    enter: 27,
    look: 0,
    groups: [group('paused', 'resume', true, ['Bo', 'Cy']), group('account-closed', 'reopen-account', false, ['Di'])],
  })
  expect(asked[1]?.call).toMatch(/day=\d{4}-\d\d-\d\d&time=09%3A00$/)
  expect(page.find('[role=status]').text()).toContain('27 of 30 could enter')
  expect(page.findAll('.share li').map((each) => each.text())).toEqual([
    '27 could enter',
    '2 would be paused',
    '1 has a closed account',
  ])
  expect(page.findAll('[data-row]').map((each) => each.text())).toEqual([
    expect.stringMatching(/Bo.*Is paused.*Resume/),
    expect.stringMatching(/Cy.*Is paused.*Resume/),
    expect.stringMatching(/Di.*closed.*Can be done by: lead tutor, an administrator\./),
  ])
  const press = async (label: string) => {
    const found = page.findAll('button').find((each) => each.text() === label)!
    await found.trigger('click')
    await vi.advanceTimersByTimeAsync(300)
    await flushPromises()
    return asked.at(-1)?.body
  }
  expect(await press('Resume')).toMatchObject({ apply: false, lines: [{ verb: 'resume', person: 'Bo' }] })
  expect(await press('Fix 2 of these in one change list')).toMatchObject({
    apply: false,
    lines: [
      { verb: 'resume', person: 'Bo' },
      { verb: 'resume', person: 'Cy' },
    ],
  })
})

it('is glad when everybody could enter, and says so when nobody is expected', async () => {
  expect(
    (await shown({ at: '2026-12-01T09:00:00Z', enter: 5, look: 1, groups: [] })).page.find('.sum').classes(),
  ).toContain('all')
  expect((await shown({ at: '2026-12-01T09:00:00Z', enter: 0, look: 0, groups: [] })).page.text()).toContain(
    'Nobody is expected then.',
  )
})

it('looks at each section as of its own next meeting, where they say when they meet', async () => {
  const hours = { id: 'h', section: null, next: '2026-12-02T18:00:00Z' }
  const { page, asked } = await shown({ at: '2026-12-02T18:00:00Z', enter: 4, look: 0, groups: [] }, [hours])
  await vi.advanceTimersByTimeAsync(300)
  await flushPromises()
  expect(asked[1]?.call).toMatch(/first-day-check$/)
  expect(page.text()).toContain('everybody: 2 Dec')
  expect(page.find('.sum').text()).toBe('At their next meeting, 4 of 4 could enter.')
})

it('says who is in no group', async () => {
  const split = (id: string, without: number, more = {}) => ({
    id,
    name: id,
    groups: 2,
    without,
    awayAt: null,
    ...more,
  })
  const all = [
    split('Teams', 3),
    split('Choirs', 0),
    split('Empty', 4, { groups: 0 }),
    split('Old', 2, { awayAt: 'x' }),
  ]
  const { page } = await shown({ at: '2026-12-01T09:00:00Z', enter: 5, look: 0, groups: [] }, [], all)
  expect(page.findAll('.groups li').map((each) => each.text())).toEqual([
    expect.stringMatching(/^3 people are in no group of Teams\.\s+Who: Teams\s+To the groups: Teams$/),
  ])
})
