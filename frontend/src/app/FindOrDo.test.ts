import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { offered, take } from '@/testing/choose'
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
  readsNumbers: false,
  seesMailboxes: false,
  language: null,
  timeZone: null,
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
  await vi.advanceTimersByTimeAsync(1)
  const input = shown.page.find('input')
  await input.trigger('focus')
  if (typed) await input.setValue(typed)
  await vi.advanceTimersByTimeAsync(200)
  await flushPromises()
  return {
    ...shown,
    input,
    asked,
    labels: () =>
      offered([...document.querySelectorAll('.p-autocomplete-overlay')].at(-1)).map((each) =>
        read({ text: () => each.textContent ?? '' }).trim(),
      ),
  }
}

it('offers what one may do, narrowed by what is typed', async () => {
  expect((await opened({})).labels()).toEqual(expect.arrayContaining(['New site', 'Sites I run', 'Sign out']))
  expect((await opened({ mayMakeSites: false, readsNumbers: false })).labels()).not.toContain('New site')
  expect((await opened({ mayMakeSites: false, readsNumbers: false }, 'key')).labels()).toContain('Join with a key')
  expect((await opened({ mayMakeSites: false, readsNumbers: false }, 'key')).labels()).not.toContain(
    'Renew the keys of several sites',
  )
  expect((await opened({}, 'sign')).labels()).toContain('Sign out')
  expect((await opened({}, 'zzz')).labels().filter((each) => each === 'Sign out')).toEqual([])
})

it('finds sites one runs and sites one is in, and goes to what one does there', async () => {
  const { labels, router, asked } = await opened({}, 'ha')
  expect(asked.map(({ call }) => call)).toEqual([
    'GET /sites?scope=run&q=ha&limit=6',
    'GET /sites?scope=in&q=ha&limit=6',
  ])
  expect(labels().slice(0, 2)).toEqual(['Harmony HET-2', 'Choir HET-2'])
  await take('Choir')
  expect(router.currentRoute.value.name).toBe('landing')
})

it('takes keys for what was typed, not for what was found of its beginning', async () => {
  const { input, labels, router } = await opened({}, 'ha')
  expect(labels()[0]).toBe('Harmony HET-2')
  serve({
    'GET /sites': (request: Request) =>
      page(
        new URL(request.url).searchParams.get('scope') === 'in' ? [{ ...site, id: 'x', title: 'Choir', mine: {} }] : [],
      ),
  })
  await input.setValue('hac')
  for (const key of ['ArrowDown', 'Enter']) await input.trigger('keydown', { key, code: key })
  expect(router.currentRoute.value.name).not.toBe('landing')
  await vi.advanceTimersByTimeAsync(200)
  await flushPromises()
  expect(router.currentRoute.value).toMatchObject({ name: 'landing', params: { site: 'x' } })
})

it("looks in all of an administrator's reach", async () => {
  const { asked, labels } = await opened({ divisions: ['seniors'] }, 'ha')
  expect(asked.map(({ call }) => call)).toEqual(['GET /sites?scope=all&q=ha&limit=6'])
  expect(labels()[0]).toBe('Harmony HET-2')
})

it('is walked with the arrow keys, and Enter does what stands there', async () => {
  const { input, router } = await opened({}, 'harm')
  for (const key of ['ArrowDown', 'Enter']) await input.trigger('keydown', { code: key, key })
  await flushPromises()
  expect(router.currentRoute.value.name).toBe('roster')
  expect((input.element as HTMLInputElement).value).toBe('')
})
