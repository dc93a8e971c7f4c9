import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { read, serve, show, site } from '@/testing/server'
import FindOrDo from './FindOrDo.vue'
import { me } from '@/shared/me'

const tutor = {
  id: site.id,
  name: 'Mara',
  login: 'mara',
  kind: 'staff' as const,
  platformAdministrator: false,
  divisions: [],
  mayMakeSites: true,
  seesMailboxes: false,
  mustChange: false,
}
const page = (items: object[]) => ({ items, total: items.length, next: null })

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
afterEach(() => void vi.useRealTimers())

async function opened(who: object, typed = '') {
  me.value = { ...tutor, ...who }
  const asked = serve({
    'GET /sites': (request: Request) =>
      page(
        new URL(request.url).searchParams.get('scope') === 'in'
          ? [{ ...site, id: 'x', title: 'Choir', mine: {} }]
          : [{ ...site, mine: null }],
      ),
  })
  const shown = show(FindOrDo)
  const input = shown.page.find('input')
  await input.trigger('focus')
  await input.setValue(typed)
  await vi.advanceTimersByTimeAsync(200)
  await flushPromises()
  return {
    ...shown,
    input,
    asked,
    labels: () => shown.page.findAll('.found button').map(read),
  }
}

it('offers what one may do, narrowed by what is typed', async () => {
  expect((await opened({})).labels()).toEqual(expect.arrayContaining(['New site', 'Sites I run', 'Sign out']))
  expect((await opened({ mayMakeSites: false })).labels()).not.toContain('New site')
  expect((await opened({ mayMakeSites: false }, 'key')).labels()).toContain('Join with a key')
  expect((await opened({ mayMakeSites: false }, 'key')).labels()).not.toContain('Renew keys of sites')
  expect((await opened({}, 'sign')).labels()).toContain('Sign out')
  expect((await opened({}, 'zzz')).labels().filter((each) => each === 'Sign out')).toEqual([])
})

it('finds sites one runs and sites one is in, and goes to what one does there', async () => {
  const { labels, router, page: shown, asked } = await opened({}, 'ha')
  expect(asked.map(({ call }) => call)).toEqual([
    'GET /sites?scope=run&q=ha&limit=6',
    'GET /sites?scope=in&q=ha&limit=6',
  ])
  expect(labels().slice(0, 2)).toEqual(['Harmony HET-2', 'Choir HET-2'])
  await shown.findAll('.found button')[1]!.trigger('click')
  await flushPromises()
  expect(router.currentRoute.value.name).toBe('landing')
})

it("looks in all of an administrator's reach", async () => {
  const { asked, labels } = await opened({ divisions: ['seniors'] }, 'ha')
  expect(asked.map(({ call }) => call)).toEqual(['GET /sites?scope=all&q=ha&limit=6'])
  expect(labels()[0]).toBe('Harmony HET-2')
})

it('is walked with the arrow keys, and Escape leaves it', async () => {
  const { input, page: shown } = await opened({}, 'sites')
  ;(input.element as HTMLElement).focus()
  await shown.find('.finder').trigger('keydown', { key: 'ArrowDown' })
  expect(document.activeElement?.tagName).toBe('BUTTON')
  await shown.find('.finder').trigger('keydown', { key: 'Escape' })
  expect([(input.element as HTMLInputElement).value, shown.find('.found').exists()]).toEqual(['', false])
})
