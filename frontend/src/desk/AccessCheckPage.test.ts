import { flushPromises } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import type { AccessCheck } from '@/shared/api'
import { person, serve, show, site, standing } from '@/testing/server'
import AccessCheckPage from './AccessCheckPage.vue'

const bea = person('Beatriz', 'da Luz')
const cause = (code: string, change: string, more = {}) => ({
  code,
  values: {},
  change,
  mine: true,
  givers: ['lead-tutor'],
  ...more,
})
const why = (causes: object[], more: Partial<AccessCheck> = {}) =>
  ({
    site,
    person: bea,
    standing: standing({ state: 'blocked' }),
    reason: { entry: 'no', causes },
    suggested: 'learner',
    version: 5,
    ...more,
  }) as unknown as AccessCheck

async function answered(answer: AccessCheck, answers = {}) {
  vi.useRealTimers()
  const asked = serve({
    [`GET /sites/${site.id}/access-check/${bea.id}`]: answer,
    'GET /sites': { items: [], total: 0, next: null },
    ...answers,
  })
  const shown = show(AccessCheckPage)
  await shown.router.push(`/?person=${bea.id}&site=${site.id}`)
  await flushPromises()
  return { ...shown, asked }
}

it('says every step in its order, and offers the first one may make', async () => {
  const { page, asked } = await answered(
    why([
      cause('blocked', 'lift'),
      cause('removed', 'bring-back', { values: { at: '2026-11-01T10:00:00Z' } }),
      cause('account-closed', 'reopen-account', { mine: false, givers: [] }),
    ]),
    {
      [`POST /sites/${site.id}/change-lists`]: {
        changeList: null,
        removal: null,
        lines: [
          {
            person: { id: bea.id, name: 'x' },
            verdict: 'ready',
            before: null,
            after: standing(),
            outlook: [],
            reasons: [],
            cautions: [],
            entry: 9,
          },
        ],
      },
    },
  )
  expect(page.findAll('li').map((each) => each.text())).toEqual([
    'Cannot enter: blocked.Unblock',
    'Cannot enter: removed on 1 Nov.Bring them back, and they can enter.',
    'Cannot enter: the account is closed since .Open their account again, and they can enter. Can be done by: an ' +
      'administrator.',
  ])
  await page.get('li button').trigger('click')
  await flushPromises()
  expect(asked.find(({ call }) => call.startsWith('POST'))!.body).toEqual({
    apply: true,
    lines: [{ verb: 'unblock', version: 5, person: bea.id }],
  })
})

it('lets in whoever was never here, in the role that suits', async () => {
  const { page } = await answered(why([cause('never-here', 'let-in')], { standing: null, version: 0 }))
  expect(page.get('li button').text()).toBe('Let in as learner')
})

it('offers no step to those who may not', async () => {
  const { page } = await answered(why([cause('paused', 'resume', { mine: false })]))
  expect(page.find('li button').exists()).toBe(false)
  expect(page.text()).toContain('Can be done by: lead tutor, an administrator.')
})
