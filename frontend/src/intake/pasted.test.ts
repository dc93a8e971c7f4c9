import { describe, expect, it } from 'vitest'
import { person } from '@/testing/server'
import { emptyWork, isList, keyed, overrides, whoOf, type PastedCandidate, type PastedItem } from './pasted'

describe('what is pasted is a list', () => {
  it.each([
    'Ada Byron\nMax Born',
    'Ada Byron\r\nMax Born',
    'Ada Byron  \n\n  Max Born',
    'Ada\n\nMax',
    'a\nb',
    'Ada <ada@example.org>, Max <max@example.org>',
    'Ada <ada@example.org> and Max <max@example.org>',
    'Ada Byron, Max Born, Emmy Noether',
    'Ada Byron; Max Born',
    'Ada & Max Born',
    'Ada und Max Born',
    ' Ada Byron;Max Born;Emmy Noether',
    'Ada Byron , Max Born ,  Emmy Noether, Lise Meitner',
    '2041010, 2041028',
    '2041010;2041028;2041036',
    ' 2041010 , 2041028 ',
    'S20101, S20102',
    'S2010-b,S2010-c',
    '1234,5678',
    'x1234y ,x5678y',
  ])('%j', (text) => expect(isList(text)).toBe(true))

  it.each([
    '',
    'Ada',
    'Ada Byron',
    'Byron, Ada',
    '\n\nAda Byron\n\n',
    ' \n Ada',
    'Ada \n ',
    'Ada <ada@example.org>',
    'Ada <ada@example.org> <',
    'Ada Byron, Max Born',
    'Ada, Max, Emmy',
    'Ada Byron, Max Born, Emmy',
    'Ada Byron, Max Born, Emmy Noether, 7',
    '7 Ada Byron, Max Born, Emmy Noether',
    '2041010',
    '204, 205',
    '2041010, 205',
    '204, 2041010',
    '2041010 2041028',
    '2041010, 2041028 and others',
    'numbers 2041010, 2041028',
  ])('not: %j', (text) => expect(isList(text)).toBe(false))

  it('of one line only where it is not very long', () => {
    const line = (length: number) => '2041010, '.repeat(1_000).slice(0, length - 7) + '2041010'
    expect(isList('2041010, ' + '1'.repeat(4_990))).toBe(true)
    expect(isList('2041010, ' + '1'.repeat(4_991))).toBe(false)
    expect(line(5_002)).toHaveLength(5_002)
    expect(isList(line(5_002))).toBe(false)
    expect(isList('a\n' + 'b'.repeat(6_000))).toBe(true)
  })
})

describe('a pasted list', () => {
  it('begins with nothing but its text', () => {
    const nothing = { role: '', fromDay: '', untilDay: '', section: '', said: {}, tell: false, words: '' }
    expect(emptyWork()).toEqual({ text: '', ...nothing })
    expect(emptyWork('Ada')).toEqual({ text: 'Ada', ...nothing })
  })

  it('tells lines apart by what stands on them, also a second time', () => {
    const line = (gist: string, text: string) => ({ gist, text }) as PastedItem
    const lines = [line('ada', 'Ada'), line('max', 'Max'), line('ada', 'ADA'), line('ada', 'ada'), line('', '--')]
    expect(keyed([...lines, line('', '--')]).map((item) => item.key)).toEqual([
      'ada',
      'max',
      'ada (2)',
      'ada (3)',
      '--',
      '-- (2)',
    ])
    expect(keyed(lines)[2]!.text).toBe('ADA')
  })

  it('is for whom a line means, or whom somebody chose', () => {
    const [ada, max] = [person('Ada', 'Byron'), person('Max', 'Born')]
    const candidates = [ada, max].map((who) => ({ person: who })) as PastedCandidate[]
    const item = (outcome: PastedItem['outcome']) => ({ outcome, candidates }) as PastedItem
    expect(whoOf(item('match'))).toBe(candidates[0])
    expect(whoOf(item('match'), {})).toBe(candidates[0])
    expect(whoOf(item('choose'))).toBeUndefined()
    expect(whoOf(item('choose'), { person: max.id })).toBe(candidates[1])
    expect(whoOf(item('match'), { person: max.id })).toBe(candidates[1])
    const emmy = person('Emmy', 'Noether')
    expect(whoOf(item('unknown'), { person: emmy.id, found: emmy })).toEqual(overrides(emmy))
    expect(whoOf(item('unknown'), { person: emmy.id, found: person('Lise', 'Meitner') })).toBeUndefined()
    expect(whoOf(item('unknown'), { person: emmy.id })).toBeUndefined()
    expect(overrides(emmy)).toEqual({
      person: emmy,
      visibility: 'full',
      standing: null,
      suggested: null,
      evidence: 'by-hand',
      remembered: false,
      wanted: true,
    })
  })
})
