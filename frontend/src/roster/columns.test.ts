import { describe, expect, it } from 'vitest'
import type { RosterRow } from '@/shared/api'
import { t } from '@/shared/words'
import { person, standing } from '@/testing/server'
import { cell, COLUMNS, heading, rowColumns, sortable, SORTABLE, type Column } from './columns'

const row = (more: Partial<RosterRow> = {}): RosterRow => ({
  person: person('Ada', 'Byron'),
  standing: standing(),
  entry: 'enter',
  because: 'let-in',
  listed: true,
  lastSeen: '2026-11-20T10:00:00Z',
  work: { done: 3, of: 5 },
  labels: ['choir', 'viola'],
  groups: ['Red', 'Quartet 2'],
  details: { plays: 'Viola', mark: '12.5' },
  version: 1,
  ...more,
})
const say = (column: Column, more: Partial<RosterRow> = {}) => cell(row(more), column, 'UTC', (code) => `<${code}>`)

describe('a row of the roster says', () => {
  it.each([
    ['name', 'Byron, Ada'],
    ['kind', t('kind.learner')],
    ['level', '7'],
    ['division', 'Seniors'],
    ['number', '2041010'],
    ['role', '<learner>'],
    ['state', t('state.current')],
    ['work', t('roster.work', { done: 3, of: 5 })],
    ['labels', 'choir, viola'],
    ['groups', 'Red, Quartet 2'],
  ] as const)('%s: %s', (column, said) => {
    expect(say(column)).toBe(said)
    expect(said).not.toBe('')
  })

  it('days in the time zone of the site', () => {
    expect(say('since')).toContain('6')
    expect(cell(row({ standing: standing({ since: '2026-09-06T23:30:00Z' }) }), 'since', 'Asia/Tokyo', String)).toBe(
      say('since', { standing: standing({ since: '2026-09-07T10:00:00Z' }) }),
    )
    expect(say('seen')).not.toBe(say('since'))
    expect(say('seen')).toContain('20')
  })

  it('nothing of what there is not', () => {
    const who = person('Ada', 'Byron', { level: null, number: null })
    expect([say('level', { person: who }), say('number', { person: who })]).toEqual(['', ''])
    expect([say('work', { work: null }), say('labels', { labels: [] })]).toEqual(['', ''])
    expect(say('seen', { lastSeen: null })).toBe(t('roster.never'))
  })

  it('what state they are in, and that an account is closed or an approval is missing', () => {
    const paused = standing({ state: 'paused' })
    expect(say('state', { standing: paused })).toBe(t('state.paused'))
    expect(say('state', { standing: standing({ state: 'waiting' }), because: 'waits-for-approval' })).toBe(
      t('state.approval'),
    )
    expect(say('state', { because: 'account-closed' })).toBe(t('state.current') + t('roster.closedAccount'))
    expect(say('state', { standing: paused, because: 'account-closed' })).toBe(t('state.paused'))
    expect(t('roster.closedAccount')).not.toBe('')
  })

  it('in columns of which the server sorts by all but work, labels and groups', () => {
    expect(COLUMNS.filter((column) => !sortable(column))).toEqual(['work', 'labels', 'groups'])
    expect(COLUMNS.filter(sortable)).toEqual([...SORTABLE])
  })
})

describe('a column of a detail', () => {
  const details = [
    { code: 'plays', name: 'Instrument', type: 'choice' as const, choices: ['Viola'] },
    { code: 'mark', name: 'Mark so far', type: 'number' as const, choices: [] },
  ]
  it('is called and filled as the platform has it', () => {
    expect(heading('detail-plays', details)).toBe('Instrument')
    expect(cell(row(), 'detail-plays', 'UTC', String, details)).toBe('Viola')
    expect(cell(row(), 'detail-mark', 'UTC', String, details)).toMatch(/^12\D5$/)
    expect(cell(row({ details: {} }), 'detail-plays', 'UTC', String, details)).toBe('')
  })
  it('is there when somebody wants it, and is not sorted by', () => {
    const columns = rowColumns(['name', 'detail-mark'], details)
    expect(columns.map(({ label, optional, sortable }) => [label, optional, sortable])).toEqual([
      [t('roster.col.name'), false, true],
      ['Mark so far', true, false],
    ])
  })
})
