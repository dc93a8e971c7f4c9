import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { lastDone } from '@/shared/undo'
import { problem, read, serve, show } from '@/testing/server'
import MoveDivisionPage from './MoveDivisionPage.vue'

const division = (code: string, name: string, more: object = {}) => ({
  code,
  name,
  parent: null,
  minors: false,
  language: 'en-GB',
  timeZone: 'UTC',
  levels: null,
  welcome: '',
  retired: false,
  ...more,
})
const settings = {
  divisions: [
    division('lower', 'Lower School'),
    division('upper', 'Upper School'),
    division('old', 'Old School', { retired: true }),
  ],
}
const found = (more: object = {}) => ({
  people: 24,
  sites: 1,
  below: [],
  stay: 0,
  left: [],
  notes: [],
  problems: [],
  changeList: null,
  ...more,
})

async function open(answer: Parameters<typeof serve>[0][string]) {
  const asked = serve({ 'GET /settings': { settings }, 'POST /division-moves': answer })
  const { page, router } = show(MoveDivisionPage)
  router.addRoute({ path: '/platform/divisions/:division/move', component: { template: '<i />' } })
  router.addRoute({ path: '/platform/:part', name: 'platform', component: { template: '<i />' } })
  await router.push('/platform/divisions/lower/move')
  await flushPromises()
  await page.find('input[type=checkbox]').setValue(true)
  await flushPromises()
  return { page, asked }
}
const button = (page: Awaited<ReturnType<typeof open>>['page']) => page.find('.acts button')

it('says what moving would do before it is done, and undoes it', async () => {
  const notes = [{ code: 'other-rights', names: ['Learner', 'Observer'] }]
  const { page, asked } = await open(() => Response.json(found({ notes, changeList: 'list' })))
  expect(page.find('h1').text()).toBe('Move what belongs to Lower School')
  expect(read(page)).toContain('These roles let them do other things there: Learner, Observer.')
  expect(asked.at(-1)!.body).toEqual({
    from: 'lower',
    people: null,
    sites: null,
    below: null,
    retire: true,
    apply: false,
  })
  await button(page).trigger('click')
  await flushPromises()
  expect(asked.find(({ body }) => (body as { apply?: boolean } | undefined)?.apply)).toBeTruthy()
  expect(lastDone.sentence).toBe('What belonged to Lower School is moved.')
})

it('does not move where it cannot be, and says why', async () => {
  const { page } = await open(() =>
    Response.json(
      found({
        stay: 60,
        left: [{ person: { id: 'p', name: 'Bea da Luz' }, level: 9 }],
        problems: [{ where: 'divisions/lower/retired', code: 'division-in-use', values: { people: 60, sites: 0 } }],
      }),
    ),
  )
  expect(read(page)).toContain('60 people cannot go')
  expect(read(page)).toContain('Bea da Luz, level 9 and 59 more')
  expect(read(page)).toContain('Move them to another division first.')
  expect(button(page).attributes('disabled')).toBeDefined()
})

it('says at the field which division cannot be chosen', async () => {
  const detail = 'This division is retired. Choose one that is in use.'
  const { page } = await open(() =>
    problem('invalid', 422, detail, { errors: [{ pointer: '/people', code: 'retired-division', detail }] }),
  )
  expect(page.find('.field .wrong').text()).toBe(detail)
  expect(button(page).attributes('disabled')).toBeDefined()
})
