import { expect, test } from 'vitest'
import { detailColumn, detailOf, detailWords, readWanted, writeWanted } from './details'

test('what is kept is written as people write it', () => {
  expect(detailWords({ type: 'text' }, '2027-01-31')).toBe('2027-01-31')
  expect(detailWords({ type: 'date' }, '2027-01-31')).toContain('2027')
  expect(detailWords({ type: 'date' }, '2027-01-31')).not.toBe('2027-01-31')
  expect(detailWords({ type: 'number' }, '1234.5')).toMatch(/1\D?234\D5/)
  expect(detailWords({ type: 'number' }, undefined)).toBe('')
})

test('columns of details are told from others', () => {
  expect(detailOf(detailColumn('plays'))).toBe('plays')
  expect(detailOf('division')).toBeUndefined()
})

test.each([
  ['', []],
  ['plays=Viola', [['plays', 'Viola']]],
  [
    'plays=Viola+d%E2%80%99amore&mark=10..15',
    [
      ['plays', 'Viola d’amore'],
      ['mark', '10..15'],
    ],
  ],
])('an address says and keeps what is asked: %s', (asked, wanted) => {
  expect([...readWanted(asked)]).toEqual(wanted)
  expect(writeWanted(readWanted(asked))).toBe(asked)
})

test('what asks for nothing is left out', () => {
  const wanted = new Map([
    ['plays', ''],
    ['mark', '..'],
    ['ends', '..2027-01-31'],
  ])
  expect(writeWanted(wanted)).toBe('ends=..2027-01-31')
})
