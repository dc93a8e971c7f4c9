import { flushPromises } from '@vue/test-utils'
import { computed } from 'vue'
import { expect, it } from 'vitest'
import { person, problem, serve, show, site, standing } from '@/testing/server'
import { cell } from './columns'
import { useRoster } from './roster'

const row = (name: string) => ({
  person: person(name, 'Person'),
  standing: standing(),
  entry: 'enter' as const,
  because: 'let-in',
  listed: true,
  lastSeen: null,
  work: null,
  labels: [],
  groups: [],
  details: {},
  version: 1,
})
const counts = { learners: 3, staff: 0, others: 0, unlisted: 0, shown: 3 }

async function roster(address: string) {
  const asked = serve({
    [`GET /sites/${site.id}/roster`]: (request: Request) => {
      const cursor = new URL(request.url).searchParams.get('cursor')
      return cursor
        ? { items: [row('Third')], next: null, counts }
        : { items: [row('First'), row('Second')], next: 'more', counts }
    },
  })
  let used!: ReturnType<typeof useRoster>
  const { router } = show({ setup: () => ((used = useRoster(computed(() => site.id))), () => null) })
  await router.push('/roster' + address)
  await flushPromises()
  return { used, router, asked, last: () => new URL('http://x/' + asked.at(-1)!.call.split(' ')[1]).searchParams }
}

it('reads sort and filter from the address, and falls back where they make no sense', async () => {
  const { used } = await roster('?sort=level&direction=down&state=paused&q=bea')
  expect(used.view.value).toMatchObject({
    q: 'bea',
    role: '',
    state: 'paused',
    unlisted: '0',
    sort: 'level',
    direction: 'down',
  })
  expect(used.filtered.value).toBe(true)
  expect((await roster('?sort=shoe&direction=sideways&state=asleep')).used.view.value).toMatchObject({
    sort: 'name',
    direction: 'up',
    state: 'here',
  })
})

it('sends only what is asked for, and nothing that makes no sense', async () => {
  const { last } = await roster('?level=7&seen=never&ends=soon&door=window&section=x')
  expect(Object.fromEntries(last())).toMatchObject({ level: '7', seen: 'never', state: 'here' })
  expect(['ends', 'door', 'section', 'q'].filter((name) => last().has(name))).toEqual([])
})

it('keeps what is looked at in the address, and leaves out what is as usual', async () => {
  const { used, router } = await roster('')
  await used.sortBy('level')
  expect(router.currentRoute.value.query).toEqual({ sort: 'level' })
  await used.sortBy('level')
  expect(router.currentRoute.value.query).toEqual({ sort: 'level', direction: 'down' })
  await used.sortBy('name')
  await used.look({ q: 'x' })
  await used.look({ q: '' })
  expect(router.currentRoute.value.query).toEqual({})
})

it('shows a first page soon and fetches the rest behind it, in larger pages', async () => {
  const { used, asked, last } = await roster('')
  expect((await used.all()).map(({ person: { given } }) => given)).toEqual(['First', 'Second', 'Third'])
  expect(
    [...new Set(asked.map(({ call }) => call))].filter((call) => call.includes('limit=60')).length,
  ).toBeGreaterThan(0)
  expect([last().get('limit'), last().get('cursor')]).toEqual(['500', 'more'])
})

it('writes a row as it is read', () => {
  const roleName = (code: string | null | undefined) => (code === 'learner' ? 'Learner' : '')
  const cells = (['name', 'kind', 'level', 'division', 'number', 'role', 'state', 'since', 'seen'] as const).map(
    (column) => cell(row('Bea'), column, 'UTC', roleName),
  )
  expect(cells).toEqual(['Person, Bea', 'Learner', '7', 'Seniors', '2041010', 'Learner', 'Current', '6 Sept', 'never'])
})

it.each([
  ['q', 'ada', ' '],
  ['role', 'co-tutor', 'Co-Tutor'],
  ['role', 'learner', 'learner1'],
  ['section', '00000000-0000-7000-8000-00000000000a', '00000000-0000-7000-8000-00000000000'],
  ['section', '00000000-0000-7000-8000-00000000000a', 'x00000000-0000-7000-8000-00000000000a'],
  ['section', '00000000-0000-7000-8000-00000000000a', '00000000-0000-7000-8000-00000000000az'],
  ['level', '7', '107'],
  ['level', '10', 'seven'],
  ['level', '1', 'x1'],
  ['division', 'seniors_2-b', 'seniors!'],
  ['division', 'seniors', '!seniors'],
  ['door', 'staff', 'desk'],
  ['door', 'key', 'keys'],
  ['door', 'invitation', 'an invitation'],
  ['door', 'cohort', 'cohorts'],
  ['door', 'feed', 'xfeed'],
  ['door', 'preview', 'previews'],
  ['door', '00000000-0000-7000-8000-00000000000a', '00000000-0000-7000-8000-0000000000'],
  ['seen', 'never', 'nevermore'],
  ['seen', '14', '0'],
  ['seen', '999', '1000'],
  ['seen', '7', 'x7'],
  ['ends', '14', '014'],
  ['ends', '999', '1000'],
  ['ends', '7', 'x7'],
  ['group', 'none-00000000-0000-7000-8000-0000000000aa', 'none'],
  ['joined', '14', '014'],
  ['joined', '999', '1000'],
  ['joined', '7', '7x'],
  ['label', 'choir tour', 'x'.repeat(41)],
  ['label', 'x'.repeat(40), 'x'.repeat(41)],
  ['asOf', '2026-11-20', '2026-11-2'],
  ['asOf', '2026-11-20', '2026-11-201'],
  ['asOf', '2026-11-20', '12026-11-20'],
  ['state', 'removed', 'gone'],
  ['unlisted', '1', '2'],
] as const)('narrows by %s: %s, and leaves out %s', async (name, sense, nonsense) => {
  expect((await roster(`?${name}=${encodeURIComponent(sense)}`)).last().get(name)).toBe(sense)
  const { last } = await roster(`?${name}=${encodeURIComponent(nonsense)}`)
  const usual = { state: 'here', unlisted: '0' }[name as string] ?? null
  expect(last().get(name)).toBe(name === 'q' ? nonsense : usual)
})

it.each(['q=a', 'role=learner', 'state=paused', 'level=7', 'division=seniors', 'door=key', 'seen=never', 'ends=7'])(
  'is narrowed by %s',
  async (query) => {
    expect((await roster('?' + query)).used.filtered.value).toBe(true)
  },
)

it.each(['', 'sort=level', 'asOf=2026-11-20', 'unlisted=1', 'state=here'])('is not narrowed by "%s"', async (query) => {
  expect((await roster('?' + query)).used.filtered.value).toBe(false)
})

it('says how many there are, tells of its progress, and what went wrong on the way', async () => {
  const { used } = await roster('')
  await used.all()
  expect([used.counts.value, used.rows.value.length]).toEqual([counts, 3])
  let pages = 0
  serve({
    [`GET /sites/${site.id}/roster`]: () =>
      pages++ < 2
        ? { items: [row('One' + pages)], next: 'more', counts }
        : problem('unexpected', 500, 'The server stumbled.'),
  })
  let other!: ReturnType<typeof useRoster>
  show({ setup: () => ((other = useRoster(computed(() => site.id))), () => null) })
  const seen: number[] = []
  await expect(
    (async () => {
      await flushPromises()
      return other.all((rows) => seen.push(rows))
    })(),
  ).rejects.toThrow('The server stumbled.')
  expect(seen.length).toBeGreaterThan(0)
})
