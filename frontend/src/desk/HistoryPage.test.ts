import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { read, serve, show, site, standing } from '@/testing/server'
import HistoryPage from './HistoryPage.vue'

const entry = (sequence: number, code: string, more: object = {}) => ({
  sequence,
  at: '2026-11-24T08:30:00Z',
  actor: { id: site.id, name: 'Mara Lindqvist' },
  person: { id: site.id, name: 'Bea da Luz' },
  code,
  data: {},
  undoable: true,
  undoneBy: null,
  ...more,
})
const items = [
  entry(6, 'undo', { data: { of: 'remove' } }),
  entry(5, 'remove', { data: { before: standing() }, undoable: false, undoneBy: 6 }),
  entry(4, 'change-role', { data: { before: standing({ role: 'day-guest' }), after: standing() }, undoable: false }),
  entry(3, 'let-in', { data: { after: standing({ role: 'day-guest' }) }, undoable: false }),
  entry(2, 'site-open', { person: null, data: { before: {}, after: {} } }),
  entry(1, 'site-made', { person: null, undoable: false }),
]

async function shown(may = site.may) {
  const asked = serve({
    [`GET /sites/${site.id}/history`]: { items, next: null },
    [`POST /sites/${site.id}/history/6/undo`]: { entry: 7, line: null },
  })
  const { page } = show(HistoryPage, { props: { site: { ...site, may } } })
  await flushPromises()
  return { page, asked }
}

it('says in sentences what happened, newest first', async () => {
  const { page } = await shown()
  expect(page.findAll('h3').map((each) => each.text())).toContain('24 Nov')
  const said = page.findAll('li').map(read)
  expect(said[0]).toContain('08:30Mara Lindqvist undid a change of Bea da Luz (removing)')
  expect(said[1]).toMatch(/removed Bea da Luz, who was learner.*undone/)
  expect(said[2]).toContain('made Bea da Luz learner, who was day guest')
  expect(said[3]).toContain('let Bea da Luz in as day guest')
  expect(said[4]).toContain('opened the site')
  expect(said[5]).toContain('made the site')
})

it('offers to undo what may be undone, by those who may', async () => {
  const { page, asked } = await shown()
  const undoes = page.findAll('li button')
  expect(undoes.map((each) => each.attributes('aria-label'))).toEqual([
    'Undo: Mara Lindqvist undid a change of Bea da Luz (removing)',
    'Undo: Mara Lindqvist opened the site',
  ])
  await undoes[0]!.trigger('click')
  await flushPromises()
  expect(asked.map(({ call }) => call)).toContain(`POST /sites/${site.id}/history/6/undo`)
  expect((await shown(['see-roster', 'let-in', 'see-history'])).page.findAll('li button')).toHaveLength(1)
})
