import { describe, expect, it } from 'vitest'
import { dayIn, dayOrder, daysLater, isDay, numericDay, readDay, readTime, writtenDay } from './days'

const LOCALES = ['en-GB', 'en-US', 'en-CA', 'de-DE', 'fr-FR', 'sv-SE', 'hu-HU']
const frame = { today: '2026-11-26', first: '2027-01-11', locale: 'en-GB' }
const read = (typed: string, more = {}) => readDay(typed, { ...frame, ...more })

describe('a typed day', () => {
  it('is read back as it is written, in every way of writing', () => {
    for (const locale of LOCALES)
      for (let day = '2026-01-01'; day < '2029-01-01'; day = daysLater(day, 13))
        for (const text of [day, numericDay(day, locale), writtenDay(day, locale)])
          expect([locale, text, readDay(text, { ...frame, locale })]).toEqual([locale, text, day])
  })

  it.each([
    ['7/9/2026', '2026-09-07'],
    ['7.9.26', '2026-09-07'],
    ['070926', '2026-09-07'],
    ['07092026', '2026-09-07'],
    ['7 Sep', '2026-09-07'],
    ['sept 7 2026', '2026-09-07'],
    ['Mon 7 September', '2026-09-07'],
    ['7-sep-26', '2026-09-07'],
    ['2026-9-7', '2026-09-07'],
    ['7/1', '2027-01-07'],
    ['t', '2027-01-11'],
    ['T', '2027-01-11'],
    ['+7', '2026-12-03'],
    ['-1', '2026-11-25'],
    [' 26/11 ', '2026-11-26'],
  ])('%s', (typed, day) => expect(read(typed)).toBe(day))

  it('has its month first where people write so', () => {
    expect([dayOrder('en-GB')[0], dayOrder('en-US')[0]]).toEqual(['day', 'month'])
    expect(read('9/7', { locale: 'en-US' })).toBe('2026-09-07')
    expect(read('090726', { locale: 'en-US' })).toBe('2026-09-07')
  })

  it.each([
    '',
    'soon',
    '31/2/2026',
    '7',
    '7/9/2026/1',
    '32 Sep',
    'Ju 7',
    '7 Sep Oct',
    '1/13',
    '2026-02-30',
    '+',
    '12345',
  ])('is not there: %s', (typed) => expect(read(typed)).toBeUndefined())

  it('without a year is the nearest of that name, and of two as near the later', () => {
    expect([read('20 Dec'), read('3 Jan'), read('30 May', { today: '2027-11-29' })]).toEqual([
      '2026-12-20',
      '2027-01-03',
      '2028-05-30',
    ])
    expect(read('29/2', { today: '2027-03-01' })).toBe('2028-02-29')
  })

  it('t is nothing where no term is to come', () => expect(read('t', { first: undefined })).toBeUndefined())
})

it('a day is one only when the calendar has it', () => {
  expect(['2026-02-28', '2028-02-29', '2026-02-29', '26-02-28', '2026-13-01', ''].map(isDay)).toEqual([
    true,
    true,
    false,
    false,
    false,
    false,
  ])
})

it('the day of an instant is the one of its zone', () => {
  const instant = new Date('2026-11-26T23:30:00Z')
  expect([dayIn(instant, 'Europe/Amsterdam'), dayIn(instant, 'America/New_York')]).toEqual(['2026-11-27', '2026-11-26'])
})

it.each([
  ['9', '09:00'],
  ['9:30', '09:30'],
  ['930', '09:30'],
  ['0930', '09:30'],
  ['09.30', '09:30'],
  ['9h30', '09:30'],
  ['2 pm', '14:00'],
  ['12 am', '00:00'],
  ['12:15pm', '12:15'],
  ['24:00', undefined],
  ['9:75', undefined],
  ['13 pm', undefined],
  ['noon', undefined],
])('the time %s', (typed, time) => expect(readTime(typed)).toBe(time))
