import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { platform, problem, serve, show } from '@/testing/server'
import { within } from '@/testing/within'
import { Problem } from './api'
import { useBusy, useForm } from './busy'
import { platformNow, setPlatformClock } from './clock'
import { download } from './csv'
import { useKeys } from './keys'
import { administers, findOutWhoIAm, me, signIn, signOut } from './me'
import { usePlatform } from './platform'
import { queries, refresh } from './queries'
import { saveAs } from './saveAs'
import { seenAs } from './seenAs'
import { lastDone } from './undo'
import { t, tIn, words } from './words'

const somebody = {
  id: '00000000-0000-7000-8000-000000000007',
  name: 'Mara Lindqvist',
  login: 'mara',
  kind: 'staff' as const,
  platformAdministrator: false,
  divisions: [] as string[],
  mayMakeSites: true,
  readsNumbers: false,
  mustChange: false,
  seesMailboxes: false,
  language: null,
  timeZone: null,
}

afterEach(() => {
  vi.useRealTimers()
  localStorage.clear()
  me.value = undefined
})

describe('who is signed in', () => {
  it('is asked for, and nobody where nobody is', async () => {
    const asked = serve({ 'GET /me': somebody })
    expect(await findOutWhoIAm()).toEqual(somebody)
    expect(me.value).toEqual(somebody)
    expect(asked.map((each) => each.call)).toEqual(['GET /me'])
    serve({ 'GET /me': () => problem('not-signed-in', 401, 'Sign in.') })
    expect(await findOutWhoIAm()).toBeNull()
    expect(me.value).toBeNull()
  })

  it('is not taken for nobody when the server is in trouble', async () => {
    me.value = somebody
    serve({ 'GET /me': () => problem('unexpected', 500, 'Something went wrong.') })
    await expect(findOutWhoIAm()).rejects.toThrow('Something went wrong.')
    expect(me.value).toEqual(somebody)
    serve({ 'GET /me': () => new Response('<html>', { headers: { 'Content-Type': 'application/json' } }) })
    await expect(findOutWhoIAm()).rejects.not.toBeInstanceOf(Problem)
    expect(me.value).toEqual(somebody)
  })

  it.each([
    [{ platformAdministrator: true }, true],
    [{ divisions: ['seniors'] }, true],
    [{ platformAdministrator: true, divisions: ['seniors'] }, true],
    [{}, false],
  ])('administers with %o: %s', (rights, so) => {
    me.value = { ...somebody, ...rights }
    expect(administers.value).toBe(so)
  })

  it('administers nothing while nobody is', () => {
    me.value = null
    expect(administers.value).toBe(false)
  })

  it('signs in with what was typed, and what another one saw is forgotten', async () => {
    const asked = serve({ 'POST /sign-in': somebody })
    queries.setQueryData(['sites'], ['theirs'])
    me.value = somebody
    expect(await signIn('mara', 'secret')).toEqual(somebody)
    expect(asked[0]!.body).toEqual({ login: 'mara', password: 'secret' })
    expect(queries.getQueryData(['sites'])).toEqual(['theirs'])
    me.value = { ...somebody, id: '00000000-0000-7000-8000-000000000008' }
    await signIn('mara', 'secret')
    expect(queries.getQueryData(['sites'])).toBeUndefined()
    expect(me.value).toEqual(somebody)
    queries.setQueryData(['sites'], ['mine'])
    me.value = null
    await signIn('mara', 'secret')
    expect(queries.getQueryData(['sites'])).toEqual(['mine'])
  })

  it('signs out, and nothing of them is left', async () => {
    const asked = serve({ 'POST /sign-out': {} })
    queries.setQueryData(['sites'], ['mine'])
    me.value = somebody
    seenAs.value = { site: 's', as: 'role:learner', back: '/' }
    await signOut()
    expect(asked.map((each) => each.call)).toEqual(['POST /sign-out'])
    expect([me.value, seenAs.value, queries.getQueryData(['sites'])]).toEqual([null, null, undefined])
  })
})

describe('colours', () => {
  const load = async (kept: string | null, system: boolean | null) => {
    vi.resetModules()
    localStorage.clear()
    if (kept !== null) localStorage.setItem('mint-door.colours', kept)
    const asked: string[] = []
    vi.stubGlobal(
      'matchMedia',
      system === null
        ? undefined
        : (query: string) => (asked.push(query), { matches: system, addEventListener() {}, removeEventListener() {} }),
    )
    return { ...(await import('./colours')), asked }
  }

  it.each([
    ['dark', false, true],
    ['light', true, false],
    [null, true, true],
    [null, false, false],
    [null, null, false],
  ])('kept %s, the system dark: %s, dark: %s', async (kept, system, so) => {
    const { dark, asked } = await load(kept, system)
    expect(dark.value).toBe(so)
    expect(asked).toEqual(system === null ? [] : ['(prefers-color-scheme: dark)'])
    expect(document.documentElement.className).toBe(so ? 'dark' : '')
    expect(document.documentElement.style.colorScheme).toBe(so ? 'dark' : 'light')
  })

  it('are switched, and kept in this browser', async () => {
    const { dark, switchColours } = await load(null, false)
    switchColours()
    await nextTick()
    expect([dark.value, localStorage.getItem('mint-door.colours')]).toEqual([true, 'dark'])
    expect(document.documentElement.className).toBe('dark')
    switchColours()
    await nextTick()
    expect([dark.value, localStorage.getItem('mint-door.colours')]).toEqual([false, 'light'])
    expect(document.documentElement.className).toBe('')
  })
})

describe('whether people are told', () => {
  const load = async (kept: string | null) => {
    vi.resetModules()
    localStorage.clear()
    if (kept !== null) localStorage.setItem('mint-door-tell', kept)
    return import('./tell')
  }

  it.each([
    ['1', true],
    ['0', false],
    [null, false],
  ])('is as it was left: %s', async (kept, so) => {
    expect((await load(kept)).tellEach.value).toBe(so)
  })

  it('is kept in this browser', async () => {
    const { tellEach } = await load(null)
    tellEach.value = true
    await nextTick()
    expect(localStorage.getItem('mint-door-tell')).toBe('1')
    tellEach.value = false
    await nextTick()
    expect(localStorage.getItem('mint-door-tell')).toBe('0')
  })

  it('says nothing, or the words for them', async () => {
    const { tellBody } = await load(null)
    expect([tellBody(false, 'Hello.'), tellBody(true), tellBody(true, 'Hello.')]).toEqual([
      {},
      { tell: '' },
      { tell: 'Hello.' },
    ])
  })
})

describe('the catalogue', () => {
  it('says a key it does not have as it is, and does not complain', () => {
    const complaint = vi.spyOn(console, 'warn').mockImplementation(() => undefined)
    expect(tIn('undo', 'nothing-like-this')).toBe('undo.nothing-like-this')
    expect(complaint).not.toHaveBeenCalled()
    expect([words.global.locale.value, words.global.fallbackLocale.value]).toEqual(['en-GB', 'en'])
    complaint.mockRestore()
  })
})

describe('files', () => {
  it('are handed to the browser with their name and type, and let go of later', async () => {
    vi.useFakeTimers()
    const made: Blob[] = []
    const gone: string[] = []
    vi.stubGlobal('URL', {
      createObjectURL: (blob: Blob) => (made.push(blob), 'blob:one'),
      revokeObjectURL: (address: string) => gone.push(address),
    })
    const clicked: string[] = []
    vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      clicked.push(`${this.download} ${this.href}`)
    })
    saveAs('log.jsonl', 'lines', 'application/x-ndjson')
    download('people.csv', [['given'], ['Ada']])
    expect(clicked).toEqual(['log.jsonl blob:one', 'people.csv blob:one'])
    expect(made.map((blob) => blob.type)).toEqual(['application/x-ndjson', 'text/csv'])
    expect(made[0]!.size).toBe(5)
    vi.advanceTimersByTime(9_999)
    expect(gone).toEqual([])
    vi.advanceTimersByTime(1)
    expect(gone).toEqual(['blob:one', 'blob:one'])
    vi.restoreAllMocks()
  })
})

describe('the platform', () => {
  it('is asked for once, and says what roles are called and what time it is', async () => {
    const asked = serve({ 'GET /platform': { ...platform, now: '2030-01-02T03:04:05Z' } })
    const { page } = show({
      setup: () => usePlatform(),
      template: '<p>{{ roleName("learner") }}|{{ roleName("gone") }}|{{ roleName(null) }}|{{ platform?.now }}</p>',
    })
    expect(page.text()).toBe('Learner|gone||2026-11-24T09:00:00Z')
    queries.clear()
    const { page: fresh } = show({
      setup: () => (queries.clear(), usePlatform()),
      template: '<p>{{ roleName("learner") }}</p>',
    })
    expect(fresh.text()).toBe('learner')
    await flushPromises()
    expect(fresh.text()).toBe('Learner')
    expect(asked.map((each) => each.call)).toEqual(['GET /platform'])
    expect(platformNow().toISOString()).toMatch(/^2030-01-02T03:04:0/)
    setPlatformClock(new Date().toISOString())
  })
})

describe('what is fetched', () => {
  it('is fetched anew by its kind, and not tried again by itself', async () => {
    const anew = vi.spyOn(queries, 'invalidateQueries')
    await refresh('roster', 'doors')
    expect(anew.mock.calls).toEqual([[{ queryKey: ['roster'] }], [{ queryKey: ['doors'] }]])
    anew.mockRestore()
    expect(queries.getDefaultOptions().queries).toEqual({
      retry: false,
      staleTime: 10_000,
      refetchOnWindowFocus: true,
      shallow: true,
    })
  })
})

describe('work that a button starts', () => {
  it('is under way until it ends, well or not', async () => {
    const { busy, run } = useBusy()
    let end = () => {}
    const work = run(() => new Promise<void>((resolve) => (end = resolve)))
    expect(busy.value).toBe(true)
    end()
    await work
    expect(busy.value).toBe(false)
    await run(() => Promise.reject(new Error('no')))
    expect([busy.value, lastDone.wrong]).toEqual([false, true])
  })

  it('of a form says what is wrong there, and begins anew without it', async () => {
    const { wrong, run } = useForm('Choose one.')
    expect(wrong.value).toBe('Choose one.')
    expect(useForm().wrong.value).toBe('')
    const trouble = new Problem({ type: 'x:stale', title: '', status: 412, detail: 'Look again.' })
    await run(() => Promise.reject(trouble))
    expect(wrong.value).toBe('Look again.')
    await run(() => Promise.reject(new Error('no')))
    expect(wrong.value).toBe(t('trouble.unexpected'))
    let during = '?'
    await run(async () => void (during = wrong.value))
    expect([during, wrong.value]).toEqual(['', ''])
  })
})

describe('what is typed', () => {
  it.each(['INPUT', 'TEXTAREA', 'SELECT'])('is never taken for a key of the page: %s', (tag) => {
    const pressed: string[] = []
    within(() => useKeys({ i: () => pressed.push('i') }))
    const field = document.body.appendChild(document.createElement(tag))
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'i', bubbles: true }))
    expect(pressed).toEqual([])
    field.remove()
    const other = document.body.appendChild(document.createElement('x-' + tag))
    other.dispatchEvent(new KeyboardEvent('keydown', { key: 'i', bubbles: true }))
    const more = document.body.appendChild(document.createElement(tag + '-x'))
    more.dispatchEvent(new KeyboardEvent('keydown', { key: 'i', bubbles: true }))
    expect(pressed).toEqual(['i', 'i'])
    other.remove()
    more.remove()
  })
})
