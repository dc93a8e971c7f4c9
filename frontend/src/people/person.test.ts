import { flushPromises } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import type { PersonPage } from '@/shared/api'
import { lastDone } from '@/shared/undo'
import { person, problem, serve, show, site, standing } from '@/testing/server'
import PersonErase from '@/accounts/PersonErase.vue'
import PersonFacts from './PersonFacts.vue'
import PersonNotes from './PersonNotes.vue'
import PersonSites from './PersonSites.vue'
import TermsStrip from './TermsStrip.vue'

const bea = person('Bea', 'da Luz')
const path = `/people/${bea.id}`
const about = (more: object = {}) =>
  ({
    person: bea,
    version: 3,
    gone: null,
    into: null,
    labels: [],
    details: [],
    account: null,
    refusal: null,
    administers: true,
    mayClose: true,
    notes: [],
    sites: [],
    elsewhere: 0,
    ...more,
  }) as unknown as PersonPage
const press = async (page: ReturnType<typeof show>['page'], label: string) => {
  await page
    .findAll('button')
    .find((each) => each.text() === label)!
    .trigger('click')
  await flushPromises()
}

describe('names and numbers', () => {
  it('are saved from the version looked at, and set back by undo', async () => {
    const asked = serve({ [`PUT ${path}`]: about({ person: { ...bea, given: 'Beatriz' }, version: 4 }) })
    const { page } = show(PersonFacts, { props: { page: about() } })
    await page.find('#facts-given').setValue('Beatriz')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(asked[0]!.headers.get('If-Match')).toBe('"3"')
    expect(asked[0]!.body).toEqual({
      given: 'Beatriz',
      family: 'da Luz',
      preferred: null,
      further: [],
      level: 7,
      number: bea.number,
      email: null,
      ownKind: null,
    })
    await lastDone.back!()
    expect([asked[1]!.headers.get('If-Match'), (asked[1]!.body as { given: string }).given]).toEqual(['"4"', 'Bea'])
  })

  it('say at each field what is wrong with it, and keep what was typed', async () => {
    serve({
      [`PUT ${path}`]: problem('invalid', 422, 'x', {
        errors: [
          { pointer: '/number', code: 'check-digit', detail: 'Mistyped.' },
          { pointer: '/email', code: 'taken', detail: 'Taken.' },
        ],
      }),
    })
    const { page } = show(PersonFacts, { props: { page: about() } })
    await page.find('#facts-number').setValue('2041011')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(page.findAll('.wrong').map((each) => each.text())).toEqual(['Mistyped.', 'Taken.'])
    expect((page.find('#facts-number').element as HTMLInputElement).value).toBe('2041011')
  })

  it('have no level for those who are no learners', () => {
    const { page } = show(PersonFacts, { props: { page: about({ person: { ...bea, kind: 'staff', level: null } }) } })
    expect(page.find('#facts-level').exists()).toBe(false)
  })
})

describe('notes', () => {
  it('are written down, and taken back and put back by whom they are', async () => {
    const note = {
      id: site.id,
      text: 'Rang up.',
      at: '2026-11-20T10:00:00Z',
      by: { id: site.id, name: 'Mara Lindqvist' },
      mine: true,
    }
    const asked = serve({
      [`POST ${path}/notes`]: about(),
      [`DELETE ${path}/notes/${note.id}`]: about(),
      [`PUT ${path}/notes/${note.id}`]: about(),
    })
    const { page } = show(PersonNotes, {
      props: { page: about({ notes: [note, { ...note, id: bea.id, text: 'Not mine', mine: false }] }) },
    })
    expect(page.findAll('li button')).toHaveLength(1)
    await page.find('textarea').setValue('Agreed on Monday.')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(asked[0]!.body).toEqual({ text: 'Agreed on Monday.' })
    await press(page, 'remove')
    await lastDone.back!()
    expect(asked.slice(1).map(({ call }) => call)).toEqual([
      `DELETE ${path}/notes/${note.id}`,
      `PUT ${path}/notes/${note.id}`,
    ])
  })
})

describe('what is held', () => {
  it('is handed out as a file', async () => {
    serve({
      [`POST ${path}/export`]: {
        parts: [
          { name: 'person', columns: ['given_name'], rows: [['=Bea']] },
          { name: 'notes', columns: [], rows: [] },
        ],
      },
    })
    const files: Blob[] = []
    vi.stubGlobal(
      'URL',
      Object.assign(URL, {
        createObjectURL: (blob: Blob) => (files.push(blob), 'blob:x'),
        revokeObjectURL: () => undefined,
      }),
    )
    const { page } = show(PersonErase, { props: { page: about() } })
    await press(page, 'as JSON')
    await press(page, 'as CSV')
    expect(JSON.parse(await files[0]!.text())).toEqual({ person: [{ given_name: '=Bea' }], notes: [] })
    // A field that a spreadsheet would take for a formula is not one.
    expect(await files[1]!.text()).toContain("person,1,given_name,'=Bea")
  })

  it('is erased only once the name is typed, and not of somebody who is still there', async () => {
    const counts = { sites: 2, entries: 9, notes: 1, labels: 0, messages: 3 }
    const asked = serve({ [`POST ${path}/erasure`]: { refusal: null, sentence: null, counts, changeList: null } })
    const { page, router } = show(PersonErase, { props: { page: about() } })
    await press(page, 'Erase them…')
    const button = () => page.findAll('button').find((each) => each.text() === 'Erase for good')!
    expect(page.text()).toContain('It cannot be undone.')
    expect(button().attributes('disabled')).toBeDefined()
    await page.find('input').setValue('da Luz')
    await button().trigger('click')
    await flushPromises()
    expect(asked.map(({ body }) => body)).toEqual([{ apply: false }, { apply: true }])
    expect(router.currentRoute.value.path).toBe('/people')
    serve({
      [`POST ${path}/erasure`]: { refusal: 'still-here', sentence: 'Still in a site.', counts, changeList: null },
    })
    const other = show(PersonErase, { props: { page: about() } }).page
    await press(other, 'Erase them…')
    expect(other.text()).toContain('Still in a site.')
    expect(other.text()).not.toContain('Erase for good')
  })
})

describe('the sites of somebody', () => {
  const stretch = (state: string, from: string | null, until: string | null) => ({
    state,
    role: 'learner',
    from,
    until,
    holdsSeat: true,
  })
  const span = {
    from: Date.UTC(2026, 8, 1),
    until: Date.UTC(2027, 5, 1),
    marks: [{ at: Date.UTC(2026, 8, 7), name: 'Autumn' }],
  }

  it('are drawn on one scale: what is over and stays so has no bar, a pause is hatched', () => {
    const { page } = show(TermsStrip, {
      props: {
        span,
        zone: 'UTC',
        stretches: [
          stretch('current', '2026-09-07T00:00:00Z', '2026-11-20T00:00:00Z'),
          stretch('paused', '2026-11-20T00:00:00Z', '2026-12-06T00:00:00Z'),
          stretch('ended', '2026-12-06T00:00:00Z', null),
        ] as never,
      },
    })
    expect(page.findAll('.bar')).toHaveLength(2)
    expect(page.find('svg').attributes('aria-label')).toContain('Paused: 20 Nov – 5 Dec')
  })

  it('say the reason, and how many others there are', () => {
    const reason = {
      entry: 'enter',
      causes: [{ code: 'let-in', values: { role: 'learner' }, change: 'none', mine: false, givers: [] }],
    }
    const { page } = show(PersonSites, {
      props: { page: about({ sites: [{ site, standing: standing(), reason, stretches: [] }], elsewhere: 2 }) },
    })
    expect(page.text()).toContain('Can enter as learner.')
    expect(page.text()).toContain('And in 2 others')
  })
})
