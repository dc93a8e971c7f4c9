import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { PersonCard } from '@/shared/api'
import { lastDone } from '@/shared/undo'
import { candidate, person, problem, read, serve, show, site, standing } from '@/testing/server'
import PersonColumn from './PersonColumn.vue'

const bea = person('Beatriz', 'da Luz')
const line = (more: object = {}) =>
  ({
    verdict: 'ready',
    before: standing(),
    after: null,
    outlook: [{ from: null, until: null, state: 'removed', role: 'learner' }],
    reasons: [],
    cautions: [{ code: 'work-stays', values: { pieces: 14 } }],
    ...more,
  }) as unknown as PersonCard['remove']
const card = (more: Partial<PersonCard> = {}): PersonCard => ({
  person: bea,
  standing: standing(),
  lastSeen: '2026-11-20T09:00:00Z',
  work: { done: 7, of: 14, mean: 71 },
  labels: ['viola'],
  details: [],
  version: 3,
  band: 'Senior rules',
  reason: {
    entry: 'enter',
    causes: [
      {
        code: 'let-in',
        values: { role: 'learner', until: '2026-12-18T23:00:00Z' },
        change: 'none',
        mine: false,
        givers: [],
      },
    ],
  },
  grants: [
    {
      id: bea.id,
      door: { kind: 'cohort', name: 'Level 7 strings' },
      reserved: false,
      role: 'learner',
      phase: 'in-force',
      section: 'Morning',
      from: null,
      until: '2026-12-19T00:00:00Z',
      givenAt: '2026-09-06T10:00:00Z',
      givenBy: null,
    },
  ],
  groups: [],
  page: true,
  overrides: [],
  timeline: [{ from: '2026-09-06T10:00:00Z', until: '2026-12-19T00:00:00Z', state: 'current', role: 'learner' }],
  nextChange: { at: '2026-12-19T00:00:00Z', entry: 'no', state: 'ended', role: 'learner' },
  options: candidate(bea).options,
  remove: line(),
  bringBack: null,
  ...more,
})

async function shown(
  more: Partial<PersonCard> = {},
  changeLists: object | (() => object) = {},
  preview: object | null = line(),
) {
  const asked = serve({
    [`GET /sites/${site.id}/roster/${bea.id}`]: card(more),
    [`POST /sites/${site.id}/change-lists`]: (_request: Request, body: { apply: boolean }) =>
      body.apply ? (typeof changeLists === 'function' ? changeLists() : changeLists) : { lines: [preview] },
  })
  const { page } = show(PersonColumn, { props: { site, person: bea.id } })
  await flushPromises()
  const press = async (label: string) => {
    await page
      .findAll('button')
      .find((each) => each.text() === label)!
      .trigger('click')
    await flushPromises()
  }
  return { page, press, asked }
}

it('says who they are, whether they can enter and why, and by which ways', async () => {
  const { page } = await shown()
  const said = read(page)
  expect(said).toContain('Beatriz da Luz')
  expect(said).toContain('Learner · senior rules')
  expect(said).toContain('Current · here since 6 Sept · last seen 20 Nov')
  expect(said).toContain('Can enter as learner until 18 Dec.')
  expect(said).toMatch(/How access was given.*Next change on 19 Dec: cannot enter \(ended\)\./)
  expect(said).toMatch(/\(ended\)\.\s*Cohort \(Level 7 strings\): learner, in force, until 18 Dec, section Morning/)
})

it('says what taking out does before it is done, and sends the version that was looked at', async () => {
  const { page, press, asked } = await shown({}, { lines: [{ ...line(), entry: 5, line: null, version: 4 }] })
  await press('Remove')
  expect(page.text()).toContain('Removed.')
  expect(page.text()).toContain('They can no longer enter, at once. 14 pieces of work stay')
  await page.find('form.asking').trigger('submit')
  await flushPromises()
  expect(asked.filter(({ call }) => call.endsWith('/change-lists')).map(({ body }) => body)).toEqual([
    { apply: false, lines: [{ verb: 'remove', person: bea.id }] },
    { apply: true, lines: [{ verb: 'remove', note: null, version: 3, person: bea.id }] },
  ])
  expect(lastDone.sentence).toBe('Beatriz da Luz is removed.')
})

it('offers no way to remove whom the rules hold, and says why', async () => {
  const { page, press } = await shown(
    {},
    {},
    line({ verdict: 'refused', reasons: [{ code: 'last-lead', values: {} }], cautions: [] }),
  )
  await press('Remove')
  expect(page.text()).toContain('An open site needs a lead.')
  expect(page.text()).not.toContain('Remove Beatriz da Luz')
})

it('offers to block too whom a door would bring back', async () => {
  const { page, press } = await shown(
    {},
    {},
    line({ cautions: [{ code: 'comes-back-through', values: { door: 'Level 7 strings' } }] }),
  )
  await press('Remove')
  expect(page.text()).toContain('The door Level 7 strings would bring them in again.')
  await press('Block them too?')
  expect(page.text()).toContain('Why (only for those who let people in)')
})

it('shows what was done by hand, by whom and why, and lifts it', async () => {
  const overrides = [
    {
      kind: 'paused',
      from: '2026-11-20T09:00:00Z',
      until: '2026-12-04T00:00:00Z',
      role: null,
      dates: null,
      by: 'Mara Lindqvist',
      note: 'At home with a broken wrist.',
    },
    { kind: 'role', from: '2026-11-01T09:00:00Z', until: null, role: 'day-guest', dates: null, by: null, note: null },
    {
      kind: 'dates',
      from: '2026-11-01T09:00:00Z',
      until: null,
      role: null,
      dates: { from: null, until: '2026-12-19T00:00:00Z' },
      by: null,
      note: null,
    },
  ] as PersonCard['overrides']
  const { page, press, asked } = await shown(
    { overrides },
    { lines: [{ ...line(), entry: 6, line: null, version: 4 }] },
  )
  const said = read(page)
  expect(said).toContain('Paused: until 3 Dec, by Mara Lindqvist.')
  expect(said).toContain('At home with a broken wrist.')
  expect(said).toContain('Role: day guest, in place of the one they were given')
  expect(said).toContain('Dates: until 18 Dec, in place of those they were given')
  await press('Clear')
  expect(
    asked.at(-1)?.call ? asked.find(({ body }) => (body as { apply?: boolean } | undefined)?.apply)?.body : null,
  ).toMatchObject({ lines: [{ verb: 'clear-role', version: 3 }] })
})

it('brings back with the role of before', async () => {
  const { page } = await shown({
    standing: standing({ state: 'removed' }),
    remove: null,
    bringBack: line({ after: standing(), cautions: [] }),
  })
  expect(page.text()).toContain('Bring back as learner')
  expect(page.text()).not.toContain('Change role')
})

it('tells whoever is second that somebody was quicker', async () => {
  const { press } = await shown({}, () =>
    problem(
      'stale',
      412,
      'Somebody else changed this person here in the meantime. Look at what is so now, then decide again.',
    ),
  )
  await press('Change role')
  await press('Day guest')
  expect([lastDone.wrong, lastDone.sentence]).toEqual([
    true,
    'Somebody else changed this person here in the meantime. Look at what is so now, then decide again.',
  ])
})

it('offers nothing to those who may only look', async () => {
  const { page } = await shown({ options: [], remove: null })
  expect(page.findAll('button').map((each) => each.text())).toEqual(['Close'])
})
