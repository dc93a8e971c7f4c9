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
  ['a=b@c-d', 'a=b@c-d'],
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
      ['a=x', 'one\r\n\r\nother'],
    ]),
  ).toBe("a b\tc d\n'=x\t\na=x\tone other")
})
