import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { lastDone } from '@/shared/undo'
import PeopleChanges from '@/desk/PeopleChanges.vue'
import MakeSitesPage from '@/desk/MakeSitesPage.vue'
import { findIn } from '@/testing/choose'
import { person, serve, show, site, standing } from '@/testing/server'
import ChangeList from '@/desk/ChangeListPage.vue'
import { addressOf, change, sayLine, stateOf } from './changeLists'
import ChangesPage from './ChangesPage.vue'

beforeEach(() => vi.useFakeTimers())
const settled = async () => {
  for (let n = 0; n < 4; n++) {
    await vi.advanceTimersByTimeAsync(400)
    await flushPromises()
  }
}
const LIST = '00000000-0000-7000-8000-0000000000aa'
const UNDO = '00000000-0000-7000-8000-0000000000ab'
const bea = person('Bea', 'da Luz')
const record = (more = {}) => ({
  id: LIST,
  kind: 'pasted',
  title: '',
  state: 'applied',
  version: 1,
  site: { id: site.id, title: 'Harmony' },
  madeAt: '2026-11-24T09:00:00Z',
  madeBy: { id: bea.id, name: 'Mara Lind' },
  changedAt: '2026-11-24T09:00:00Z',
  total: 3,
  done: 3,
  applied: 2,
  undoes: null,
  undoneBy: null,
  ...more,
})
const line = (position: number, more = {}) => ({
  position,
  site: { id: site.id, title: 'Harmony', timeZone: 'Europe/Oslo' },
  person: { id: bea.id, name: 'Bea da Luz' },
  text: 'B. Luz',
  note: '',
  verb: 'let-in',
  role: null,
  verdict: 'ready',
  reasons: [],
  before: null,
  after: standing(),
  line: LIST,
  ...more,
})
const page = (more = {}) => ({
  ...record(),
  work: {},
  sections: [],
  lines: [line(1), line(2, { verdict: 'refused', line: null, reasons: [{ code: 'changed-since', values: {} }] })],
  next: null,
  ...more,
})
const press = (shown: ReturnType<typeof show>['page'], label: string) =>
  shown
    .findAll('button')
    .find((each) => each.text() === label)!
    .trigger('click')

describe('the room of changeLists', () => {
  it('lists them with who, where, how many lines and how they stand', async () => {
    serve({ 'GET /change-lists': { items: [record(), record({ id: UNDO, state: 'draft' })], next: null } })
    const { page: shown } = show(ChangesPage)
    await settled()
    expect(shown.findAll('[role=row]')[1]!.text()).toContain('List of people')
    expect(shown.text()).toContain('Mara Lind, 24 Nov')
    expect(shown.text()).toContain('2 of 3')
    expect(shown.text()).toContain('Go on with it')
  })

  it('puts a draft aside and takes it up again by undo', async () => {
    const asked = serve({
      'GET /change-lists': { items: [record({ state: 'draft' })], next: null },
      [`PUT /change-lists/${LIST}/dropped`]: record({ state: 'dropped' }),
      [`DELETE /change-lists/${LIST}/dropped`]: record({ state: 'draft' }),
    })
    const { page: shown } = show(ChangesPage)
    await settled()
    await press(shown, 'Put aside')
    await settled()
    await lastDone.back!()
    expect(asked.map(({ call }) => call)).toEqual(
      expect.arrayContaining([`PUT /change-lists/${LIST}/dropped`, `DELETE /change-lists/${LIST}/dropped`]),
    )
  })

  it('says of drafts where they are gone on with', () => {
    expect(addressOf({ id: LIST, kind: 'pasted', site: { id: site.id, title: '' } })).toMatchObject({
      name: 'roster',
      query: { changeList: LIST },
    })
    expect(addressOf({ id: LIST, kind: 'people', site: null })).toMatchObject({ name: 'people' })
    expect(addressOf({ id: LIST, kind: 'sites', site: null })).toMatchObject({ name: 'make-sites' })
    expect([
      stateOf({ state: 'applied', undoneBy: UNDO, trouble: null }).word,
      stateOf({ state: 'draft', undoneBy: null, trouble: null }).word,
    ]).toEqual(['undone', 'draft'])
    expect(stateOf({ state: 'applying', undoneBy: null, trouble: 'busy' }).word).toBe('stopped')
  })

  it.each([
    ['Europe/Oslo', '5 Dec'],
    ['UTC', '4 Dec'],
  ])('says days of a line as they are in its site: %s', (timeZone, said) => {
    const later = { code: 'seat-later', values: { seats: 3, held: 3, at: '2026-12-04T23:00:00Z' } }
    const refused = { ...line(1), verdict: 'refused' as const, line: null, reasons: [later], message: null }
    const there = { ...refused, site: { ...refused.site, timeZone }, after: null }
    expect(sayLine(there, String)).toContain(`free from ${said}`)
  })
})

describe('one changeList', () => {
  async function opened(answers: Parameters<typeof serve>[0]) {
    const asked = serve(answers)
    const { page: shown, router } = show(ChangeList)
    await router.push({ name: 'change-list', params: { changeList: LIST } })
    await settled()
    return { shown, asked, router }
  }

  it('says what became of each line', async () => {
    const { shown } = await opened({ [`GET /change-lists/${LIST}`]: page() })
    expect(shown.text()).toContain('2 done, 1 not done.')
    const [first, second] = shown.findAll('.lines li')
    expect(first!.text()).toContain('not here → learner')
    expect(second!.text()).toContain('not done')
    expect(second!.text()).toContain('Somebody else changed this since')
  })

  it('is taken back after a look at what that would do', async () => {
    const undo = (_request: Request, { apply }: { apply: boolean }) =>
      apply
        ? page({ id: UNDO, kind: 'undo', applied: 1 })
        : {
            lines: [
              {
                ...line(1),
                key: 0,
                verdict: 'refused',
                reasons: [{ code: 'changed-since', values: {} }],
                cautions: [],
                outlook: [],
              },
            ],
            sites: [],
            verdicts: { ready: 1, refused: 1 },
            removal: null,
            total: 2,
          }
    const { shown, router } = await opened({
      [`GET /change-lists/${LIST}`]: page(),
      [`POST /change-lists/${LIST}/undo`]: undo,
      [`GET /change-lists/${UNDO}`]: page({ id: UNDO }),
    })
    await press(shown, 'Undo all of it…')
    await settled()
    expect(shown.get('section').text()).toContain('1 was changed since and is left alone.')
    await press(shown, 'Undo 1 line')
    await settled()
    expect(lastDone.sentence).toBe('1 change is undone.')
    expect(router.currentRoute.value.params.changeList).toBe(UNDO)
  })

  it('shows how far a long one is, and goes on when asked', async () => {
    const { shown, asked } = await opened({
      [`GET /change-lists/${LIST}`]: page({ state: 'applying', total: 4000, done: 1000, lines: [] }),
      [`POST /change-lists/${LIST}/continue`]: page(),
    })
    expect(shown.get('[role=progressbar]').attributes('aria-valuenow')).toBe('25')
    expect(shown.text()).toContain('Being applied: 1,000 of 4,000')
    await press(shown, 'It has stopped? Continue')
    await settled()
    expect(asked.some(({ call }) => call === `POST /change-lists/${LIST}/continue`)).toBe(true)
  })

  it('copies its lines as CSV', async () => {
    const writeText = vi.fn()
    vi.stubGlobal('navigator', { clipboard: { writeText } })
    const { shown } = await opened({ [`GET /change-lists/${LIST}`]: page() })
    await press(shown, 'Copy the lines as CSV')
    await settled()
    expect(writeText.mock.calls[0]![0].split('\r\n').slice(0, 2)).toEqual([
      'Line,Typed,Person,Site,Change,Outcome,Before and after,Why',
      '1,B. Luz,Bea da Luz,Harmony,let in,done,not here → learner,',
    ])
  })

  it('says a change in two words', () =>
    expect(change({ before: standing(), after: standing({ state: 'removed' }) }, () => 'Learner', [])).toBe(
      'learner → removed',
    ))
})

describe('people into sites', () => {
  const review = (more = {}) => ({
    lines: [],
    sites: [{ id: site.id, title: 'Harmony', seats: 30, held: 24, after: 26, joining: 2, leaving: 0 }],
    verdicts: { ready: 2 },
    removal: null,
    total: 2,
    ...more,
  })
  async function opened(more: Parameters<typeof serve>[0] = {}) {
    const asked = serve({
      'GET /sites': { items: [{ ...site, mine: null }], total: 1, next: null },
      [`GET /sites/${site.id}`]: site,
      'POST /change-reviews': review(),
      'POST /change-lists': { ...page({ state: 'draft' }), kind: 'people' },
      [`PUT /change-lists/${LIST}`]: record(),
      [`POST /change-lists/${LIST}/apply`]: page({ applied: 2, total: 2 }),
      [`POST /change-lists/${LIST}/undo`]: page({ applied: 1 }),
      ...more,
    })
    const shown = show(PeopleChanges, { props: { people: [bea.id, LIST], changeList: '' } }).page
    await settled()
    await findIn(shown.get('#find-site'), 'harm', 'Harmony')
    await settled()
    return { shown, asked }
  }

  it('says what comes of each of the ones in each of the others, and does it', async () => {
    const { shown, asked } = await opened()
    expect(asked.findLast(({ call }) => call === 'POST /change-reviews')!.body).toMatchObject({
      each: { people: [bea.id, LIST], sites: [site.id], verb: 'let-in', role: null },
    })
    expect(shown.text()).toContain('2 lines: 2 will change.')
    expect(shown.text()).toContain('Harmony: 26 of 30 seats after')
    await press(shown, 'Change 2')
    await settled()
    expect(lastDone.sentence).toBe('2 changes are made.')
    expect(await lastDone.back!()).toBe('1 was changed since and is left alone.')
  })

  it('wants the number typed where many would be removed', async () => {
    const { shown, asked } = await opened({
      'POST /change-reviews': review({ removal: { people: 7, here: 20 }, verdicts: { ready: 7 } }),
    })
    const button = () => shown.findAll('button').find((each) => each.text() === 'Change 7')!
    expect(button().attributes('disabled')).toBeDefined()
    await shown.get('input[inputmode=numeric]').setValue('7')
    await button().trigger('click')
    await settled()
    expect(asked.findLast(({ call }) => call === `POST /change-lists/${LIST}/apply`)!.body).toMatchObject({
      removing: 7,
    })
  })
})

describe('sites from rows', () => {
  const row = (number: number, more = {}) => ({
    number,
    text: 'x',
    title: 'Choir',
    code: 'CH',
    kind: 'course',
    division: 'seniors',
    term: 'autumn',
    lowest: null,
    highest: null,
    seats: null,
    leads: [],
    problems: [],
    verdict: 'ready',
    site: null,
    ...more,
  })

  it('says what each row comes to, asks who leads, and makes what is ready', async () => {
    const batch = (_request: Request, { apply }: { apply: boolean }) => ({
      rows: [
        row(1),
        row(2, { verdict: 'refused', problems: [{ field: 'code', detail: 'Another site has this short code.' }] }),
        row(3, { verdict: 'needs-choice', leads: [{ text: 'M. Lind', person: null, candidates: [bea] }] }),
      ],
      made: 1,
      changeList: apply ? LIST : null,
    })
    const asked = serve({
      'POST /site-batches': batch,
      'POST /change-lists': page({ state: 'draft', kind: 'sites' }),
      [`PUT /change-lists/${LIST}`]: record(),
      [`POST /site-batches/${LIST}/undo`]: {
        lines: [{ site: { id: site.id, title: 'Choir' }, verdict: 'refused', detail: 'It was opened since.' }],
      },
    })
    const { page: shown, router } = show(MakeSitesPage)
    await settled()
    await shown.get('textarea').setValue('Choir\nChoir;CH\nSong;;;;;;;M. Lind')
    await settled()
    expect(shown.get('.follows').text()).toBe('1 site will be made, 1 needs a choice, 1 needs another look.')
    expect(shown.text()).toContain('Another site has this short code.')
    await shown.get('input[type=radio]').trigger('change')
    await settled()
    expect(asked.findLast(({ call }) => call === 'POST /site-batches')!.body).toMatchObject({
      division: 'seniors',
      term: 'autumn',
      leads: { '3:0': bea.id },
    })
    await press(shown, 'Make 1 site')
    await settled()
    expect(router.currentRoute.value.name).toBe('change-list')
    expect(await lastDone.back!()).toBe('Choir: It was opened since.')
  })
})
