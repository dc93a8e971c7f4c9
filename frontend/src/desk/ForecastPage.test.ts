import { expect, it } from 'vitest'
import { eventually, read, serve, show, site } from '@/testing/server'
import ForecastPage from './ForecastPage.vue'

const event = (at: string, kind: string, more: object = {}) => ({
  at,
  kind,
  site: { id: site.id, name: 'Harmony' },
  person: null,
  name: '',
  doorKind: '',
  role: null,
  frees: false,
  timeZone: 'UTC',
  ...more,
})

it('tells day by day what will happen, what ends by its last day', async () => {
  const ada = { person: { id: 'a', name: 'Ada Moss' }, role: 'learner', frees: true }
  serve({
    [`GET /sites/${site.id}/forecast`]: {
      from: '2026-11-24',
      until: '2027-02-22',
      days: [
        { day: '2026-12-11', come: 0, leave: 1, other: 0 },
        { day: '2026-12-19', come: 0, leave: 0, other: 1 },
      ],
      events: [
        event('2026-12-11T00:00:00Z', 'ends', ada),
        event('2026-12-19T00:00:00Z', 'door-shuts', { name: '', doorKind: 'key' }),
      ],
      total: 2,
      more: false,
    },
  })
  const { page } = show(ForecastPage, { props: { site } as never })
  await eventually(() => expect(read(page)).toContain('Ada Moss, learner, is not here any more · a seat is free'))
  expect(read(page)).toMatch(/10 Dec.*18 Dec/)
  expect(read(page)).toContain('the door with a key shuts')
})

it('says where nothing will', async () => {
  serve({
    [`GET /sites/${site.id}/forecast`]: {
      from: '2026-11-24',
      until: '2027-02-22',
      days: [],
      events: [],
      total: 0,
      more: false,
    },
  })
  const { page } = show(ForecastPage, { props: { site } as never })
  await eventually(() => expect(read(page)).toContain('Nothing will happen by itself.'))
})
