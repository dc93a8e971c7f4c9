import { flushPromises } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import type { Numbers } from '@/shared/api'
import * as csv from '@/shared/csv'
import { read, serve, show } from '@/testing/server'
import NumbersPage from './NumbersPage.vue'

const site = (title: string, more: Partial<Numbers['sites'][number]> = {}): Numbers['sites'][number] => ({
  id: title,
  title,
  kind: 'course',
  division: { code: 'upper', name: 'Upper School' },
  term: 'Autumn',
  state: 'open',
  seats: 30,
  learners: 24,
  staff: 2,
  waiting: 1,
  lately: 20,
  never: 3,
  opens: false,
  ...more,
})
const sum = (name: string) => ({
  division: { code: name, name },
  sites: 2,
  learners: 1500,
  staff: 4,
  waiting: 2,
  counted: 1400,
  lately: 700,
})
const numbers = (more: Partial<Numbers> = {}): Numbers => ({
  divisions: [sum('Upper School'), sum('Lower School')],
  sites: [site('Harmony', { opens: true }), site('Counterpoint', { learners: 2, lately: null, never: null })],
  more: false,
  least: 5,
  days: 14,
  ...more,
})

async function open(found = numbers()) {
  const asked = serve({ 'GET /numbers': found })
  const { page, router } = show(NumbersPage)
  await router.push('/numbers')
  await flushPromises()
  return { page, asked, router }
}

describe('sites in numbers', () => {
  it('are summed by division, and of few learners it is not told who came', async () => {
    const { page } = await open()
    expect(read(page)).toContain('Of fewer than 5 learners, only their number is shown.')
    expect(read(page)).toContain('700 of 1,400')
    // Rows are drawn in slices.
    await vi.waitFor(() => expect(read(page)).toContain('too few'))
    const links = page.findAll('a').map((link) => link.text())
    expect(links).toContain('Harmony')
    expect(links).not.toContain('Counterpoint')
  })

  it('are those of open sites, unless something else is chosen', async () => {
    const { asked, router } = await open()
    expect(asked[0]!.call).toBe('GET /numbers?state=open')
    await router.push('/numbers?state=any&division=upper')
    await flushPromises()
    expect(asked.at(-1)!.call).toBe('GET /numbers?division=upper')
  })

  it('are saved as a table', async () => {
    const saved = vi.spyOn(csv, 'download').mockImplementation(() => undefined)
    const { page } = await open()
    await page
      .findAll('button')
      .find((each) => each.text() === 'Save as a table (CSV)')!
      .trigger('click')
    const rows = saved.mock.calls[0]![1]
    expect(rows[0]!.slice(-2)).toEqual(['Came in 14 days', 'Never came'])
    expect(rows[2]!.slice(-4)).toEqual(['2', '1', '', ''])
  })

  it('say where there are none', async () => {
    const { page } = await open(numbers({ sites: [], divisions: [] }))
    expect(read(page)).toContain('No site is like that.')
  })
})
