import { flushPromises } from '@vue/test-utils'
import { computed, defineComponent } from 'vue'
import { expect, it } from 'vitest'
import { person, serve, show, site, standing } from '@/testing/server'
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
  const { router } = show(defineComponent({ setup: () => ((used = useRoster(computed(() => site.id))), () => null) }))
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
