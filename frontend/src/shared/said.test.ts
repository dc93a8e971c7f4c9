import { describe, expect, it } from 'vitest'
import type { ChangeLine, Reason, Stretch } from './api'
import { setPlatformClock } from './clock'
import { ownZone } from './own'
import {
  causeSentence,
  courseSentence,
  day,
  dayAndTime,
  doorSentence,
  givers,
  knownName,
  lastDay,
  lineSentences,
  listName,
  noteSentence,
  optionSentence,
  outlookSentence,
} from './sentences'
import { t, tIn } from './words'

setPlatformClock('2026-11-24T09:00:00Z')
const role = (code: string | null | undefined) => (code ? `The ${code}` : '')
const note = (code: string, values: Record<string, unknown> = {}) => noteSentence({ code, values }, 'UTC', role)

describe('days and hours', () => {
  it('are of the zone they are asked for, and by the platform’s clock', () => {
    expect(day('2026-12-18T23:30:00Z', 'UTC')).toBe('18 Dec')
    expect(day('2025-12-18T23:30:00Z', 'UTC')).toBe('18 Dec 2025')
    expect([day(undefined, 'UTC'), day('', 'UTC'), lastDay(null, 'UTC'), lastDay('', 'UTC')]).toEqual(['', '', '', ''])
    expect(lastDay('2026-12-19T00:00:00Z', 'UTC')).toBe('18 Dec')
    expect(lastDay('2026-12-19T00:00:01Z', 'UTC')).toBe('19 Dec')
    expect(dayAndTime('2026-12-18T23:30:00Z', 'UTC')).toBe('18 Dec, 23:30')
    expect(dayAndTime('2026-12-18T08:05:00Z', 'Europe/Amsterdam')).toBe('18 Dec, 09:05')
    expect(ownZone).toBe(Intl.DateTimeFormat().resolvedOptions().timeZone)
  })
})

describe('names', () => {
  const person = { given: 'Beatriz', family: 'da Luz', preferred: null, further: [] }
  it('say who somebody was taken for', () => {
    expect(knownName(person)).toBe('Beatriz da Luz')
    expect(knownName({ ...person, preferred: 'Bea' })).toBe('Bea (Beatriz) da Luz')
    const further = [{ kind: 'former' as const, given: '', family: 'Silva' }]
    expect(knownName({ ...person, further })).toBe('Beatriz da Luz, ' + t('card.further.former', { name: 'Silva' }))
    expect(t('card.further.former', { name: 'Silva' })).toContain('Silva')
    expect(listName(person)).toBe('da Luz, Beatriz')
  })
})

describe('a note', () => {
  it('says days, kinds and roles in words', () => {
    expect(note('seat-until', { seats: 30, held: 30, at: '2026-12-18T00:00:00Z' })).toContain('18 Dec')
    expect(note('wrong-kind', { kind: 'staff' })).toContain(t('kind.staff').toLowerCase())
    expect(note('wrong-kind', {})).not.toContain('kind.')
    expect(note('not-yours-to-give', { givers: ['lead-tutor', 'co-tutor'] })).toContain(
      `the lead-tutor, the co-tutor, ${t('change.administrator')}`,
    )
    expect(noteSentence({ code: 'not-yours-to-give', values: {}, givers: ['lead-tutor'] }, 'UTC', role)).toContain(
      'the lead-tutor',
    )
  })

  it('names who can give something, or an administrator', () => {
    expect(givers(undefined, role)).toBe(t('change.administrator'))
    expect(givers('lead-tutor', role)).toBe(t('change.administrator'))
    expect(givers(['lead-tutor'], role)).toBe(`the lead-tutor, ${t('change.administrator')}`)
  })

  it('counts pieces of work', () => {
    const one = t('note.work-stays', { pieces: 1 }, 1)
    const two = t('note.work-stays', { pieces: 2 }, 2)
    expect([note('work-stays', { pieces: 1 }), note('work-stays', { pieces: 2 })]).toEqual([one, two])
  })

  it('of an option says why it may not be given', () => {
    const option = {
      role: 'x',
      allowed: false,
      code: 'wrong-kind',
      values: { kind: 'staff' },
      givers: [],
      also: [],
      not: [],
    }
    expect(optionSentence(option as never, 'UTC', role)).toBe(note('wrong-kind', { kind: 'staff' }))
  })

  it('of a line stands among its reasons, and then its cautions', () => {
    const line = {
      reasons: [{ code: 'last-lead', values: {} }],
      cautions: [{ code: 'account-closed', values: {} }],
    } as unknown as ChangeLine
    expect(lineSentences(line, 'UTC', role)).toEqual([t('note.last-lead'), t('note.account-closed')])
  })
})

describe('what follows', () => {
  const stretch = (state: string, until: string | null, of: string | null = 'learner') =>
    ({ from: null, until, state, role: of }) as Stretch
  const said = (...all: Stretch[]) => outlookSentence(all, 'UTC', role)
  const lower = (state: string) => tIn('state', state).toLowerCase()

  it('names a role where it changes, and where somebody has one', () => {
    expect(said(stretch('current', null))).toContain('the learner')
    const [, second] = said(
      stretch('paused', '2026-12-04T00:00:00Z'),
      stretch('current', '2026-12-08T00:00:00Z', 'day-guest'),
      stretch('current', null, 'day-guest'),
    ).split(', then ')
    expect(second).toContain('the day-guest')
    expect(
      said(stretch('current', '2026-12-04T00:00:00Z'), stretch('paused', null)).match(/the learner/g),
    ).toHaveLength(1)
    for (const state of ['ended', 'removed', 'blocked']) expect(said(stretch(state, null))).not.toContain('the learner')
    expect(said(stretch('current', null, null))).not.toContain(' as ')
  })

  it('says until when, to the end of the site, or nothing of what is over', () => {
    expect(said(stretch('current', '2026-12-04T00:00:00Z'))).toMatch(/ until 3 Dec\.$/)
    expect(said(stretch('current', null))).toMatch(/ to the end of the site\.$/)
    for (const state of ['ended', 'removed', 'blocked', 'waiting'])
      expect(said(stretch(state, null))).not.toContain('to the end')
    expect(said(stretch('blocked', '2026-12-04T00:00:00Z'))).toContain('3 Dec')
  })

  it('is a sentence of four parts at most, the later ones with then', () => {
    const five = ['paused', 'current', 'blocked', 'current', 'paused'].map((state, n) =>
      stretch(state, `2026-12-0${n + 2}T00:00:00Z`),
    )
    const sentence = said(...five)
    expect(sentence.split(', then ')).toHaveLength(4)
    expect(sentence.startsWith(lower('paused')[0]!.toUpperCase())).toBe(true)
    expect(sentence.endsWith('.')).toBe(true)
    expect(said(stretch('removed', null))).not.toContain('then')
  })
})

describe('a cause', () => {
  const cause = (code: string, values = {}) =>
    ({ code, values, change: 'none', mine: false, givers: [] }) as unknown as Reason['causes'][number]
  const say = (code: string, values = {}, entry: Reason['entry'] = 'no', who: 'staff' | 'you' = 'staff') =>
    causeSentence(cause(code, values), entry, who, 'UTC', role)

  it('says until when, when, from when and when it opens', () => {
    expect(say('blocked', { until: '2026-12-19T00:00:00Z' })).toBe(t('reason.staff.blocked-until', { until: '18 Dec' }))
    expect(say('blocked')).toBe(t('reason.staff.blocked'))
    expect(say('removed', { at: '2026-11-01T09:00:00Z', role: 'learner' })).toContain('1 Nov')
    expect(say('upcoming', { from: '2026-12-01T09:00:00Z', role: 'learner' })).toContain('1 Dec')
    expect(say('draft', { opens: '2026-12-01T09:00:00Z' })).toBe(t('reason.staff.draft-opens', { opens: '1 Dec' }))
    expect(say('draft')).toBe(t('reason.staff.draft'))
  })

  it('says through which door somebody came, unless staff let them in', () => {
    const key = { role: 'learner', doorKind: 'key', door: 'Poster' }
    expect(say('let-in', key, 'enter')).toBe(
      `${say('let-in', { role: 'learner' }, 'enter')} ${doorSentence('key', 'Poster')}`,
    )
    expect(doorSentence('key', 'Poster')).toContain('Poster')
    expect(say('let-in', { ...key, doorKind: 'staff' }, 'enter')).not.toContain('Poster')
    expect(say('let-in', { role: 'learner' }, 'enter')).toBe(say('let-in', { ...key, doorKind: 'staff' }, 'enter'))
    expect(say('let-in', { role: 'learner', doorKind: 'key' }, 'enter')).toContain(t('door.plain.key'))
  })

  it('is another one where somebody may only look', () => {
    const values = { role: 'learner' }
    expect(say('let-in', values, 'look-only')).not.toBe(say('let-in', values, 'enter'))
    expect(say('blocked', values, 'look-only')).toBe(say('blocked', values, 'no'))
    expect(say('let-in', values, 'enter', 'you')).not.toBe(say('let-in', values, 'enter', 'staff'))
    expect(say('let-in', values, 'enter')).toContain('the learner')
  })
})

describe('how somebody was and will be somewhere', () => {
  const stretch = (state: string, from: string, until: string | null) =>
    ({ state, from: from + 'T00:00:00Z', until: until && until + 'T00:00:00Z', role: 'learner' }) as Stretch
  const said = (...all: Stretch[]) => courseSentence(all, 'UTC', role)

  it('says what is past in the past, and what follows as it will be', () => {
    const waited = stretch('upcoming', '2026-09-01', '2026-09-09')
    expect(said(waited, stretch('current', '2026-09-09', null))).toMatch(/^Came 9 Sept\. Current/)
    expect(said(waited, stretch('current', '2026-09-09', '2026-10-01'), stretch('removed', '2026-10-01', null))).toBe(
      'Came 9 Sept. Removed.',
    )
    expect(said(stretch('upcoming', '2026-11-01', '2026-12-01'), stretch('current', '2026-12-01', null))).toMatch(
      /^Upcoming .*until 30 Nov, then current/,
    )
    expect(said(stretch('current', '2026-09-01', '2026-10-01'))).toBe('Came 1 Sept.')
    expect(said()).toBe('Not in this site.')
  })
})
