import { describe, expect, it } from 'vitest'
import type { Reason } from './api'
import {
  causeSentence,
  day,
  fullName,
  givers,
  lastDay,
  lineSentences,
  listName,
  noteSentence,
  outlookSentence,
} from './sentences'
import common from './words/en/common.json'

const now = new Date('2026-11-24T09:00:00Z')
const roleName = (code: string | null | undefined) =>
  ({ learner: 'Learner', 'lead-tutor': 'Lead tutor' })[code ?? ''] ?? code ?? ''
const cause = (code: string, values = {}) =>
  ({ code, values, change: 'none', mine: false, givers: [] }) as unknown as Reason['causes'][number]

describe('days', () => {
  it.each([
    ['2026-12-18T23:30:00Z', 'Europe/Amsterdam', '19 Dec'],
    ['2026-12-18T23:30:00Z', 'UTC', '18 Dec'],
    ['2027-01-11T08:00:00Z', 'UTC', '11 Jan 2027'],
    [null, 'UTC', ''],
  ])('writes %s in %s as %s', (instant, zone, said) => expect(day(instant, zone, now)).toBe(said))

  it('names the last day a window includes, also where clocks change', () => {
    expect(lastDay('2026-12-18T23:00:00Z', 'Europe/Amsterdam', now)).toBe('18 Dec')
    expect(lastDay('2026-10-24T22:00:00Z', 'Europe/Amsterdam', now)).toBe('24 Oct')
  })
})

it('writes names for speaking and for sorting', () => {
  const person = { given: 'Beatriz', family: 'da Luz', preferred: 'Bea' }
  expect([fullName(person), listName(person), listName({ ...person, preferred: null })]).toEqual([
    'Bea da Luz',
    'da Luz, Bea (Beatriz)',
    'da Luz, Beatriz',
  ])
})

describe('reasons', () => {
  const codes: Reason['causes'][number]['code'][] = [
    'let-in',
    'reads-closed',
    'prepares-draft',
    'blocked',
    'account-closed',
    'never-here',
    'removed',
    'ended',
    'waiting',
    'waits-for-approval',
    'waits-for-answer',
    'waits-for-yes',
    'waits-for-seat',
    'upcoming',
    'paused',
    'draft',
    'closed',
  ]
  const values = {
    role: 'learner',
    until: '2026-12-18T23:00:00Z',
    at: '2026-11-01T09:00:00Z',
    from: '2026-12-01T09:00:00Z',
    opens: '2027-01-11T23:00:00Z',
    door: 'Level 7 strings',
    doorKind: 'cohort',
  }

  it.each(codes)('has a sentence for %s in both wordings, with nothing left to fill in', (code) => {
    for (const who of ['staff', 'you'] as const) {
      const said = causeSentence(cause(code, values), 'no', who, 'Europe/Amsterdam', roleName)
      expect(said).toMatch(/^[A-Z].*\.$/)
      expect(said).not.toMatch(/[{}]|reason\./)
    }
  })

  it('says the whole of it to staff, and no door to the person', () => {
    expect(causeSentence(cause('let-in', values), 'enter', 'staff', 'Europe/Amsterdam', roleName)).toBe(
      'Can enter as learner until 18 Dec. Brought by the cohort Level 7 strings.',
    )
    expect(causeSentence(cause('let-in', values), 'enter', 'you', 'Europe/Amsterdam', roleName)).toBe(
      'You can enter until 18 Dec.',
    )
    expect(causeSentence(cause('let-in', values), 'look-only', 'staff', 'Europe/Amsterdam', roleName)).toContain(
      'but not work here',
    )
  })
})

it('says what follows, one stretch after the other', () => {
  const stretch = (state: string, until: string | null) =>
    ({ from: null, until, state, role: 'learner' }) as Parameters<typeof outlookSentence>[0][number]
  expect(outlookSentence([stretch('paused', '2026-12-04T00:00:00Z'), stretch('current', null)], 'UTC', roleName)).toBe(
    'Paused as learner until 3 Dec, then current to the end of the site.',
  )
  expect(outlookSentence([stretch('removed', null)], 'UTC', roleName)).toBe('Removed.')
  expect(outlookSentence([], 'UTC', roleName)).toBe('Not in this site.')
})

describe('notes', () => {
  it.each(Object.keys(common.note))('has no hole in the sentence of %s', (code) => {
    const said = noteSentence(
      {
        code,
        values: {
          role: 'learner',
          kind: 'staff',
          seats: 3,
          limit: 2,
          lowest: 1,
          highest: 5,
          level: 4,
          door: 'x',
          caution: 'Mind.',
          givers: [],
          at: '2026-12-01T09:00:00Z',
          until: '2026-12-01T09:00:00Z',
        },
      },
      'UTC',
      roleName,
    )
    expect(said).not.toMatch(/[{}]|note\./)
  })

  it('names who can', () => {
    expect(givers(['lead-tutor'], roleName)).toBe('lead tutor, an administrator')
    const line = {
      person: { id: 'x', name: 'X' },
      verdict: 'refused',
      before: null,
      after: null,
      outlook: [],
      reasons: [{ code: 'not-yours-to-give', values: { givers: ['lead-tutor'] } }],
      cautions: [],
    } as Parameters<typeof lineSentences>[0]
    expect(lineSentences(line, 'UTC', roleName)).toEqual([
      'You may not give this role. Can be given by: lead tutor, an administrator.',
    ])
  })
})
