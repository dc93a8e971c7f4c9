import { describe, expect, it } from 'vitest'
import {
  differenceLines,
  scopeOptions,
  inOrder,
  lastYear,
  levelWords,
  problemSentence,
  spanWords,
  type DivisionSet,
} from './settings'

const division = (code: string, parent: string | null = null, more: Partial<DivisionSet> = {}): DivisionSet => ({
  code,
  name: code.toUpperCase(),
  parent,
  minors: false,
  language: 'en-GB',
  timeZone: 'UTC',
  levels: null,
  welcome: '',
  retired: false,
  ...more,
})
const order = (divisions: DivisionSet[]) => inOrder(divisions).map(({ division: { code }, depth }) => code + depth)

describe('divisions', () => {
  it('are read below what they are part of, by name', () => {
    expect(order([division('b'), division('a'), division('d', 'b'), division('c', 'b'), division('e', 'd')])).toEqual([
      'a0',
      'b0',
      'c1',
      'd1',
      'e2',
    ])
  })
  it('are all shown, also those of a ring and below none', () => {
    expect(order([division('a', 'b'), division('b', 'a'), division('c', 'nowhere')])).toEqual(['c0', 'a0', 'b0'])
  })
  it('are offered as far in as they are, without retired ones', () => {
    const all = [division('a'), division('b', 'a'), division('c', null, { retired: true })]
    expect(scopeOptions(all).map(({ value, label }) => [value, label])).toEqual([
      ['', 'the whole platform'],
      ['a', 'A'],
      ['b', '\u2003B'],
    ])
  })
  it('say their levels', () => {
    const levels = (...names: string[]) => levelWords(division('a', null, { levels: { first: 1, names } }))
    expect(levelWords(division('a'))).toBe('numbers 1 to 40')
    expect(levelWords(division('a', 'b'))).toBe('as in the division above')
    expect(levels()).toBe('none: its people have no level')
    expect(levels('Year 1')).toBe('Year 1')
    expect(levels('Reception', 'Year 1', 'Year 2')).toBe('Reception to Year 2')
  })
})

describe('what would change', () => {
  it('is a sentence, and a line for each field', () => {
    const fields = [
      { field: 'name', before: 'Lower', after: 'First' },
      { field: 'minors', before: 'no', after: 'yes' },
      { field: 'welcome', before: '', after: 'Hello' },
      { field: 'parent', before: 'arts', after: '' },
    ]
    expect(differenceLines({ of: 'division', which: 'First', how: 'changed', fields })).toEqual({
      sentence: 'The division First:',
      fields: ['Name: Lower → First', 'Minors: no → yes', 'Welcome: Hello', 'Part of: no longer arts'],
    })
    const named = { of: 'platform' as const, which: 'Elm', how: 'changed' as const, fields: fields.slice(0, 1) }
    expect(differenceLines(named)).toEqual({ sentence: 'The platform is called Elm.', fields: [] })
  })
  it('says what is wrong in numbers', () => {
    const say = (code: string, values = {}) => problemSentence({ where: '', code, values } as never)
    expect(say('term-in-use', { sites: 1 })).toBe('1 site belongs to it. Give it another term first.')
    expect(say('term-in-use', { sites: 3 })).toBe('3 sites belong to it. Give them another term first.')
    expect(say('level-in-use', { level: 7, people: 2 })).toBe('2 people have level 7, and it would have no name.')
    expect(say('ring')).toContain('below itself')
  })
})

it('takes the terms of the last year for a pattern', () => {
  const term = (startsOn: string, endsOn = '2030-01-01') => ({
    code: startsOn,
    name: '',
    startsOn,
    endsOn,
    division: null,
  })
  const terms = [
    term('2025-09-08'),
    term('2026-04-13'),
    term('2026-09-07'),
    term('2027-01-11'),
    term(''),
    term('2027-04-12'),
  ]
  expect(lastYear(terms).map(({ code }) => code)).toEqual(['2026-09-07', '2027-01-11', '2027-04-12'])
  expect(lastYear([term('')])).toEqual([])
})

it('says from when to when', () => {
  expect(spanWords('2026-12-25', '2026-12-26')).toMatch(/25.*26 Dec 2026/)
  expect(spanWords('2026-12-25', '2026-12-25')).toBe('25 Dec 2026')
  expect(spanWords('', 'soon')).toBe('')
})
