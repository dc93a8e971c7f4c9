import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { problem, serve } from '@/testing/server'
import { api, freshKey, Problem, take } from './api'
import { queries } from './queries'
import { seenAs } from './seenAs'
import { clearDone, done, lastDone, refreshSite, undo, undoChangeList, undoLast, wentWrong } from './undo'
import { t } from './words'

const nothing = {
  sentence: '',
  more: '',
  site: '',
  entry: null,
  changeList: null,
  back: null,
  review: null,
  wrong: false,
  busy: false,
}
const fetched = async (work: () => Promise<unknown>) => {
  const anew = vi.spyOn(queries, 'invalidateQueries')
  await work()
  const kinds = anew.mock.calls.map(([filter]) => (filter as { queryKey: string[] }).queryKey[0])
  anew.mockRestore()
  return kinds
}
afterEach(() => {
  Object.assign(lastDone, nothing)
  seenAs.value = null
})

describe('what was done last', () => {
  it('is said, with what else there is to say and how to take it back', () => {
    expect(lastDone).toEqual(nothing)
    const back = async () => ''
    lastDone.review = { lines: [], removal: null, changeList: null }
    lastDone.wrong = true
    done('Done.', { site: 's', entry: 3, changeList: 'l', back }, 'More.')
    expect(lastDone).toMatchObject({ sentence: 'Done.', more: 'More.', site: 's', entry: 3, changeList: 'l' })
    expect([lastDone.back, lastDone.review, lastDone.wrong]).toEqual([back, null, false])
    done('Done again.')
    expect(lastDone).toEqual({ ...nothing, sentence: 'Done again.' })
    done('And again.', { entry: null, changeList: null })
    expect(lastDone).toEqual({ ...nothing, sentence: 'And again.' })
  })

  it('is let go of', () => {
    done('Done.', { site: 's', entry: 3, changeList: 'l', back: async () => '' }, 'More.')
    lastDone.review = { lines: [], removal: null, changeList: null }
    lastDone.wrong = true
    clearDone()
    expect(lastDone).toEqual({ ...nothing, site: 's' })
  })

  it('may be that something did not work', () => {
    done('Done.', { site: 's', entry: 3, changeList: 'l', back: async () => '' }, 'More.')
    lastDone.review = { lines: [], removal: null, changeList: null }
    wentWrong(new Problem({ type: 'x:y', title: '', status: 400, detail: 'That did not work.' }))
    expect(lastDone).toEqual({ ...nothing, sentence: 'That did not work.', wrong: true })
    wentWrong(new Error('?'))
    expect(lastDone.sentence).toBe(t('trouble.unexpected'))
    wentWrong(new Error('?'), 'In other words.')
    expect(lastDone.sentence).toBe('In other words.')
  })

  it('changes what a site shows', async () => {
    expect(await fetched(refreshSite)).toEqual([
      'today',
      'roster',
      'card',
      'intake',
      'site',
      'sites',
      'history',
      'labels',
      'why',
      'first-day-check',
      'progress',
      'changeLists',
      'settled-lines',
      'doors',
      'waiting',
      'arrivals',
      'invitations',
      'waits',
      'open-doors',
      'sections',
      'hours',
      'week',
      'clashes',
      'rooms',
      'plan',
      'splits',
      'own-groups',
      'wishes',
      'cohorts',
      'cohort-links',
    ])
  })
})

describe('undo', () => {
  it('of an entry says so, can be undone again, and shows the site anew', async () => {
    serve({ 'POST /sites/s/history/7/undo': { entry: 8, line: null } })
    const kinds = await fetched(() => undo('s', 7, 'Bea is let in.'))
    expect(lastDone).toMatchObject({
      sentence: t('undo.undone', { what: 'Bea is let in.' }),
      site: 's',
      entry: 8,
      busy: false,
    })
    expect(kinds).toContain('roster')
  })

  it('of an entry may change nothing, or not work', async () => {
    serve({ 'POST /sites/s/history/7/undo': { entry: null, line: null } })
    await undo('s', 7, 'Bea is let in.')
    expect(lastDone.sentence).toBe(t('undo.nothing', { what: 'Bea is let in.' }))
    expect(lastDone.sentence).not.toBe(t('undo.undone', { what: 'Bea is let in.' }))
    serve({ 'POST /sites/s/history/7/undo': () => problem('undone-already', 409, 'This was already undone.') })
    await undo('s', 7, 'Bea is let in.')
    expect([lastDone.sentence, lastDone.wrong, lastDone.busy]).toEqual(['This was already undone.', true, false])
  })

  it('is under way once', async () => {
    let answer = (_: object) => {}
    const asked = serve({ 'POST /sites/s/history/7/undo': () => new Promise<object>((resolve) => (answer = resolve)) })
    const first = undo('s', 7, 'x')
    expect(lastDone.busy).toBe(true)
    await undo('s', 7, 'x')
    lastDone.changeList = 'l'
    await undoChangeList()
    lastDone.back = () => Promise.reject(new Error('never'))
    undoLast()
    await flushPromises()
    answer({ entry: 8, line: null })
    await first
    expect([asked.length, lastDone.busy, lastDone.wrong]).toEqual([1, false, false])
  })

  it('of a change list is looked at first, and then done', async () => {
    const review = { lines: [], removal: { people: 6, here: 9 }, changeList: null }
    const asked = serve({
      'POST /sites/s/change-lists/l/undo': (_: Request, body: { apply: boolean }) =>
        body.apply ? { ...review, changeList: 'm' } : review,
    })
    done('Six are let in.', { site: 's', changeList: 'l' })
    expect(await fetched(async () => (undoLast(), flushPromises()))).toEqual([])
    expect([lastDone.review, lastDone.sentence, lastDone.busy]).toEqual([review, 'Six are let in.', false])
    expect(await fetched(() => undoChangeList(6))).toContain('roster')
    expect(asked.map((each) => each.body)).toEqual([
      { apply: false, removing: null },
      { apply: true, removing: 6 },
    ])
    expect(lastDone).toMatchObject({
      sentence: t('undo.undone', { what: 'Six are let in.' }),
      site: 's',
      changeList: 'm',
      review: null,
      busy: false,
    })
  })

  it('of a change list does nothing without one, and says what did not work', async () => {
    const asked = serve({ 'POST /sites/s/change-lists/l/undo': () => problem('not-allowed', 403, 'You may not.') })
    await undoChangeList()
    expect(asked).toEqual([])
    done('x', { site: 's', changeList: 'l' })
    await undoChangeList()
    expect([lastDone.sentence, lastDone.wrong, lastDone.busy]).toEqual(['You may not.', true, false])
  })

  it('goes back the way there is before any other, and says what else there is to say', async () => {
    const asked = serve({})
    done('Done.', { site: 's', entry: 3, changeList: 'l', back: async () => 'Two stay.' })
    expect(await fetched(async () => (undoLast(), flushPromises()))).toContain('roster')
    expect(asked).toEqual([])
    expect(lastDone).toEqual({ ...nothing, sentence: t('undo.undone', { what: 'Done.' }), more: 'Two stay.' })
    done('Done.', { back: () => Promise.reject(new Error('no')) })
    undoLast()
    expect(lastDone.busy).toBe(true)
    await flushPromises()
    expect([lastDone.sentence, lastDone.wrong, lastDone.busy]).toEqual([t('trouble.unexpected'), true, false])
  })

  it('of nothing does nothing', async () => {
    const asked = serve({})
    undoLast()
    await flushPromises()
    expect([asked, lastDone]).toEqual([[], nothing])
  })
})

describe('the server', () => {
  it('is asked as whoever is looked through, in their site only', async () => {
    const asked = serve({ 'GET /sites/abc': {}, 'GET /sites': {}, 'GET /sites/xyz': {} })
    seenAs.value = { site: 'abc', as: 'role:learner', back: '/' }
    await api.GET('/sites/{site}', { params: { path: { site: 'abc' } } })
    await api.GET('/sites/{site}', { params: { path: { site: 'xyz' } } })
    await api.GET('/sites', { params: { query: { scope: 'run' } } })
    expect(asked.map(({ call }) => call)).toEqual([
      'GET /sites/abc?as=role%3Alearner',
      'GET /sites/xyz',
      'GET /sites?scope=run',
    ])
  })

  it('is told that a change is ours, under a key of its own', async () => {
    const asked = serve({ 'POST /sign-out': {}, 'GET /me': {} })
    await api.POST('/sign-out')
    await api.POST('/sign-out')
    await api.POST('/sign-out', { headers: { 'Idempotency-Key': 'mine' } })
    await api.GET('/me')
    expect(asked.map(({ headers }) => headers.get('X-Mint-Door'))).toEqual(['1', '1', '1', null])
    const keys = asked.map(({ headers }) => headers.get('Idempotency-Key'))
    expect(keys[0]).toMatch(/^[0-9a-f]{32}$/)
    expect(keys[1]).not.toBe(keys[0])
    expect(keys.slice(2)).toEqual(['mine', null])
    vi.spyOn(crypto, 'getRandomValues').mockImplementation((bytes) => (bytes as Uint8Array).fill(7) as never)
    expect(freshKey()).toBe('07'.repeat(16))
    vi.restoreAllMocks()
  })

  it('answers with data, or with a problem that knows its fields', async () => {
    serve({ 'GET /me': { name: 'Mara' } })
    expect(await take(api.GET('/me'))).toEqual({ name: 'Mara' })
    const errors = [
      { pointer: '/lines/0/untilDay', code: 'day', detail: 'Choose a later day.' },
      { pointer: '/title', code: 'empty', detail: 'Give it a title.' },
    ]
    serve({ 'GET /me': () => problem('invalid', 422, 'Look at the fields.', { errors }) })
    const wrong = (await take(api.GET('/me')).catch((thrown) => thrown)) as Problem
    expect(wrong).toBeInstanceOf(Problem)
    expect([wrong.message, wrong.kind, wrong.document.status]).toEqual(['Look at the fields.', 'invalid', 422])
    expect([wrong.field('untilDay'), wrong.field('title'), wrong.field('day')]).toEqual([
      'Choose a later day.',
      'Give it a title.',
      undefined,
    ])
    expect(new Problem({ type: '', title: '', status: 0, detail: '' }).field('x')).toBeUndefined()
    expect(new Problem({ type: '', title: '', status: 0, detail: '' }).kind).toBe('')
  })

  it('may say nothing that is understood', async () => {
    serve({ 'GET /me': () => new Response('{}', { status: 500, headers: { 'Content-Type': 'application/json' } }) })
    const wrong = (await take(api.GET('/me')).catch((thrown) => thrown)) as Problem
    expect(wrong.document).toEqual({
      type: 'urn:mint-door:problem:unexpected',
      title: 'Something went wrong',
      status: 500,
      detail: 'Something went wrong on our side. Try again in a moment.',
    })
    serve({ 'GET /me': () => new Response(null, { status: 500, headers: { 'Content-Length': '0' } }) })
    expect(((await take(api.GET('/me')).catch((thrown) => thrown)) as Problem).kind).toBe('unexpected')
  })
})
