import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { problem, read, serve, show, site } from '@/testing/server'
import RosterChanges from './RosterChanges.vue'

const change = (name: string, before: object | null, after: object | null) => ({
  person: { id: name, name },
  before,
  after,
})
const learner = { state: 'current', role: 'learner' }

it('says who came, went and changed between two days', async () => {
  const asked = serve({
    [`GET /sites/${site.id}/roster-changes`]: {
      came: [change('New, Ann', null, learner)],
      went: [],
      changed: [change('Old, Bo', learner, { state: 'paused', role: 'learner' })],
    },
  })
  const { page } = show(RosterChanges, { props: { site } })
  await flushPromises()
  expect(asked[0]?.call).toMatch(/from=\d{4}-\d\d-\d\d&until=\d{4}-\d\d-\d\d$/)
  expect(page.findAll('h3').map((each) => each.text())).toEqual(['1 came', 'Nobody left', '1 changed'])
  expect(page.findAll('li').map(read)).toEqual([
    'New, Ann learner, current',
    'Old, Bo learner, current → learner, paused',
  ])
})

it('says what is wrong with the days', async () => {
  serve({
    [`GET /sites/${site.id}/roster-changes`]: () =>
      problem('invalid', 422, 'The second day is before the first. Swap them.'),
  })
  const { page } = show(RosterChanges, { props: { site } })
  await flushPromises()
  expect(page.find('[role=alert]').text()).toBe('The second day is before the first. Swap them.')
})
