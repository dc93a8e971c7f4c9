import { expect, it } from 'vitest'
import { csvField, csvFile, tabbed } from './csv'

it.each([
  ['plain', 'plain'],
  ['two, parts', '"two, parts"'],
  ['say "a"', '"say ""a"""'],
  ['two\nlines', '"two\nlines"'],
  ['=1+1', "'=1+1"],
  ['@cmd', "'@cmd"],
  ['-5, +5', '"\'-5, +5"'],
  ['Dąbrowicz', 'Dąbrowicz'],
])('writes %j as %j', (text, field) => expect(csvField(text)).toBe(field))

it('makes a file that spreadsheets read', () => {
  expect(
    csvFile([
      ['Name', 'Level'],
      ['da Luz, Bea', '7'],
    ]),
  ).toBe('\uFEFFName,Level\r\n"da Luz, Bea",7\r\n')
})

it('keeps rows and columns in the clipboard', () => {
  expect(
    tabbed([
      ['a\tb', 'c\nd'],
      ['=x', ''],
    ]),
  ).toBe("a b\tc d\n'=x\t")
})
