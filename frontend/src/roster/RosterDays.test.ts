import { flushPromises } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import { serve, show, site } from '@/testing/server'
import RosterDays from './RosterDays.vue'

vi.mock('@/ui/ChartOf.vue', () => ({
  __esModule: true,
  default: {
    name: 'ChartOf',
    props: ['label', 'said', 'places', 'series', 'marks'],
    emits: ['pick'],
    template: '<p>{{ said }}</p>',
  },
}))

async function shown(asOf = '') {
  serve({
    [`GET /sites/${site.id}/roster-days`]: {
      today: '2026-11-24',
      each: 1,
      days: ['2026-11-23', '2026-11-24', '2026-11-25'],
      people: {
        current: [4, 9, 7],
        paused: [0, 0, 2],
        waiting: [0, 0, 0],
        upcoming: [0, 0, 0],
        blocked: [0, 1, 1],
        ended: [0, 0, 0],
        removed: [0, 0, 0],
      },
    },
  })
  const { page } = show(RosterDays, { props: { site, asOf } })
  await flushPromises()
  await vi.dynamicImportSettled()
  return { page, chart: page.findComponent({ name: 'ChartOf' }) }
}

it('shows the states there are, those who are not here only on asking, and says what is to be seen', async () => {
  const { page, chart } = await shown()
  const series = chart.props('series') as { name: string; numbers: number[]; aside?: boolean }[]
  expect(series.map(({ name, aside }) => [name, !!aside])).toEqual([
    ['Current', false],
    ['Paused', false],
    ['Blocked', true],
  ])
  expect(page.text()).toContain('9 current today. The highest number is 9')
  expect(chart.props('marks')).toEqual([{ place: 1, word: 'today' }])
})

it('answers the day one points at with its roster, and goes back to now from today or from the same day', async () => {
  const { page, chart } = await shown('2026-11-25')
  expect(chart.props('marks')).toHaveLength(2)
  for (const place of [0, 1, 2]) chart.vm.$emit('pick', place)
  expect(page.findComponent(RosterDays).emitted('look')).toEqual([['2026-11-23'], [''], ['']])
})
